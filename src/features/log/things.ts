import { portName } from '@/core/catalogue/controller';
import type { About } from '@/core/log/about';
import type { Plan } from '@/core/plan/planned';
import type { ListName } from '@/core/show/records';
import type { Selection } from '../view/selection';
import { itemAt } from '@/core/units/there';

export const THE_SHOW = (showId: string): About => ({ list: 'show', recordId: showId, part: null });

export function thingOfSelection({ show }: Plan, { prop, controller }: Selection): About | null {
  if (controller !== undefined)
    return { list: 'controllers', recordId: itemAt(show.controllers, controller).id, part: null };
  if (prop === undefined) return null;
  return { list: 'props', recordId: itemAt(show.props, prop).id, part: null };
}

/** A thing as the value of a field; ids have no spaces. */
export function thingKey({ list, recordId, part }: About): string {
  return `${list} ${recordId}${part === null ? '' : ` ${part}`}`;
}

/** The thing of a value; null for what is none. */
export function thingOfKey(key: string | null): About | null {
  const [list, recordId, part = null] = (key ?? '').split(' ');
  return list && recordId ? { list: list as About['list'], recordId, part } : null;
}

/** Everything that a note can be about, in groups for a list. */
export function thingsOf({
  show,
  ports,
  runs,
}: Plan): { group: string; items: { value: string; label: string }[] }[] {
  const items = (list: ListName, records: readonly { id: string; name: string }[]) =>
    records.map(({ id, name }) => ({ value: `${list} ${id}`, label: name }));
  const ofProps = show.props.flatMap(({ id, name }, prop) => {
    const own = runs.filter((run) => run.prop === prop);
    return [
      { value: `props ${id}`, label: name },
      // A prop of one run is that run.
      ...(own.length < 2
        ? []
        : own.map(({ number }) => ({
            value: `props ${id} run.${number}`,
            label: `${name}, run ${number}`,
          }))),
    ];
  });
  const ofDevices = show.controllers.flatMap((controller, index) => [
    { value: `controllers ${controller.id}`, label: controller.name },
    ...ports
      .filter((each) => each.controller === index)
      .map(({ port }) => ({
        value: `controllers ${controller.id} port.${port}`,
        label: `${controller.name}, ${portName(controller, port)}`,
      })),
  ]);
  return [
    { group: 'Props', items: ofProps },
    { group: 'Devices', items: ofDevices },
    { group: 'Pixel types', items: items('pixelTypes', show.pixelTypes) },
    { group: 'Supplies', items: items('supplies', show.supplies) },
    { group: 'Leads', items: items('feeds', show.feeds) },
    { group: 'Joints', items: items('joints', show.joints) },
  ].filter((group) => group.items.length > 0);
}
