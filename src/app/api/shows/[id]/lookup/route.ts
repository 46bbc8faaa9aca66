import { JSON_TYPE, Refusal, answer, jobAnswer } from '@/server/http';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const query = new URL(request.url).searchParams.get('q')?.trim();
    if (!query || query.length > 200)
      throw new Refusal(
        400,
        'Say what to look up, in 1 to 200 letters: ?q=A3 17, ?q=U5 430, ?q=ch 2182 or ?q=net curtain.',
      );
    return jobAnswer(request, { is: 'lookUp', showId: (await params).id, query }, JSON_TYPE);
  });
