import { Worker } from 'node:worker_threads';
import { dataFolder } from '../dataFolder';
import type { Job } from './jobs';
import { receiveError, type FromThread, type ToThread } from './messages';
import { placeInProcess } from '../process';

/** Jobs of one lane never wait for those of another. */
type LaneName = 'questions' | 'exports' | 'papers' | 'checks';

const LANES: Record<LaneName, LaneRules> = {
  // Planning a large show takes a moment, in which another one can be asked about.
  questions: { threads: 2, atOnce: 1 },
  // Files are made piece by piece, as fast as they are read, so that one thread makes many in turn.
  exports: { threads: 1, atOnce: 64 },
  // A binder takes a while; files need not wait for it.
  papers: { threads: 1, atOnce: 16 },
  checks: { threads: 1, atOnce: 1 },
};

const LANE_OF: Record<Job['is'], LaneName> = {
  channelMap: 'exports',
  spans: 'exports',
  voltages: 'exports',
  capture: 'exports',
  showFile: 'exports',
  report: 'questions',
  lookUp: 'questions',
  glance: 'questions',
  sheets: 'questions',
  sheet: 'questions',
  print: 'papers',
  printed: 'questions',
  compare: 'questions',
  season: 'questions',
  log: 'exports',
  archive: 'exports',
  checkArchive: 'checks',
  reportOfFile: 'checks',
  powerOfFile: 'checks',
  rigOfFile: 'checks',
  diagnoseFile: 'checks',
  check: 'checks',
};

interface LaneRules {
  threads: number;
  /** Jobs that a thread has under way. */
  atOnce: number;
}

/** A thread that is not needed for so long is let go, with the plans that it remembers. */
const IDLE_MS = 60_000;

interface Thread {
  worker: Worker;
  jobs: Map<number, RunningJob>;
  idle: ReturnType<typeof setTimeout> | null;
}

/** A job was ended before it was done. */
export class JobEnded extends Error {
  constructor() {
    super('This was stopped before it was done.');
    this.name = 'JobEnded';
  }
}

/** A job under way. It works only while somebody waits for its next piece. */
class RunningJob {
  /** Progress, from 0 to 1. */
  part = 0;
  private thread: Thread | null = null;
  private answer: { resolve: (piece: Uint8Array | null) => void; reject: (error: Error) => void } | null =
    null;
  private ended: 'done' | 'stopped' | null = null;

  constructor(
    private readonly lane: Lane,
    readonly number: number,
    private readonly job: Job,
    /** Called once, when it ends in whatever way. */
    private readonly over: () => void,
  ) {}

  /** The next piece of what the job gives; null at its end. @throws what the job throws, JobEnded when it was stopped */
  next(): Promise<Uint8Array | null> {
    return new Promise((resolve, reject) => {
      if (this.ended === 'stopped') return reject(new JobEnded());
      if (this.ended) return resolve(null);
      this.answer = { resolve, reject };
      if (this.thread) post(this.thread, { is: 'more', number: this.number });
      else this.lane.wait(this);
    });
  }

  /** Everything that is left of it in one. */
  async rest(): Promise<Uint8Array[]> {
    const pieces: Uint8Array[] = [];
    for (let piece = await this.next(); piece; piece = await this.next()) pieces.push(piece);
    return pieces;
  }

  /** Ends it, whatever it does at the moment. Who waits for a piece is told so: what is there must not be taken for all. */
  cancel(): void {
    if (this.ended) return;
    this.ended = 'stopped';
    this.over();
    this.lane.leave(this, this.thread, 'cancelled');
    this.answer?.reject(new JobEnded());
  }

  /** A thread has room for it. */
  begin(thread: Thread): void {
    this.thread = thread;
    post(thread, { is: 'start', number: this.number, job: this.job });
  }

  hear(message: FromThread): void {
    if (message.is === 'progress') this.part = message.part;
    else if (message.is === 'piece') this.answer?.resolve(message.bytes);
    else {
      this.ended = 'done';
      this.over();
      this.lane.leave(this, this.thread, 'finished');
      if (message.is === 'failed') this.answer?.reject(receiveError(message.error));
      else this.answer?.resolve(null);
    }
  }

  /** Its thread is gone. */
  lose(error: Error): void {
    this.ended = 'stopped';
    this.over();
    this.answer?.reject(error);
  }
}

class Lane {
  private readonly threads: Thread[] = [];
  private readonly waiting: RunningJob[] = [];

