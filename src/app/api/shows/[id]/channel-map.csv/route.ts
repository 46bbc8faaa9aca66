import { answer, csvHeaders, jobAnswer } from '@/server/http';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const showId = (await params).id;
    return jobAnswer(request, { is: 'channelMap', showId }, csvHeaders(`${showId}-channel-map.csv`));
  });
