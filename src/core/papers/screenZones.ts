import { z } from 'zod';
import { ShowError } from '../fields/problem';
import { screenShapeSchema } from '../screens/frame';
import { USUAL_ZONES, zonesOf, zoneWishSchema, type Zone } from '../screens/zones';
import { zodProblems } from '../show/read';

const askedSchema = z.strictObject({
  shape: screenShapeSchema,
  /** How deep, how far over one another; the usual where that is left out. */
  zones: zoneWishSchema.partial().optional(),
});

/**
 * What each light of a screen shows.
 *
 * @param value `{"shape": the shape of a prop of the kind screen, "zones": {"overlap": 0.1}}`
 * @throws ShowError with a sentence for each thing that is wrong
 */
export function screenZonesAnswer(value: unknown): { zones: Zone[] } {
  const asked = askedSchema.safeParse(value);
  if (!asked.success) {
    const problems = zodProblems(asked.error, value);
    throw new ShowError(problems);
  }
  return { zones: zonesOf(asked.data.shape, { ...USUAL_ZONES, ...asked.data.zones } as typeof USUAL_ZONES) };
}
