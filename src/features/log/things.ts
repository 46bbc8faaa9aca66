import type { Plan } from '@/core/plan/planned';
import type { ListName } from '@/core/show/records';
import type { Selection } from '../view/selection';

/** What something can be noted about. */
export interface Thing {
  list: ListName | 'show';
  recordId: string;
  name: string;
}

export function thingOfSelection({ show }: Plan, { prop, controller }: Selection): Thing | null {
  if (controller !== undefined) {
    const { id, name } = show.controllers[controller]!;
    return { list: 'controllers', recordId: id, name };
  }
  if (prop === undefined) return null;
  const { id, name } = show.props[prop]!;
  return { list: 'props', recordId: id, name };
}

/** Everything that a note can be about, in groups for a list. */
export function thingsOf({ show }: Plan): { group: string; items: { value: string; label: string }[] }[] {
  const items = (list: ListName, records: readonly { id: string; name: string }[]) =>
    records.map(({ id, name }) => ({ value: `${list} ${id}`, label: name }));
  return [
    { group: 'Props', items: items('props', show.props) },
    { group: 'Devices', items: items('controllers', show.controllers) },
    { group: 'Supplies', items: items('supplies', show.supplies) },
    { group: 'Leads', items: items('feeds', show.feeds) },
    { group: 'Joints', items: items('joints', show.joints) },
  ].filter((group) => group.items.length > 0);
}
