import type { Place, PatchEntry, Show, Task } from './schema';
import type { Cut, Feed } from '../catalogue/feed';
import type { Joint } from '../catalogue/joint';
import type { Supply } from '../catalogue/supply';
import type { Controller } from '../catalogue/controller';
import type { ControllerType } from '../catalogue/controllerType';
import type { PixelType } from '../catalogue/pixelType';
import type { Prop } from '../props/registry';

/** The lists of a show and what stands in each. */
export interface RecordOf {
  places: Place;
  pixelTypes: PixelType;
  props: Prop;
  controllers: Controller;
  controllerTypes: ControllerType;
  patch: PatchEntry;
  tasks: Task;
  supplies: Supply;
  feeds: Feed;
  cuts: Cut;
  joints: Joint;
}
export type ListName = keyof RecordOf;

export const LISTS = [
  'places',
  'pixelTypes',
  'props',
  'controllers',
  'controllerTypes',
  'patch',
  'tasks',
  'supplies',
  'feeds',
  'cuts',
  'joints',
] as const satisfies readonly ListName[];

/** The show's own fields outside of its lists: a record of its own. */
export const SHOW_FIELDS = [
  'name',
  'addressing',
  'power',
  'lengths',
  'sender',
  'site',
  'papers',
  'parts',
] as const satisfies readonly (keyof Show)[];
export type ShowField = (typeof SHOW_FIELDS)[number];

/** A patch entry is known by the run that it puts on a port; everything else has an id. */
export function entryId(propId: string, run: number): string {
  return `${propId} ${run}`;
}

/** The key of a record within its list. */
export function recordId<List extends ListName>(list: List, record: RecordOf[List]): string {
  if (list !== 'patch') return (record as { id: string }).id;
  const { propId, run } = record as PatchEntry;
  return entryId(propId, run);
}

const WORDS: Record<ListName, string> = {
  places: 'place',
  pixelTypes: 'pixel type',
  props: 'prop',
  controllers: 'controller',
  controllerTypes: 'kind of controller',
  patch: 'run on a port',
  tasks: 'value to type',
  supplies: 'supply',
  feeds: 'lead',
  cuts: 'cut',
  joints: 'joint',
};

/** The word for a record of a list. */
export function listWord(list: ListName): string {
  return WORDS[list];
}

/** The name of a certain record, as it stands in a sentence. */
export function recordName(show: Show, list: ListName | 'show', id: string): string {
  if (list === 'show') return 'the show';
  if (list === 'patch') {
    const [propId, run] = [id.slice(0, id.lastIndexOf(' ')), id.slice(id.lastIndexOf(' ') + 1)];
    return `${show.props.find((prop) => prop.id === propId)?.name ?? propId} run ${run}`;
  }
  const record = (show[list] as readonly { id: string; name?: string; what?: string }[]).find(
    (each) => each.id === id,
  );
  return record?.name ?? record?.what ?? id;
}
