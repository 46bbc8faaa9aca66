import { JSON_TYPE, answer, jobAnswer, numberIn } from '@/server/http';

/** Differences between the show after one change and after another. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id: showId } = await params;
    const query = new URL(request.url).searchParams;
    const at = (name: string) => numberIn(query, name, 0, Number.MAX_SAFE_INTEGER, 0);
    return jobAnswer(request, { is: 'compare', showId, from: at('from'), to: at('to') }, JSON_TYPE);
  });
