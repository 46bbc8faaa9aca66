import { JSON_TYPE, answer, jobAnswer, readShowBytes } from '@/server/http';

/** Plans a show file and keeps nothing. */
export const POST = (request: Request) =>
  answer(async () =>
    jobAnswer(request, { is: 'reportOfFile', input: await readShowBytes(request) }, JSON_TYPE),
  );
