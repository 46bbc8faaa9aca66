import { answer } from '@/server/http';
import { shows } from '@/server/repository';

export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json({ changes: shows().history((await params).id) }));
