import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { plannedAt, controllerAt } from '@/core/plan/records';

const NO_PORT = 'no port';
const SOME_MISSING = ' +?';

/** Whether some of its runs are on no port. */
export function isMissing(ports: string): boolean {
  return ports === NO_PORT || ports.endsWith(SOME_MISSING);
}

/** Ports of a prop: `A3`, `A3–A5` where all between hold it, `A1, B1`, `A1 +4`; with a mark where some runs are on no port. */
export function portsOf(plan: Plan, prop: number): string {
  const { firstRun, runCount } = plannedAt(plan, prop);
  const runs = plan.runs.slice(firstRun, firstRun + runCount);
  const wires = runs.flatMap(({ wire }) => wire ?? []);
  const places = new Map(wires.map((wire) => [`${wire.controller} ${wire.port}`, wire]));
  const [first, ...others] = places.values();
  if (!first) return NO_PORT;
  const nameOf = ({ controller, port }: typeof first) => portName(controllerAt(plan, controller), port);
  const last = others.at(-1);
  const isRange = others.every(
    (wire, i) => wire.controller === first.controller && wire.port === first.port + i + 1,
  );
  const words = !last
    ? nameOf(first)
    : isRange
      ? `${nameOf(first)}–${nameOf(last)}`
      : others.length === 1
        ? `${nameOf(first)}, ${nameOf(last)}`
        : `${nameOf(first)} +${others.length}`;
  return wires.length < runs.length ? words + SOME_MISSING : words;
}
