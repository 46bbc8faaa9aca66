import { answer, csvHeaders, jobAnswer } from '@/server/http';

/** All that was ever noted about a show, one line each, oldest first. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id: showId } = await params;
    return jobAnswer(request, { is: 'log', showId }, csvHeaders(`${showId}-log.csv`));
  });
