import { JSON_TYPE, answer, jobAnswer } from '@/server/http';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => jobAnswer(request, { is: 'glance', showId: (await params).id }, JSON_TYPE));
