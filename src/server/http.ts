import 'server-only';
import Papa from 'papaparse';
import { z } from 'zod';
import { ShowError, type Problem } from '@/core/show/problem';
import type { Row } from '@/core/papers/channelMap';
import { groupDigits } from '@/core/units/number';
import { NoSuchShow, NothingThere, StaleRevision } from './shows';

/** More than the largest show that is accepted takes as a file. */
export const MOST_BODY_BYTES = 16 * 1024 * 1024;

/** Refuses a request, with the status and the sentence of the answer. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: readonly Problem[] = [],
  ) {
    super(message);
  }
}

/** Runs a route handler; what it throws becomes an answer with a status and a sentence. */
export async function answer(work: () => Response | Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Refusal) return refuse(error.status, error.message, error.problems);
    if (error instanceof ShowError) return refuse(422, error.message, error.problems);
    if (error instanceof NoSuchShow) return refuse(404, error.message);
    if (error instanceof RangeError) return refuse(404, error.message);
    if (error instanceof NothingThere) return refuse(422, error.message);
    if (error instanceof StaleRevision)
      return Response.json(
        { error: error.message, problems: [], current: error.current, missed: error.missed },
        { status: 409 },
      );
    console.error(error);
    return refuse(500, `The server could not do this: ${(error as Error).message}`);
  }
}

function refuse(status: number, error: string, problems: readonly Problem[] = []): Response {
  return Response.json({ error, problems }, { status });
}

/**
 * The JSON in the body of a request.
 *
 * @throws Refusal 413 as soon as the body is longer than allowed, 400 when it is not JSON
 */
export async function readJson(request: Request): Promise<unknown> {
  const text = (await readBytes(request)).toString('utf8');
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new Refusal(400, `The body of the request is not JSON (${(error as Error).message}).`);
  }
}

const changeSchema = z.object({
  baseSequence: z.int().min(0),
  edit: z.unknown().optional(),
  brief: z.boolean().optional(),
});

/** The body of a change: the sequence number that was edited, and for an edit the edit itself and whether the show may be left out of the answer. */
export async function readChange(request: Request): Promise<z.infer<typeof changeSchema>> {
  const parsed = changeSchema.safeParse(await readJson(request));
  if (parsed.success) return parsed.data;
  throw new Refusal(
    400,
    'A change is {"baseSequence": n, "edit": {…}}, with n the sequence number of the show that was edited, a whole number from 0 on; undo and redo leave the edit out.',
  );
}

/** The body of a request. @throws Refusal 413 as soon as it is longer than allowed */
export async function readBytes(request: Request, why = 'No show file needs so much.'): Promise<Buffer> {
  const tooLong = () =>
    new Refusal(
      413,
      `The file is larger than ${groupDigits(MOST_BODY_BYTES / 1024 / 1024)} MB, the most that is read. ${why}`,
    );
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BODY_BYTES) throw tooLong();
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    bytes += value.byteLength;
    if (bytes > MOST_BODY_BYTES) {
      await reader.cancel();
      throw tooLong();
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks, bytes);
}

const ROWS_PER_CHUNK = 1000;

/** A CSV file (RFC 4180) that is written while it is sent, so that its size does not matter. */
export function csvResponse(fileName: string, columns: Row, rows: Iterator<Row>): Response {
  const encoder = new TextEncoder();
  let head = true;
  const stream = new ReadableStream<Uint8Array>({
    pull(controller) {
      const chunk: Row[] = head ? [columns] : [];
      head = false;
      for (let next = rows.next(); ; next = rows.next()) {
        if (!next.done) chunk.push(next.value);
        if (next.done || chunk.length >= ROWS_PER_CHUNK) {
          // A name that begins with = is a name, whatever a spreadsheet would make of it.
          if (chunk.length > 0)
            controller.enqueue(
              encoder.encode(Papa.unparse(chunk as unknown[][], { escapeFormulae: true }) + '\r\n'),
            );
          if (next.done) controller.close();
          return;
        }
      }
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': attachment(fileName) },
  });
}

/** Names the file to be saved; ids are plain words, so they need no quoting rules. */
export function attachment(fileName: string): string {
  return `attachment; filename="${fileName}"`;
}
