import { z } from 'zod';
import { ShowError } from '../fields/problem';
import { PATTERN_IDS, painted, patternById } from '../patterns/registry';
import { stretchesOf, testSelectionSchema } from '../patterns/selection';
import { planShow } from '../plan/plan';
import { deviceSetupSchema } from '../rig/deviceSetup';
import { readFault, sentenceOf } from '../rig/faults/registry';
import { afterPowerCut, lightOfMoving, lightOfOwnTest } from '../rig/rig';
import { rigOf } from '../rig/rigFacts';
import { readOlderFile } from '../plan/keptAddresses';
import { parseJson } from '../fields/parseJson';
import { propAt } from '../plan/records';

const byte = z.int().min(0).max(255);

const askedSchema = z.strictObject({
  show: z.unknown(),
  faults: z.array(z.unknown()).max(100).optional(),
  /** Settings of devices that are other than planned. */
  devices: z.array(deviceSetupSchema).max(1000).optional(),
  /** After its power was cut and came back. */
  isAfterCut: z.boolean().optional(),
  /** The id of a pattern; or the colour of a device’s own test. */
  pattern: z.enum(PATTERN_IDS).optional(),
  ownTest: z.strictObject({ controllerId: z.string(), colour: z.tuple([byte, byte, byte, byte]) }).optional(),
  on: testSelectionSchema.optional(),
  level: z.number().min(0).max(1).optional(),
  colour: z.tuple([byte, byte, byte, byte]).optional(),
  /** Seconds since the pattern began. */
  timeS: z.number().min(0).max(1_000_000).optional(),
  step: z.int().min(0).max(10_000_000).optional(),
  frame: z.int().min(0).optional(),
});

/**
 * The light of a display under a test, with its faults; no packet is sent.
 *
 * @param text `{"show": a show file, "faults": [...], "pattern": "red"}`, or `"ownTest": {"controllerId", "colour"}` in place of a pattern
 * @throws ShowError with a sentence for each thing that is wrong
 */
export function rigAnswer(text: string) {
  const asked = askedSchema.safeParse(parseJson(text, 'This is not JSON'));
  if (!asked.success) {
    const [issue] = asked.error.issues;
    throw new ShowError(
      `Send {"show": a show file, "faults": [], "pattern": one of ${PATTERN_IDS.join(', ')}}; “${issue!.path.join('.')}” is not right (${issue!.message}).`,
    );
  }
  const { pattern: id, ownTest, on, level, colour, timeS, step, frame } = asked.data;
  if ((id === undefined) === (ownTest === undefined))
    throw new ShowError('A test is a pattern that is sent, or a device’s own test: say one of both.');
  const plan = planShow(readOlderFile(asked.data.show).show);
  const faults = (asked.data.faults ?? []).map(readFault);
  const asIs = rigOf(plan, { faults, devices: asked.data.devices ?? [] });
  const rig = asked.data.isAfterCut ? afterPowerCut(asIs) : asIs;
  let light: Uint8Array;
  if (ownTest) {
    const controller = plan.show.controllers.findIndex((each) => each.id === ownTest.controllerId);
    if (controller === -1) throw new ShowError(`There is no controller “${ownTest.controllerId}”.`);
    light = lightOfOwnTest(rig, controller, ownTest, frame);
  } else {
    const stretches = stretchesOf(plan, on ?? { on: 'show' });
    const wantedAt = (time: number) =>
      painted(patternById(id!)!, {
        plan,
        stretches,
        timeS: time,
        step: step ?? null,
        level: level ?? 1,
        colour: colour ?? [255, 255, 255, 0],
      });
    light = lightOfMoving(rig, wantedAt, timeS ?? 0, frame);
  }
  return {
    faults: faults.map((fault) => ({ ...fault, sentence: sentenceOf(plan, fault) })),
    /** The light of each run, pixel after pixel in its data order: red, green, blue and white, 0 to 255. */
    runs: plan.runs.map(({ prop, number, firstPixel, pixelCount }) => ({
      propId: propAt(plan, prop).id,
      run: number,
      light: [...light.subarray(4 * firstPixel, 4 * (firstPixel + pixelCount))],
    })),
  };
}
