import { readEdit } from '@/core/show/edits/registry';
import { answer, readChange } from '@/server/http';
import { shows } from '@/server/repository';

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { baseSequence, edit, brief } = await readChange(request);
    const { show, ...confirmation } = shows().apply((await params).id, baseSequence, readEdit(edit));
    return Response.json(brief ? confirmation : { ...confirmation, show });
  });
