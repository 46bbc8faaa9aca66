import { JSON_TYPE, answer, inPieces } from '@/server/http';
import { shows } from '@/server/repository';

interface Context {
  params: Promise<{ id: string }>;
}

/** The show with all that a window needs to open it; `?window=` says which one asks. The document goes out as it is kept. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const window = new URL(request.url).searchParams.get('window');
    const { document, changes, ...rest } = shows().open((await params).id, window);
    const head = JSON.stringify(rest).slice(0, -1);
    const pieces = [`${head},"changes":[${changes.join(',')}],"show":`, document, '}'];
    return new Response(inPieces(pieces), { headers: JSON_TYPE });
  });

export const DELETE = (_request: Request, { params }: Context) =>
  answer(async () => {
    shows().remove((await params).id);
    return new Response(null, { status: 204 });
  });
