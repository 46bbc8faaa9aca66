/** The stages of the work, which addresses, findings, places of numbers and the standing of a show name by their ids. */

/** A thing that a stage can show. */
export type SubjectKind = 'prop' | 'pixel' | 'port' | 'controller';

/** A stage of the work. Its parts are a folder of the interface. */
export interface Stage<Id extends string = StageId> {
  /** In addresses and in findings. */
  id: Id;
  label: string;
  /** The work that is done there, in a line. */
  purpose: string;
  /** Things that it can show. Any other is looked at on another stage. */
  subjects: readonly SubjectKind[];
  /** It looks at the whole show, whatever is chosen: its sheets and its findings stay when another thing is chosen. */
  wholeShow?: boolean;
}

const LIST = [
  { id: 'build', label: 'Build', purpose: 'Measure props', subjects: ['prop', 'pixel'] },
  {
    id: 'route',
    label: 'Route',
    purpose: 'The data’s path through each prop',
    subjects: ['prop', 'pixel'],
  },
  {
    id: 'patch',
    label: 'Patch',
    purpose: 'Ports, universes, channels',
    subjects: ['prop', 'port', 'controller'],
    wholeShow: true,
  },
  { id: 'power', label: 'Power', purpose: 'Supplies, injection, fuses', subjects: ['prop', 'pixel'] },
  { id: 'test', label: 'Test', purpose: 'Send tests, find faults', subjects: ['prop', 'pixel'] },
  {
    id: 'print',
    label: 'Print',
    purpose: 'Sheets, labels, shopping list',
    subjects: ['prop', 'pixel', 'port', 'controller'],
  },
  {
    id: 'log',
    label: 'Log',
    purpose: 'Notes, photos, versions',
    subjects: ['prop', 'pixel', 'port', 'controller'],
  },
] as const satisfies readonly Stage<string>[];

export type StageId = (typeof LIST)[number]['id'];

/** The stages in the order of the work. Tabs, keys, help, the search, addresses and findings go by this list. */
export const STAGES: readonly Stage[] = LIST;

/** The stage with an id; the first one where there is none. */
export function stageOf(id: string | undefined): Stage {
  return STAGES.find((stage) => stage.id === id) ?? LIST[0];
}

/** The stage on which a thing is looked at: the one one is on, if that can show it, else the nearest before it, else the first that can. */
export function stageShowing(subject: SubjectKind, current: string): Stage {
  const shows = (stage: Stage) => stage.subjects.includes(subject);
  const at = STAGES.findIndex((stage) => stage.id === current);
  return STAGES.slice(0, at + 1).findLast(shows) ?? STAGES.find(shows) ?? LIST[0];
}

/** The key that leads to a stage: its place in the order. */
export function keyOf(stage: Stage): string {
  return String(STAGES.indexOf(stage) + 1);
}
