import type { Plan, Span } from './planned';

interface SpanIndex {
  byUniverse: Map<number, Span[]>;
  byRun: Map<number, Span[]>;
  byController: Map<number, Span[]>;
}

const spanIndices = new WeakMap<Plan, SpanIndex>();

function spanIndex(plan: Plan): SpanIndex {
  let index = spanIndices.get(plan);
  if (!index) {
    index = { byUniverse: new Map(), byRun: new Map(), byController: new Map() };
    for (const span of plan.spans) {
      append(index.byRun, span.run, span);
      append(index.byController, span.controller, span);
      if (span.universe !== null) append(index.byUniverse, span.universe, span);
    }
    spanIndices.set(plan, index);
  }
  return index;
}

function append<Key>(lists: Map<Key, Span[]>, key: Key, span: Span): void {
  const list = lists.get(key);
  if (list) list.push(span);
  else lists.set(key, [span]);
}

/** The spans of one universe. The index is made once for each plan. */
export function spansInUniverse(plan: Plan, universe: number): readonly Span[] {
  return spanIndex(plan).byUniverse.get(universe) ?? [];
}

/** The spans of one run, in its data order. */
export function spansOfRun(plan: Plan, run: number): readonly Span[] {
  return spanIndex(plan).byRun.get(run) ?? [];
}

/** The spans of one controller, in the order of the layout. */
export function spansOfController(plan: Plan, controller: number): readonly Span[] {
  return spanIndex(plan).byController.get(controller) ?? [];
}
