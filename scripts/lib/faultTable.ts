// Which patterns show which faults, worked out on the demo show.
import { painted, PATTERNS } from '../../src/core/patterns/registry';
import { stretchesOf } from '../../src/core/patterns/selection';
import { planShow } from '../../src/core/plan/plan';
import type { Plan } from '../../src/core/plan/planned';
import { controllersTouchedBy, FAULT_KINDS, faultsOf, withFaults } from '../../src/core/rig/faults/registry';
import {
  afterPowerCut,
  lightOfMoving,
  lightOfOwnTest,
  lightOfSent,
  plannedRig,
} from '../../src/core/rig/rig';
import type { Show } from '../../src/core/show/schema';

/** More places of one kind say nothing new. */
const MOST_PLACES = 12;
/** Moving patterns are looked at more than once. */
const TIMES_S = [0.3, 1.3, 2.6];

/** A table in Markdown: a row for each fault, a column for each pattern, the device’s own fill, and what a power cut changes. */
export function faultTable(show: Show): string {
  // Small panels show the same as large ones, and sooner.
  const plan = planShow({
    ...show,
    props: show.props.map((prop) =>
      prop.kind === 'wall'
        ? { ...prop, shape: { ...prop.shape, panel: { ...prop.shape.panel, columns: 16, rows: 8 } } }
        : prop,
    ),
  });
  const rows = FAULT_KINDS.map(({ kind, name, layer }) => {
    const places = spread(faultsOf(plan, kind));
    const shown = new Set<string>();
    for (const fault of places) {
      const [planned, rig] = [plannedRig(plan), withFaults(plannedRig(plan), [fault])];
      const only = new Set(controllersTouchedBy(plan, fault));
      const looks = (of: typeof rig, wanted: Picture) => [
        lightOfSent(of, wanted.light, 1, only),
        ...(wanted.at ? [lightOfMoving(of, wanted.at, wanted.timeS, 1, only)] : []),
      ];
      for (const wanted of pictures(plan)) {
        const [right, seen] = [looks(planned, wanted), looks(rig, wanted)];
        if (!shown.has(wanted.id) && seen.some((light, i) => isOther(light, right[i]!))) shown.add(wanted.id);
        if (isOther(lightOfSent(afterPowerCut(rig), wanted.light, 1, only), seen[0]!)) shown.add('cut');
      }
      for (const controller of only)
        for (const colour of [
          [255, 0, 0, 0],
          [0, 255, 0, 0],
          [0, 0, 255, 0],
        ] as const)
          if (
            isOther(
              lightOfOwnTest(rig, controller, { colour }, 1),
              lightOfOwnTest(planned, controller, { colour }, 1),
            )
          )
            shown.add('own');
    }
    const cells = [...PATTERNS.map(({ id }) => id), 'own', 'cut'].map((id) => (shown.has(id) ? '•' : ''));
    return `| ${name} | ${layer} | ${cells.join(' | ')} |`;
  });
  const heads = ['Fault', 'Layer', ...PATTERNS.map(({ name }) => name), 'Its own fill', 'A power cut'];
  return [`| ${heads.join(' | ')} |`, `|${heads.map(() => '---').join('|')}|`, ...rows].join('\n');
}

/** A pattern at a moment; one that moves also as it is at other moments. */
interface Picture {
  id: string;
  timeS: number;
  light: Uint8Array;
  at: ((timeS: number) => Uint8Array) | null;
}

const kept = new WeakMap<Plan, Picture[]>();

function pictures(plan: Plan): Picture[] {
  let made = kept.get(plan);
  if (!made) {
    const stretches = stretchesOf(plan, { on: 'show' });
    made = PATTERNS.flatMap((pattern) =>
      (pattern.isMoving ? TIMES_S : [0]).map((timeS) => {
        const at = (time: number, step: number | null) =>
          painted(pattern, { plan, stretches, timeS: time, step, level: 1, colour: [255, 160, 60, 0] });
        return {
          id: pattern.id,
          timeS,
          light: at(timeS, pattern.isStepped ? Math.round(timeS * 200) : null),
          at: pattern.isMoving ? (time: number) => at(time, null) : null,
        };
      }),
    );
    kept.set(plan, made);
  }
  return made;
}

function spread<Item>(items: readonly Item[]): Item[] {
  const step = Math.max(1, Math.ceil(items.length / MOST_PLACES));
  return items.filter((_, i) => i % step === 0);
}

const isOther = (one: Uint8Array, other: Uint8Array) => !Buffer.from(one).equals(other);
