import { JSON_TYPE, Refusal, answer, attachment, jobAnswer } from '@/server/http';

/** The show file, with what was noted on site; with `?at=3` the show as it was after its third change. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const showId = (await params).id;
    const at = new URL(request.url).searchParams.get('at');
    if (at !== null && !/^\d{1,15}$/.test(at))
      throw new Refusal(400, `“at” is “${at}”; the number of a change is needed, such as ?at=3.`);
    return jobAnswer(
      request,
      { is: 'showFile', showId, at: at === null ? null : Number(at) },
      { ...JSON_TYPE, 'content-disposition': attachment(`${showId}.show.json`) },
    );
  });
