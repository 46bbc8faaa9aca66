import { readEdit } from '@/core/show/edits/registry';
import { answer, readChange } from '@/server/http';
import { shows } from '@/server/repository';

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { baseSequence, edit } = await readChange(request);
    return Response.json(shows().apply((await params).id, baseSequence, readEdit(edit)));
  });
