import { boardNumber, type CraftShape } from '../../props/craft';
import type { Table } from '../../pages/table';

type CraftPixel = CraftShape['pixels'][number];

/** Id of the column of a role, by its place in the list. */
export const roleColumn = (index: number) => `role-${index + 1}`;

/** Purpose of each light of a craft. */
export function rolesTable(propName: string, { pixels, roles, countsFrom }: CraftShape): Table<CraftPixel> {
  return {
    name: `Roles of ${propName}`,
    rows: pixels,
    keyOf: (_, index) => index,
    columns: [
      {
        id: 'pixel',
        head: 'Pixel',
        meaning: `in the order of the wire, from ${countsFrom ?? 1} as its board counts`,
        as: 'figure',
        of: (_, index) => boardNumber({ countsFrom }, index),
      },
      {
        id: 'faces',
        head: 'Faces',
        meaning: 'in the words of the craft',
        of: (pixel) => pixel.facing,
      },
      ...roles.map((role, index) => ({
        id: roleColumn(index),
        head: role,
        meaning: `an x where the light is ${role}`,
        of: (pixel: CraftPixel) => (pixel.roles.includes(role) ? 'x' : ''),
      })),
    ],
  };
}
