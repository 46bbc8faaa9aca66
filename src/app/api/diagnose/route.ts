import { JSON_TYPE, answer, jobAnswer, readShowBytes } from '@/server/http';

/** What is suspected after what was seen of a prop, and what to try next, from a show file; nothing is kept. */
export const POST = (request: Request) =>
  answer(async () =>
    jobAnswer(request, { is: 'diagnoseFile', input: await readShowBytes(request) }, JSON_TYPE),
  );
