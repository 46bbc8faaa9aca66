import { bringUpOf } from '../bringUp/bringUp';
import { comparePlans, type Moved } from '../devices/foresight';
import { partsList } from '../parts/partsList';
import { amountWords } from '../parts/part';
import type { Plan } from '../plan/planned';
import { same } from '../fields/json';
import { digestOf } from '../show/facts';
import { countOf } from '../units/number';
import { comparedPower, type ComparedPower } from './comparedPower';
import { valueIn } from '../units/there';
import { propAt, plannedAt } from '../plan/records';

/** Differences between two states of a show. */
export interface Compared {
  /** Props that came, went or are otherwise, each in a few words. */
  props: { name: string; words: string }[];
  /** Runs whose channels moved. */
  moved: Moved[];
  /** Values that devices have to be told again. */
  values: { device: string; port: string; what: string; old: string; new: string }[];
  /** Parts of which the plan takes more or fewer. */
  parts: { name: string; before: string; after: string; more: boolean }[];
  /** Supplies, currents, wires, fuses and plugs. */
  power: ComparedPower[];
  /** Props some of whose steps of bringing up are to be done again, and how many. */
  retest: { name: string; steps: number }[];
}

/** Compares two states of one show, or a show with one that was made of it: things are the same by their ids. */
export function comparePlanned(before: Plan, after: Plan): Compared {
  const { moved, values } = comparePlans(before, after);
  const nameOf = new Map(
    [...before.show.controllers, ...after.show.controllers].map(({ id, name }) => [id, name]),
  );
  return {
    props: comparedProps(before, after),
    moved,
    values: values.map(({ controllerId, port, what, old, new: now }) => ({
      device: valueIn(nameOf, controllerId),
      port,
      what,
      old,
      new: now,
    })),
    parts: comparedParts(before, after),
    power: comparedPower(before.show, after.show),
    retest: stepsToRepeat(before, after),
  };
}

export function isSame({ props, moved, values, parts, power, retest }: Compared): boolean {
  return [props, moved, values, parts, power, retest].every((list) => list.length === 0);
}

/** The differences, in lines that can be kept. */
export function changedWords({ props, moved, values, power, retest }: Compared): string[] {
  return [
    ...props.map(({ name, words }) => `${name}: ${words}`),
    ...(moved.length > 0 ? [`${countOf(moved.length, 'run')} moved`] : []),
    ...(values.length > 0 ? [`${countOf(values.length, 'value')} to type again`] : []),
    ...power.map(({ name, what, before, after }) => `${name}, ${what}: ${before} → ${after}`),
    ...retest.map(({ name, steps }) => `${name}: ${countOf(steps, 'step')} of bringing up are new`),
  ];
}

function comparedProps(before: Plan, after: Plan): Compared['props'] {
  const old = new Map(before.show.props.map((prop, index) => [prop.id, index]));
  const props: Compared['props'] = [];
  after.show.props.forEach((prop, index) => {
    const was = old.get(prop.id);
    old.delete(prop.id);
    if (was === undefined) {
      props.push({ name: prop.name, words: `new, ${countOf(plannedAt(after, index).pixelCount, 'pixel')}` });
      return;
    }
    const earlier = propAt(before, was);
    const [from, to] = [plannedAt(before, was), plannedAt(after, index)];
    const words = [
      earlier.name !== prop.name && `was called ${earlier.name}`,
      from.pixelCount !== to.pixelCount && `${from.pixelCount} → ${countOf(to.pixelCount, 'pixel')}`,
      from.runCount !== to.runCount && `${from.runCount} → ${countOf(to.runCount, 'run')}`,
      !same(earlier.shape, prop.shape) && 'other measures',
      !same(earlier.threading, prop.threading) && 'threaded otherwise',
      earlier.pixelTypeId !== prop.pixelTypeId && 'other pixels',
      earlier.placeId !== prop.placeId && 'at another place',
    ].filter((each) => each !== false);
    if (words.length > 0) props.push({ name: prop.name, words: words.join(', ') });
  });
  for (const index of old.values()) {
    const { name } = propAt(before, index);
    props.push({ name, words: `gone, had ${countOf(plannedAt(before, index).pixelCount, 'pixel')}` });
  }
  return props;
}

function comparedParts(before: Plan, after: Plan): Compared['parts'] {
  const old = new Map(partsList(before).lines.map((line) => [line.id, line]));
  const parts: Compared['parts'] = [];
  for (const { id, name, need, unit } of partsList(after).lines) {
    const was = old.get(id)?.need ?? 0;
    old.delete(id);
    if (was !== need)
      parts.push({ name, before: amountWords(was, unit), after: amountWords(need, unit), more: need > was });
  }
  for (const { name, need, unit } of old.values())
    parts.push({ name, before: amountWords(need, unit), after: amountWords(0, unit), more: false });
  return parts;
}

/** Steps that would be open again had they been done before: they hold other values now. */
function stepsToRepeat(before: Plan, after: Plan): Compared['retest'] {
  const old = new Map(before.show.props.map((prop, index) => [prop.id, index]));
  return after.show.props.flatMap((prop, index) => {
    const was = old.get(prop.id);
    if (was === undefined) return [{ name: prop.name, steps: bringUpOf(after, index).length }];
    const key = ({ thing, id, holds }: ReturnType<typeof bringUpOf>[number]) =>
      `${thing.list} ${thing.recordId} ${id} ${digestOf(holds)}`;
    const done = new Set(bringUpOf(before, was).map(key));
    const steps = bringUpOf(after, index).filter((step) => !done.has(key(step))).length;
    return steps > 0 ? [{ name: prop.name, steps }] : [];
  });
}
