import { answer, readRestore } from '@/server/http';
import { shows } from '@/server/repository';

/** Makes the show what it was after an earlier change. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { author, sequence } = await readRestore(request);
    const { id } = await params;
    await shows().getReady(id);
    return Response.json(shows().restore(id, author, sequence, `revision ${sequence}`));
  });
