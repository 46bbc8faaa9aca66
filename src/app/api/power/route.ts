import { JSON_TYPE, answer, jobAnswer, readShowBytes } from '@/server/http';

/** Solves the power of a show file and keeps nothing. */
export const POST = (request: Request) =>
  answer(async () =>
    jobAnswer(request, { is: 'powerOfFile', input: await readShowBytes(request) }, JSON_TYPE),
  );