  constructor(
    private readonly rules: LaneRules,
    private readonly startThread: () => Worker,
  ) {}

  wait(job: RunningJob): void {
    this.waiting.push(job);
    this.serve();
  }

  /** A job has ended, or is to end now. */
  leave(job: RunningJob, thread: Thread | null, how: 'finished' | 'cancelled'): void {
    const at = this.waiting.indexOf(job);
    if (at !== -1) this.waiting.splice(at, 1);
    if (!thread?.jobs.delete(job.number)) return;
    if (how === 'cancelled') {
      // In the middle of a long step a thread hears nothing: where the job has it to itself, it ends with the job.
      if (this.rules.atOnce === 1) this.drop(thread);
      else post(thread, { is: 'cancel', number: job.number });
    }
    this.serve();
    if (thread.jobs.size > 0 || !this.threads.includes(thread)) return;
    thread.idle = setTimeout(() => this.drop(thread), IDLE_MS);
    thread.idle.unref();
  }

  /** Gives waiting jobs to threads that have room, or to new ones. */
  private serve(): void {
    // All of them at once: the next to ask must not wait for a thread to start while the first is busy.
    if (this.waiting.length > 0 && this.threads.length === 0)
      for (let i = 0; i < this.rules.threads; i += 1) this.open();
    while (this.waiting.length > 0) {
      const thread =
        this.threads.find((each) => each.jobs.size < this.rules.atOnce) ??
        (this.threads.length < this.rules.threads ? this.open() : undefined);
      if (!thread) return;
      if (thread.idle) clearTimeout(thread.idle);
      thread.idle = null;
      const job = this.waiting.shift()!;
      thread.jobs.set(job.number, job);
      job.begin(thread);
    }
  }

  private open(): Thread {
    const thread: Thread = { worker: this.startThread(), jobs: new Map(), idle: null };
    thread.worker.on('message', (message: FromThread) => thread.jobs.get(message.number)?.hear(message));
    // A thread that runs out of memory takes its jobs with it, and nothing else.
    thread.worker.on('error', (error: Error) => this.lose(thread, error));
    thread.worker.on('exit', () => this.lose(thread, new Error('The thread that worked on this was ended.')));
    thread.worker.unref();
    this.threads.push(thread);
    return thread;
  }

  private lose(thread: Thread, error: Error): void {
    this.forget(thread);
    const jobs = [...thread.jobs.values()];
    thread.jobs.clear();
    for (const job of jobs) job.lose(error);
    this.serve();
  }

  private drop(thread: Thread): void {
    this.forget(thread);
    void thread.worker.terminate();
  }

  private forget(thread: Thread): void {
    const at = this.threads.indexOf(thread);
    if (at !== -1) this.threads.splice(at, 1);
  }
}

function post(thread: Thread, message: ToThread): void {
  const input = message.is === 'start' && 'input' in message.job ? message.job.input : null;
  thread.worker.postMessage(message, input ? [input.buffer as ArrayBuffer] : []);
}

/** Runs jobs in threads, each lane by itself. */
export class JobRunner {
  private number = 0;
  private readonly named = new Map<string, RunningJob>();
  private readonly lanes: Record<LaneName, Lane>;

  constructor(startThread: () => Worker) {
    const lane = (name: LaneName) => new Lane(LANES[name], startThread);
    this.lanes = {
      questions: lane('questions'),
      exports: lane('exports'),
      papers: lane('papers'),
      checks: lane('checks'),
    };
  }

  /**
   * @param signal ends the job, as when a client leaves
   * @param id by which others can ask how far it is, and end it
   */
  run(job: Job, signal?: AbortSignal, id?: string | null): RunningJob {
    const running = new RunningJob(this.lanes[LANE_OF[job.is]], (this.number += 1), job, () => {
      if (id) this.named.delete(id);
    });
    if (id) this.named.set(id, running);
    signal?.addEventListener('abort', () => running.cancel(), { once: true });
    return running;
  }

  /** A job under way that was given an id. */
  find(id: string): RunningJob | undefined {
    return this.named.get(id);
  }
}

/** More than the largest show that is allowed needs, in megabytes. */
const MOST_MEMORY_MB = 6144;

const place = placeInProcess<JobRunner>('jobs');

/** The runner of this process. */
export function jobs(): JobRunner {
  return (place.kept ??= new JobRunner(
    () =>
      new Worker(new URL('./job.thread.ts', import.meta.url), {
        workerData: { folder: dataFolder() },
        resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
      }),
  ));
}
