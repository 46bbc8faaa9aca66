import { readEdit } from '@/core/show/edits/registry';
import { answer, readChange } from '@/server/http';
import { shows } from '@/server/repository';

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { author, edit } = await readChange(request);
    const { id } = await params;
    await shows().getReady(id);
    return Response.json(shows().apply(id, author, readEdit(edit)));
  });
