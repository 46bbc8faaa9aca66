import { JSON_TYPE, answer, jobAnswer, printAsked } from '@/server/http';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id: showId } = await params;
    return jobAnswer(request, { is: 'sheets', showId, asked: printAsked(request, showId) }, JSON_TYPE);
  });
