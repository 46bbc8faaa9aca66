import { painted, patternById } from '../patterns/registry';
import type { Colour } from '../patterns/pattern';
import { stretchesOf, type TestSelection } from '../patterns/selection';
import { controllersOfProp } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { controllersTouchedBy, faultsOf, sentenceOf, type Fault } from './faults/registry';
import { afterPowerCut, lightOfMoving, lightOfOwnTest, plannedRig, type Rig } from './rig';
import { rigOf, type RigSetup } from './rigFacts';
import { propAt, plannedAt } from '../plan/records';
import { mapTuple } from '../units/tuple';

/** A test, at a moment. */
export interface TestAsked {
  /** Index of the prop in the show; null for the whole show. */
  prop: number | null;
  /** Pixels of the pattern. */
  on: TestSelection;
  pattern: string;
  /** The devices' own test in the place of what is sent. */
  isOwnTest: boolean;
  /** The power was cut and came back. */
  isAfterCut: boolean;
  level: number;
  colour: Colour;
  timeS: number;
  step: number | null;
  frame: number;
  setup: RigSetup;
}

/** Red, green, blue and white of each pixel in data order, of the prop or of the show. */
interface TestLight {
  seen: Uint8Array;
  planned: Uint8Array;
}

/** The display as it is is put together once, and asked for picture after picture. */
const known = new WeakMap<Plan, { planned: Rig; setup: string; rig: Rig; cut: Rig }>();

function rigsOf(plan: Plan, setup: RigSetup): { planned: Rig; rig: Rig; cut: Rig } {
  const key = JSON.stringify(setup);
  let found = known.get(plan);
  if (found?.setup !== key) {
    const planned = found?.planned ?? plannedRig(plan);
    const rig = rigOf(plan, setup);
    known.set(plan, (found = { planned, setup: key, rig, cut: afterPowerCut(rig) }));
  }
  return found;
}

/** The picture of a test as it is and as planned. */
export function testLight(plan: Plan, asked: TestAsked): TestLight {
  const { planned, ...rigs } = rigsOf(plan, asked.setup);
  const rig = asked.isAfterCut ? rigs.cut : rigs.rig;
  const only = asked.prop === null ? undefined : controllersOfProp(plan, asked.prop);
  const { firstPixel, pixelCount } =
    asked.prop === null ? { firstPixel: 0, pixelCount: plan.pixelCount } : plannedAt(plan, asked.prop);
  const own = (light: Uint8Array) => light.slice(4 * firstPixel, 4 * (firstPixel + pixelCount));
  if (asked.isOwnTest) {
    const colour = mapTuple(asked.colour, (byte) => Math.round(byte * asked.level));
    const all = only ?? new Set(plan.show.controllers.keys());
    const both = (of: Rig) => {
      const light = new Uint8Array(4 * plan.pixelCount);
      for (const controller of all)
        lightOfOwnTest(of, controller, { colour }, asked.frame).forEach((byte, i) => {
          if (byte > 0) light[i] = byte;
        });
      return own(light);
    };
    return { seen: both(rig), planned: both(planned) };
  }
  const pattern = patternById(asked.pattern)!;
  const stretches = stretchesOf(plan, asked.on);
  const { step, level, colour } = asked;
  const wantedAt = (timeS: number) => painted(pattern, { plan, stretches, timeS, step, level, colour });
  const both = (of: Rig) => own(lightOfMoving(of, wantedAt, asked.timeS, asked.frame, only));
  return { seen: both(rig), planned: both(planned) };
}

/** Everything that may be the matter with what drives a prop, each in a sentence. */
export function faultsOfProp(plan: Plan, prop: number): { fault: Fault; sentence: string }[] {
  const own = controllersOfProp(plan, prop);
  const { id } = propAt(plan, prop);
  const { firstRun, runCount } = plannedAt(plan, prop);
  const ports = new Set(
    plan.runs.slice(firstRun, firstRun + runCount).flatMap(({ wire }) => (wire ? [wire.port] : [])),
  );
  return faultsOf(plan)
    .filter(
      (fault) =>
        controllersTouchedBy(plan, fault).some((controller) => own.has(controller)) &&
        (!('propId' in fault) || fault.propId === id) &&
        (!('port' in fault) || ports.has(fault.port) || ('other' in fault && ports.has(fault.other))),
    )
    .map((fault) => ({ fault, sentence: sentenceOf(plan, fault) }));
}
