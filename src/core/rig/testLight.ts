import { painted, patternById } from '../patterns/registry';
import type { Colour } from '../patterns/pattern';
import { stretchesOf } from '../patterns/selection';
import type { Plan } from '../plan/planned';
import { controllersTouchedBy, faultsOf, sentenceOf, withFaults, type Fault } from './faults/registry';
import { lightOfOwnTest, lightOfSent, plannedRig, type Rig } from './rig';

/** A test on a prop, at a moment. */
export interface TestAsked {
  /** Index in the show. */
  prop: number;
  pattern: string;
  /** What its devices show by themselves, in the place of what is sent. */
  isOwnTest: boolean;
  level: number;
  colour: Colour;
  timeS: number;
  step: number | null;
  frame: number;
  faults: readonly Fault[];
}

/** Of each pixel of a prop in its data order: red, green, blue, white. */
export interface TestLight {
  seen: Uint8Array;
  planned: Uint8Array;
}

/** The display with its faults is put together once, and asked for picture after picture. */
const known = new WeakMap<Plan, { planned: Rig; faults: string; rig: Rig }>();

function rigOf(plan: Plan, faults: readonly Fault[]): { planned: Rig; rig: Rig } {
  const key = JSON.stringify(faults);
  let found = known.get(plan);
  if (found?.faults !== key) {
    const planned = found?.planned ?? plannedRig(plan);
    known.set(plan, (found = { planned, faults: key, rig: withFaults(planned, faults) }));
  }
  return found;
}

/** The controllers that drive a prop. */
function controllersOfProp({ props, runs }: Plan, prop: number): Set<number> {
  const { firstRun, runCount } = props[prop]!;
  return new Set(
    runs.slice(firstRun, firstRun + runCount).flatMap(({ wire }) => (wire ? [wire.controller] : [])),
  );
}

/** What is seen of a test on a prop, and what is to be seen. */
export function testLight(plan: Plan, asked: TestAsked): TestLight {
  const { rig, planned } = rigOf(plan, asked.faults);
  const only = controllersOfProp(plan, asked.prop);
  const { id } = plan.show.props[asked.prop]!;
  const pattern = patternById(asked.pattern)!;
  const wanted = painted(pattern, {
    plan,
    stretches: stretchesOf(plan, { on: 'prop', propId: id }),
    timeS: asked.timeS,
    step: asked.step,
    level: asked.level,
    colour: asked.colour,
  });
  const { firstPixel, pixelCount } = plan.props[asked.prop]!;
  const own = (light: Uint8Array) => light.slice(4 * firstPixel, 4 * (firstPixel + pixelCount));
  if (!asked.isOwnTest)
    return {
      seen: own(lightOfSent(rig, wanted, asked.frame, only)),
      planned: own(lightOfSent(planned, wanted, asked.frame, only)),
    };
  const colour = asked.colour.map((byte) => Math.round(byte * asked.level)) as unknown as Colour;
  const both = (of: Rig) => {
    const light = new Uint8Array(4 * plan.pixelCount);
    for (const controller of only)
      lightOfOwnTest(of, controller, { colour }, asked.frame).forEach((byte, i) => {
        if (byte > 0) light[i] = byte;
      });
    return own(light);
  };
  return { seen: both(rig), planned: both(planned) };
}

/** Everything that may be the matter with what drives a prop, each in a sentence. */
export function faultsOfProp(plan: Plan, prop: number): { fault: Fault; sentence: string }[] {
  const own = controllersOfProp(plan, prop);
  const { id } = plan.show.props[prop]!;
  const { firstRun, runCount } = plan.props[prop]!;
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
