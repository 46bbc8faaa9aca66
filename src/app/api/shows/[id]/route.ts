import { answer } from '@/server/http';
import { shows } from '@/server/repository';

interface Context {
  params: Promise<{ id: string }>;
}

export const GET = (_request: Request, { params }: Context) =>
  answer(async () => Response.json(shows().get((await params).id)));

export const DELETE = (_request: Request, { params }: Context) =>
  answer(async () => {
    shows().remove((await params).id);
    return new Response(null, { status: 204 });
  });
