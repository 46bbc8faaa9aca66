import { writeShowText } from '@/core/show/read';
import { answer, attachment } from '@/server/http';
import { shows } from '@/server/repository';

/** The show file; with `?at=3` as it was after its third change. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const at = new URL(request.url).searchParams.get('at');
    const show = at === null ? shows().get(id).show : shows().at(id, Number(at));
    return new Response(writeShowText(show), {
      headers: { 'content-type': 'application/json', 'content-disposition': attachment(`${id}.show.json`) },
    });
  });
