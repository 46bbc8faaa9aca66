import { z } from 'zod';
import { ShowError } from '../fields/problem';
import { screenShapeSchema } from '../screens/shape';
import { USUAL_ZONES, zoneWishSchema } from '../screens/zoneWish';
import { zonesOf, type Zone } from '../screens/zones';
import { zodProblems } from '../fields/zodProblems';

const askedSchema = z.strictObject({
  shape: screenShapeSchema,
  /** Depth and overlap of the zones; what the shape says, else the usual, where that is left out. */
  zones: zoneWishSchema.partial().optional(),
});

const edge = z.number().min(0).max(1);

/** The zones of a screen as they go into a file: fractions of the picture from its top left, indices on the wire from 0. */
const zonesFileSchema = z.strictObject({
  zones: z.array(
    z.strictObject({
      index: z.int().min(0).describe('on the wire, from 0; dark ones are counted and have no zone'),
      x0: edge.describe('left edge, as a share of the width'),
      y0: edge.describe('top edge, as a share of the height'),
      x1: edge.describe('right edge'),
      y1: edge.describe('bottom edge'),
    }),
  ),
});

/** JSON Schema (draft 2020-12) of it, for other programs. */
export function zonesSchema(): object {
  return { title: 'Zones of a screen', ...z.toJSONSchema(zonesFileSchema) };
}

/**
 * The part of the picture that each light of a screen shows.
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
  return { zones: zonesOf(shape, { ...USUAL_ZONES, ...shape.zones, ...zones }) };
}
