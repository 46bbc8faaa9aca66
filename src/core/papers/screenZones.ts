import { z } from 'zod';
import { ShowError } from '../fields/problem';
import { screenShapeSchema } from '../screens/shape';
import { USUAL_ZONES, zoneWishSchema } from '../screens/zoneWish';
import { zonesOf, type Zone } from '../screens/zones';
import { zodProblems } from '../show/read';

const askedSchema = z.strictObject({
  shape: screenShapeSchema,
  /** How deep, how far over one another; what the shape says, else the usual, where that is left out. */
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
  const { shape, zones } = asked.data;
  return { zones: zonesOf(shape, { ...USUAL_ZONES, ...shape.zones, ...zones } as typeof USUAL_ZONES) };
}
