import { JSON_TYPE, answer, jobAnswer, readShowBytes } from '@/server/http';

/** Suspects after observations on a prop, and the next trial, from a show file; nothing is kept. */
export const POST = (request: Request) =>
  answer(async () =>
    jobAnswer(request, { is: 'diagnoseFile', input: await readShowBytes(request) }, JSON_TYPE),
  );
