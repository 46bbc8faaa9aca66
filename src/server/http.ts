import 'server-only';
import { z } from 'zod';
import { benchRequestSchema, type BenchRequest } from '@/core/rig/benchState';
import { factSchema, type Fact } from '@/core/show/facts';
import { lateSchema, type Late } from '@/core/show/lateFacts';
import { phonesRequestSchema, type PhonesRequest } from '@/core/show/phones';
import { idSchema, nameSchema } from '@/core/fields/fields';
import { ShowError, type Problem } from '@/core/fields/problem';
import { MOST_FILE_BYTES } from '@/core/show/read';
import { parseJson } from '@/core/fields/parseJson';
import { zodProblems } from '@/core/fields/zodProblems';
import { PAPER_SIZES, type PaperSize } from '@/core/catalogue/paper';
import { groupDigits } from '@/core/units/number';
import { messageOf } from '@/core/units/messageOf';
import { BenchAsks, BenchRefuses } from './bench/benchErrors';
import { ShowClash } from './clash';
import { CannotKeep } from './database';
import { openedAccess } from './front/access';
import { phoneOf } from './front/phoneHeader';
import { JobEnded, jobs } from './jobs/runner';
import type { Job } from './jobs/jobs';
import type { PrintAsked } from './papers/print';
import { NoPhoto } from './photos';
import { shows } from './repository';
import { FactsClash, MustReload, NoSuchChange, NoSuchSheet, NoSuchShow, NothingThere } from './showErrors';
import { type Author } from './changesTable';

/** More than the largest edit takes: a prop of 100,000 points with all that can be said of it. */
export const MOST_BODY_BYTES = 16 * 1024 * 1024;

/** Not of any standard, but what servers commonly note where the client ended a request. */
const STOPPED = 499;

/** Heard and not done yet: something has to be agreed to first (202, RFC 9110). */
const HEARD = 202;

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
    if (error instanceof NoSuchShow || error instanceof NoSuchSheet) return refuse(404, error.message);
    if (error instanceof NoSuchChange || error instanceof NothingThere) return refuse(422, error.message);
    if (error instanceof NoPhoto) return refuse(415, error.message);
    if (error instanceof JobEnded) return refuse(STOPPED, error.message);
    if (error instanceof BenchRefuses) return refuse(422, error.message);
    if (error instanceof BenchAsks)
      return Response.json(
        { error: error.message, problems: [], question: error.question },
        { status: HEARD },
      );
    if (error instanceof MustReload) return refuse(409, error.message);
    if (error instanceof FactsClash)
      return Response.json({ error: error.message, problems: [], notes: error.clashes }, { status: 409 });
    if (error instanceof ShowClash)
      return Response.json({ error: error.message, problems: [], clash: error.clash }, { status: 409 });
    // The disk is the builder's to look after, and says so in a sentence; the rest is ours.
    if (error instanceof CannotKeep) return refuse(503, error.message);
    console.error(error);
    return refuse(500, `The server could not do this: ${messageOf(error)}`);
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
  const text = new TextDecoder().decode(
    await readBytes(request, MOST_BODY_BYTES, 'No change needs so much.'),
  );
  try {
    return parseJson(text, 'The body of the request is not JSON');
  } catch (error) {
    throw new Refusal(400, messageOf(error));
  }
}

const authorFields = { baseSequence: z.int().min(0), changeId: idSchema, window: idSchema.nullish() };
const changeSchema = z.object({ ...authorFields, edit: z.unknown() });
const reversalSchema = z
  .object({ ...authorFields, takesBack: idSchema.optional() })
  .refine(({ window, takesBack }) => window || takesBack, {
    path: ['takesBack'],
    message: 'the id of the change that is meant, since no window is named',
  });

/** The body of an edit. @throws Refusal 400 when it is none */
export async function readChange(request: Request): Promise<{ author: Author; edit: unknown }> {
  const { edit, ...author } = await readBody(
    request,
    changeSchema,
    '{"changeId", "baseSequence": n, "edit": {…}}',
  );
  return { author: authorOf(author), edit };
}

/** The body of an undo or a redo. @throws Refusal 400 when it is none */
export async function readReversal(request: Request): Promise<{ author: Author; takesBack?: string }> {
  const { takesBack, ...author } = await readBody(
    request,
    reversalSchema,
    '{"changeId", "baseSequence": n, "takesBack": "id of a change"}',
  );
  return { author: authorOf(author), ...(takesBack !== undefined && { takesBack }) };
}

