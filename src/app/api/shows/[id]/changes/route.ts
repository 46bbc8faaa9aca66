import { Refusal, answer } from '@/server/http';
import { shows } from '@/server/repository';

/** Changes that a window is missing: `?after=12`. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const query = new URL(request.url).searchParams;
    const after = query.get('after') ?? '';
    if (!/^\d{1,15}$/.test(after))
      throw new Refusal(400, 'Say after which change: ?after=12, a whole number from 0 on.');
    return Response.json(shows().since((await params).id, query.get('window'), Number(after)));
  });
