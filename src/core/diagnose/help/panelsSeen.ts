import type { LaidWall } from '../../panels/laidWall';
import { pairOf } from '../../units/tuple';

/** The label that a panel shows, and which way up it is. */
interface PanelSeen {
  /** From 0 at the top left of the front: where it hangs. */
  column: number;
  row: number;
  /** The label that is read there, `output.place`; empty where the panel is dark. */
  label: string;
  isUpsideDown: boolean;
}

/** Whose labels are read: a device’s own test may count otherwise than the picture of labels that is sent. */
export const LABEL_SCHEMES = {
  outputPlace: 'Output and place, such as 2.3',
  rowColumnFront: 'Row and column, counted from the front',
  rowColumnBack: 'Row and column, counted from behind',
} as const;
export type LabelScheme = keyof typeof LABEL_SCHEMES;

/** A label as output and place, whatever scheme it was read in; the text itself where it names no panel. */
export function labelIn(
  wall: Pick<LaidWall, 'chains'>,
  columns: number,
  scheme: LabelScheme,
  text: string,
): string {
  const label = text.trim().replace(',', '.');
  if (scheme === 'outputPlace' || label === '') return label;
  const [row, column] = pairOf(label.split('.').map(Number));
  const at = scheme === 'rowColumnFront' ? column - 1 : columns - column;
  return labelsOfWall(wall).get(`${at} ${row - 1}`) ?? label;
}

/** Changes, panel by panel. */
interface PanelMend {
  column: number;
  row: number;
  words: string;
}

/** `2.3`: what the labels call each panel, by column and row from 0; outputs and places count from 1. */
export function labelsOfWall({ chains }: Pick<LaidWall, 'chains'>): Map<string, string> {
  return new Map(
    chains.flatMap(({ panels, output }) =>
      panels.map(({ column, row }, place): [string, string] => [
        `${column} ${row}`,
        `${output}.${place + 1}`,
      ]),
    ),
  );
}

/**
 * Changes that labels read on a wall call for: which ribbon, output or panel.
 *
 * @param seen panels that were read; of the others nothing is said
 */
export function panelMends(wall: Pick<LaidWall, 'chains'>, seen: readonly PanelSeen[]): PanelMend[] {
  const planned = labelsOfWall(wall);
  const placeOf = new Map([...planned].map(([place, label]) => [label, place]));
  const shown = new Map(seen.map((each) => [`${each.column} ${each.row}`, each]));
  const words = (place: string) => {
    const [column, row] = pairOf(place.split(' ').map(Number));
    return `${column + 1} across, ${row + 1} down`;
  };
  const lit = seen.filter(({ label }) => label !== '');
  const isAllTheSame =
    lit.length > 1 &&
    new Set(lit.map(({ label }) => label.split('.')[0])).size === 1 &&
    wall.chains.length > 1 &&
    lit.some(({ column, row, label }) => planned.get(`${column} ${row}`) !== label);
  return seen.flatMap(({ column, row, label, isUpsideDown }): PanelMend[] => {
    const here = `${column} ${row}`;
    const wanted = planned.get(here);
    if (wanted === undefined) return [];
    const mends: string[] = [];
    if (label === '')
      mends.push(
        `dark: the ribbon into it, its power, or place ${wanted.split('.')[1]} of output ${wanted.split('.')[0]} is not in the list of the driver.`,
      );
    else if (label !== wanted) {
      const [output, place] = label.split('.');
      const [wantedOutput, wantedPlace] = wanted.split('.');
      const belongs = placeOf.get(label);
      const other = belongs === undefined ? undefined : shown.get(belongs);
      if (belongs === undefined)
        mends.push(
          `shows ${label}, which no panel of this wall is called: another list or another scheme of labels is in force.`,
        );
      else if (other?.label === wanted)
        mends.push(
          output === wantedOutput
            ? `shows ${label}: it is exchanged with the panel ${words(belongs)}. Exchange their ribbons, or both in the list of the driver.`
            : `shows ${label}: outputs ${wantedOutput} and ${output} are exchanged here. Exchange the two ribbons at the driver, or both in its list.`,
        );
      else if (isAllTheSame)
        mends.push(
          `shows ${label} of output ${output}: all chains are left on output ${output}. Set this one to output ${wantedOutput}.`,
        );
      else if (output !== wantedOutput)
        mends.push(
          `shows ${label}: its chain is plugged into output ${output}, and belongs to ${wantedOutput}.`,
        );
      else
        mends.push(
          `shows ${label}: it is place ${place} in the chain by its ribbons, and ${wantedPlace} in the plan.`,
        );
    }
    if (isUpsideDown) mends.push('hangs upside down: turn it by 180°, or say so in the list of the driver.');
    return mends.map((each) => ({ column, row, words: `Panel ${words(here)} ${each}` }));
  });
}