/** The body that goes back to an earlier state. @throws Refusal 400 when it is none */
export async function readRestore(request: Request): Promise<{ author: Author; sequence: number }> {
  const { sequence, ...author } = await readBody(
    request,
    z.object({ ...authorFields, sequence: z.int().min(0) }),
    '{"changeId", "baseSequence": n, "sequence": of the state}',
  );
  return { author: authorOf(author), sequence };
}

/** The body that begins another season. @throws Refusal 400 when it is none */
export const readSeason = (request: Request): Promise<{ name: string; keepsLocks: boolean }> =>
  readBody(
    request,
    z.object({ name: nameSchema, keepsLocks: z.boolean().default(false) }),
    '{"name": of the new show}, and "keepsLocks": true where addresses stay locked that answers locked',
  );

/** The body that notes facts. @throws Refusal 400 when it is none */
export function readFacts(request: Request): Promise<{ facts: Fact[]; late?: Late | undefined }> {
  const schema = z
    .object({ facts: z.array(factSchema).min(1).max(5000), late: lateSchema.optional() })
    .refine(({ facts, late }) => !late || late.heardOf.length === facts.length, {
      path: ['late', 'heardOf'],
      message: 'as many numbers as there are facts',
    });
  return readBody(request, schema, '{"facts": [ … ]}, 1 to 5,000 of them');
}

function authorOf({ changeId, window, baseSequence }: z.infer<z.ZodObject<typeof authorFields>>): Author {
  return { changeId, window: window ?? null, base: baseSequence };
}

/** The body that asks something of the bench. @throws Refusal 400 when it is none */
export const readBenchRequest = (request: Request): Promise<BenchRequest> =>
  readBody(
    request,
    benchRequestSchema,
    '{"do": "open", "send", "change", "hold", "agree", "stop", "close" or "poll", …}',
  );

/** The body that sends a phone away or makes another code. @throws Refusal 400 when it is none */
export const readPhonesRequest = (request: Request): Promise<PhonesRequest> =>
  readBody(request, phonesRequestSchema, '{"do": "renew"} or {"do": "sendAway", "phoneId": "…"}');

async function readBody<Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
  form: string,
): Promise<z.infer<Schema>> {
  const body = await readJson(request);
  const parsed = schema.safeParse(body);
  if (parsed.success) return parsed.data;
  const problems = zodProblems(parsed.error, body);
  throw new Refusal(
    400,
    `The body has to be ${form}. ${problems.map((problem) => problem.message).join(' ')}`,
    problems,
  );
}

/** The body of a request. @throws Refusal 413 as soon as it is longer than allowed */
export async function readBytes(request: Request, mostBytes: number, why: string): Promise<Uint8Array> {
  const tooLong = () =>
    new Refusal(
      413,
      `This is larger than ${groupDigits(mostBytes / 1024 / 1024)} MB, the most that is read. ${why}`,
    );
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) throw tooLong();
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    bytes += value.byteLength;
    if (bytes > mostBytes) {
      await reader.cancel();
      throw tooLong();
    }
    chunks.push(value);
  }
  // A buffer of its own, so that it can change hands between threads.
  const all = new Uint8Array(bytes);
  let at = 0;
  for (const chunk of chunks) {
    all.set(chunk, at);
    at += chunk.byteLength;
  }
  return all;
}

/** The bytes of a show file in a body. @throws Refusal 413 */
export function readShowBytes(request: Request): Promise<Uint8Array> {
  return readBytes(request, MOST_FILE_BYTES, 'No show that is allowed needs so much.');
}

/** Pieces as the body of an answer, made as fast as they are taken. */
function streamed(
  first: Uint8Array | null,
  next: () => Promise<Uint8Array | null>,
  cancel: () => void,
): ReadableStream<Uint8Array> {
  let piece: Uint8Array | null = first;
  return new ReadableStream<Uint8Array>(
    {
      pull: async (controller) => {
        if (piece) controller.enqueue(piece);
        else controller.close();
        if (piece) piece = await next();
      },
      cancel,
    },
    { highWaterMark: 1 },
  );
}

const PIECE_BYTES = 256 * 1024;

