import type { ViewSide } from '@/core/threading/view';
import { stageOf, type StageId } from '@/core/stages/stages';
import { presentName } from './oldAddresses';

/** The view. Everything in it is in the browser's address, so that a view can be linked. */
export interface View {
  stage: StageId;
  subject: Subject | null;
  side: ViewSide;
  /** Which of the sheets of its stage; null is the first, the picture. */
  sheet: string | null;
  /** The sheet in view; absent while none is. */
  paper?: string | null;
}

export type Subject =
  | { kind: 'prop'; propId: string; run?: number; /** In the run, from 1. */ pixel?: number }
  | { kind: 'port'; port: string; /** On the port's wire, from 1. */ place?: number }
  | { kind: 'controller'; controllerId: string };

/** The path and query of a view. */
export function addressOfView(showId: string, { stage, subject, side, sheet, paper }: View): string {
  const parts = ['', 'shows', showId, stage];
  if (subject?.kind === 'prop') {
    parts.push('prop', subject.propId);
    if (subject.run !== undefined) parts.push('run', String(subject.run));
    if (subject.run !== undefined && subject.pixel !== undefined) parts.push('pixel', String(subject.pixel));
  } else if (subject?.kind === 'port') {
    parts.push('port', subject.port);
    if (subject.place !== undefined) parts.push('pixel', String(subject.place));
  } else if (subject?.kind === 'controller') parts.push('controller', subject.controllerId);
  const query = new URLSearchParams();
  if (side === 'back') query.set('from', 'back');
  if (sheet !== null) query.set('sheet', sheet);
  if (paper) query.set('paper', paper);
  return parts.join('/') + (query.size > 0 ? `?${query}` : '');
}

/** Reads the address of a view; what it does not know is left out, so that every address shows something. */
export function viewOfAddress(pathname: string, search: string): View {
  const query = new URLSearchParams(search);
  const sheet = query.get('sheet');
  const paper = query.get('paper');
  const [, , , stage, kind, name, ...rest] = pathname.split('/').map(decodeURIComponent);
  return {
    stage: stageOf(stage).id,
    subject: name === undefined ? null : subjectOf(kind, name, rest),
    side: query.get('from') === 'back' ? 'back' : 'front',
    sheet: sheet !== null && /^[a-z-]{1,30}$/.test(sheet) ? presentName(sheet) : null,
    ...(paper !== null && /^[a-z0-9.-]{1,200}$/.test(paper) && { paper }),
  };
}

function subjectOf(kind: string | undefined, name: string, rest: string[]): Subject | null {
  const number = (word: string) => {
    const at = rest.indexOf(word);
    const value = at === -1 ? NaN : Number(rest[at + 1]);
    return Number.isSafeInteger(value) && value > 0 ? value : undefined;
  };
  if (kind === 'controller') return { kind, controllerId: name };
  if (kind === 'port') {
    const place = number('pixel');
    return { kind, port: name.toUpperCase(), ...(place === undefined ? {} : { place }) };
  }
  if (kind !== 'prop') return null;
  const run = number('run');
  const pixel = run === undefined ? undefined : number('pixel');
  return {
    kind,
    propId: name,
    ...(run === undefined ? {} : { run }),
    ...(pixel === undefined ? {} : { pixel }),
  };
}
