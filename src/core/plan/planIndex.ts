import type { PlannedPort } from '../patch/plug';
import type { LaidShow, Span } from './planned';
import { itemAt } from '../units/there';

/** Finds the spans or ports of one thing in a plan. Each list is made when it is first asked for, once for each plan. */
function indexed<Item>(
  itemsOf: (plan: LaidShow) => readonly Item[],
  keyOf: (item: Item) => number | null,
): (plan: LaidShow, key: number) => readonly Item[] {
  const indices = new WeakMap<LaidShow, Map<number, Item[]>>();
  return (plan, key) => {
    let index = indices.get(plan);
    if (!index) {
      indices.set(plan, (index = new Map()));
      for (const item of itemsOf(plan)) {
        const at = keyOf(item);
        if (at === null) continue;
        const list = index.get(at);
        if (list) list.push(item);
        else index.set(at, [item]);
      }
    }
    return index.get(key) ?? [];
  };
}

/** The spans of one universe. */
export const spansInUniverse = indexed<Span>(
  (plan) => plan.spans,
  (span) => span.universe,
);

/** The spans of one run, in its data order. */
export const spansOfRun = indexed<Span>(
  (plan) => plan.spans,
  (span) => span.run,
);

/** The spans of one controller, in the order of the layout. */
export const spansOfController = indexed<Span>(
  (plan) => plan.spans,
  (span) => span.controller,
);

/** The ports of one controller that hold something, by number. */
export const portsOfController = indexed<PlannedPort>(
  (plan) => plan.ports,
  (port) => port.controller,
);

/** Indices of the controllers that drive a prop, in the order of its runs. @param prop its index in the show */
export function controllersOfProp({ props, runs }: LaidShow, prop: number): ReadonlySet<number> {
  const { firstRun, runCount } = itemAt(props, prop);
  return new Set(
    runs.slice(firstRun, firstRun + runCount).flatMap(({ wire }) => (wire ? [wire.controller] : [])),
  );
}