/** The body of an answer from what is in memory already: large parts go out piece by piece, with time for others between. */
export function inPieces(parts: readonly (string | Uint8Array)[]): ReadableStream<Uint8Array> {
  const pieces = (function* () {
    for (const part of parts) {
      const bytes = typeof part === 'string' ? new TextEncoder().encode(part) : part;
      for (let at = 0; at < bytes.byteLength; at += PIECE_BYTES) yield bytes.subarray(at, at + PIECE_BYTES);
    }
  })();
  const next = () =>
    new Promise<Uint8Array | null>((resolve) => setImmediate(() => resolve(pieces.next().value ?? null)));
  return streamed(pieces.next().value ?? null, next, () => {});
}

/** The id that a client gives to what it asks for, to ask how far it is: `?job=`. */
export function jobId(request: Request): string | null {
  const id = new URL(request.url).searchParams.get('job');
  if (id !== null && !idSchema.safeParse(id).success)
    throw new Refusal(
      400,
      `“job” is “${id.slice(0, 60)}”; an id of small letters, digits and hyphens is needed.`,
    );
  return id;
}

/** Answers a request with the result of a job about a show; the job ends with the client. @throws what the job throws */
export async function jobAnswer(
  request: Request,
  job: Job,
  headers: Record<string, string>,
): Promise<Response> {
  // Says that there is no such show, and brings an old one up to date, before a thread looks for it.
  if ('showId' in job) shows().nameOf(job.showId);
  const running = jobs().run(job, request.signal, jobId(request));
  const first = await running.next();
  return new Response(
    streamed(
      first,
      () => running.next(),
      () => running.cancel(),
    ),
    { headers },
  );
}

export const JSON_TYPE = { 'content-type': 'application/json' };

/** Refuses a phone: access and the like are shown at the laptop alone. @throws Refusal where a phone asks */
export function onlyAtTheLaptop(request: Request): void {
  if (phoneOf(request) !== null) throw new Refusal(403, 'This is done at the laptop.');
}

/**
 * The request for a sheet: the address at which phones reach the program, and what the query says of paper and footnotes.
 *
 * @throws Refusal
 */
export function printAsked(request: Request, showId: string): PrintAsked {
  const query = new URL(request.url).searchParams;
  const size = query.get('size');
  if (size !== null && !PAPER_SIZES.includes(size as PaperSize))
    throw new Refusal(400, `“size” is “${size.slice(0, 40)}”; paper is ${PAPER_SIZES.join(' or ')}.`);
  const explains = query.get('explains');
  return {
    origin: originFor(request),
    showId,
    printedAt: new Date().toISOString(),
    ...(size !== null && { size: size as PaperSize }),
    ...(explains !== null && { explains: explains === '1' }),
  };
}

/** Under which address a phone reads what is printed: that of the network, where phones can come in at all. */
function originFor(request: Request): string {
  // The host in the address is not always the name under which we were asked.
  const host = request.headers.get('host') ?? '127.0.0.1';
  const [address] = phoneOf(request) === null ? (openedAccess()?.addresses ?? []) : [];
  return `http://${address ?? host}`;
}

const SHEET_TYPES = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  csv: 'text/csv; charset=utf-8',
  json: 'application/json',
} as const;

/** A sheet as a file. A browser shows what it can show by itself; tables are saved. */
export function sheetHeaders(as: keyof typeof SHEET_TYPES, name: string): Record<string, string> {
  const type = { 'content-type': SHEET_TYPES[as] };
  if (as === 'json') return type;
  if (as === 'csv') return { ...type, 'content-disposition': attachment(`${name}.csv`) };
  return { ...type, 'content-disposition': `inline; filename="${name}.${as}"` };
}

export function captureHeaders(fileName: string): Record<string, string> {
  return { 'content-type': 'application/vnd.tcpdump.pcap', 'content-disposition': attachment(fileName) };
}

/** A number of a query, between two bounds. @throws Refusal for one that is not */
export function numberIn(
  query: URLSearchParams,
  name: string,
  least: number,
  most: number,
  usual: number,
): number {
  const text = query.get(name);
  if (text === null) return usual;
  const number = Number(text);
  if (text.trim() === '' || !(number >= least && number <= most))
    throw new Refusal(400, `“${name}” is a number from ${least} to ${most}; “${text}” is not.`);
  return number;
}

export function csvHeaders(fileName: string): Record<string, string> {
  return { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': attachment(fileName) };
}

/** Names the file to be saved; ids are plain words, so they need no quoting rules. */
export function attachment(fileName: string): string {
  return `attachment; filename="${fileName}"`;
}
