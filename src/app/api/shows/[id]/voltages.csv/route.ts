import { Refusal, answer, csvHeaders, jobAnswer } from '@/server/http';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const showId = (await params).id;
    const text = new URL(request.url).searchParams.get('level');
    const level = text === null ? null : Number(text);
    if (level !== null && (text?.trim() === '' || !(level >= 0 && level <= 1)))
      throw new Refusal(400, `The level is a number from 0 to 1, such as ?level=0.3; “${text}” is not.`);
    return jobAnswer(request, { is: 'voltages', showId, level }, csvHeaders(`${showId}-voltages.csv`));
  });
