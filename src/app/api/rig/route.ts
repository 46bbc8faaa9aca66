import { JSON_TYPE, answer, jobAnswer, readShowBytes } from '@/server/http';

/** The picture of a test on a display, from a show file; nothing is sent and nothing kept. */
export const POST = (request: Request) =>
  answer(async () => jobAnswer(request, { is: 'rigOfFile', input: await readShowBytes(request) }, JSON_TYPE));
