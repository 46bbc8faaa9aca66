import { JSON_TYPE, answer, jobAnswer, printAsked } from '@/server/http';

/** Whether a sheet that was printed says what the plan says now. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string; mark: string }> }) =>
  answer(async () => {
    const { id: showId, mark } = await params;
    const asked = printAsked(request, showId);
    return jobAnswer(request, { is: 'printed', showId, mark, asked }, JSON_TYPE);
  });
