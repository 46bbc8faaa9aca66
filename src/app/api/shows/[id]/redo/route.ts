import { answer, readReversal } from '@/server/http';
import { shows } from '@/server/repository';

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { author, takesBack } = await readReversal(request);
    const { id } = await params;
    await shows().getReady(id);
    return Response.json(shows().redo(id, author, takesBack));
  });
