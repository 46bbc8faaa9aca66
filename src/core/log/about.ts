import { portName } from '../catalogue/controller';
import type { Fact } from '../show/facts';
import type { ListName } from '../show/records';
import type { Show } from '../show/schema';

/** Subject of a note: a record of the show, or a port or run of one. It goes by ids, so that it survives renames. */
export interface About {
  list: ListName | 'show';
  recordId: string;
  /** `port.3` or `run.2`; null for all of it. */
  part: string | null;
}

const BY_HAND = /^log(?:@((?:port|run)\.\d{1,3}))?\./;

/** The field of a note that is written by hand. @param id of its own, so that each note stands */
export function noteField(part: string | null, id: string): string {
  return `log${part === null ? '' : `@${part}`}.${id}`;
}

/** Whether somebody wrote it into the log, which is where it is taken back. */
export function isByHand({ field }: Pick<Fact, 'field'>): boolean {
  return BY_HAND.test(field);
}

/** The port or run that a note is about; null for all of its thing. */
export function partOf({ field }: Pick<Fact, 'field'>): string | null {
  return BY_HAND.exec(field)?.[1] ?? null;
}

/** `P3` or `run 2`, as it is called today. */
export function partWords(show: Show, { list, recordId, part }: About): string {
  const [kind, number] = (part ?? '').split('.');
  const controller = list === 'controllers' && show.controllers.find(({ id }) => id === recordId);
  return kind === 'port' && controller ? portName(controller, Number(number)) : `${kind} ${number}`;
}
