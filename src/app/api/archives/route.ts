import { restored, withBodyAsFile } from '@/server/archive/restore';
import { dataFolder } from '@/server/dataFolder';
import { answer, jobId } from '@/server/http';
import { jobs } from '@/server/jobs/runner';
import { photos, shows } from '@/server/repository';

/** Keeps the show of an archive (a zip file), with its history, its notes and its photos, as a show of its own. */
export const POST = (request: Request) =>
  answer(async () => {
    // Says so at once, where nothing can be kept.
    const around = { shows: shows(), photos: photos(), jobs: jobs() };
    const job = jobId(request);
    const id = await withBodyAsFile(dataFolder(), request.body, (file) =>
      restored(file, around, request.signal, job),
    );
    const { sequence } = around.shows.standing(id)!;
    return Response.json({ id, sequence }, { status: 201, headers: { location: `/api/shows/${id}` } });
  });
