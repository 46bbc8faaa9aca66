import { answer, readChange } from '@/server/http';
import { shows } from '@/server/repository';

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { baseSequence } = await readChange(request);
    return Response.json(shows().undo((await params).id, baseSequence));
  });
