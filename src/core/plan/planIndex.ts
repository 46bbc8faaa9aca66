import type { PlannedPort } from '../patch/plug';
import type { LaidShow, Span } from './planned';

interface PlanIndex {
  spansByUniverse: Map<number, Span[]>;
  spansByRun: Map<number, Span[]>;
  spansByController: Map<number, Span[]>;
  portsByController: Map<number, PlannedPort[]>;
}

const indices = new WeakMap<LaidShow, PlanIndex>();

function indexOf(plan: LaidShow): PlanIndex {
  let index = indices.get(plan);
  if (!index) {
    index = {
      spansByUniverse: new Map(),
      spansByRun: new Map(),
      spansByController: new Map(),
      portsByController: new Map(),
    };
    for (const span of plan.spans) {
      append(index.spansByRun, span.run, span);
      append(index.spansByController, span.controller, span);
      if (span.universe !== null) append(index.spansByUniverse, span.universe, span);
    }
    for (const port of plan.ports) append(index.portsByController, port.controller, port);
    indices.set(plan, index);
  }
  return index;
}

function append<Item>(lists: Map<number, Item[]>, key: number, item: Item): void {
  const list = lists.get(key);
  if (list) list.push(item);
  else lists.set(key, [item]);
}

/** The spans of one universe. The index is made once for each plan. */
export function spansInUniverse(plan: LaidShow, universe: number): readonly Span[] {
  return indexOf(plan).spansByUniverse.get(universe) ?? [];
}

/** The spans of one run, in its data order. */
export function spansOfRun(plan: LaidShow, run: number): readonly Span[] {
  return indexOf(plan).spansByRun.get(run) ?? [];
}

/** The spans of one controller, in the order of the layout. */
export function spansOfController(plan: LaidShow, controller: number): readonly Span[] {
  return indexOf(plan).spansByController.get(controller) ?? [];
}

/** The ports of one controller that hold something, by number. */
export function portsOfController(plan: LaidShow, controller: number): readonly PlannedPort[] {
  return indexOf(plan).portsByController.get(controller) ?? [];
}
