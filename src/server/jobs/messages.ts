import { ShowError, type Problem } from '@/core/fields/problem';
import { NoSuchChange, NoSuchSheet, NoSuchShow } from '../showErrors';
import type { Job } from './jobs';

/** To the thread. `more` lets it make one more piece. */
export type ToThread =
  | { is: 'start'; number: number; job: Job }
  | { is: 'more'; number: number }
  | { is: 'cancel'; number: number };

/** From the thread. */
export type FromThread =
  | { is: 'progress'; number: number; part: number }
  | { is: 'piece'; number: number; bytes: Uint8Array }
  | { is: 'done'; number: number }
  | { is: 'failed'; number: number; error: SentError };

/** An error on its way between threads, where its class would be lost. */
interface SentError {
  name: string;
  message: string;
  problems?: readonly Problem[];
}

export function sendError(error: unknown): SentError {
  const { name, message } = error as Error;
  return { name, message, ...(error instanceof ShowError && { problems: error.problems }) };
}

/** The error as whoever asked for the job would have thrown it. */
export function receiveError({ name, message, problems }: SentError): Error {
  if (problems) return new ShowError(problems);
  const error = new Error(message);
  const classes: Record<string, { prototype: object }> = { NoSuchShow, NoSuchSheet, NoSuchChange };
  if (classes[name]) Object.setPrototypeOf(error, classes[name].prototype);
  error.name = name;
  return error;
}
