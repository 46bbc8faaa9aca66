import { Readable } from 'node:stream';
import { zipped } from '@/server/archive/zip';
import { answer, attachment, jobId } from '@/server/http';
import { jobs } from '@/server/jobs/runner';
import { shows } from '@/server/repository';

/** A show with everything that belongs to it, photos and history too, as one zip file. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id: showId } = await params;
    // Says that there is no such show, and brings an old one up to date, before a thread looks for it.
    shows().nameOf(showId);
    const job = jobs().run({ is: 'archive', showId }, request.signal, jobId(request));
    const stream = await zipped(() => job.next());
    stream.on('close', () => job.cancel());
    return new Response(Readable.toWeb(stream) as ReadableStream<Uint8Array>, {
      headers: { 'content-type': 'application/zip', 'content-disposition': attachment(`${showId}.show.zip`) },
    });
  });
