import { KIND_WORDS, type LogEntry } from './entry';

export const LOG_HEADS = ['when', 'kind', 'about', 'gone', 'what', 'value', 'by', 'field'] as const;

/** A line of the log as it goes into a file. */
export function logRow({ fact, kind, thing, isGone, what, value }: LogEntry): string[] {
  return [
    fact.at,
    KIND_WORDS[kind],
    thing,
    isGone ? 'yes' : '',
    what,
    value ?? '',
    fact.by ?? '',
    fact.field,
  ];
}
