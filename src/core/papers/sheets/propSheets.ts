import { piecesOf } from '../../answers/stockPieces';
import { placesToSetOut } from '../../answers/placesToSetOut';
import { planStock } from '../../catalogue/stock';
import { placeOnDevice } from '../../devices/placeOnDevice';
import { threadedOf } from '../../plan/threadedOf';
import type { Plan } from '../../plan/planned';
import { kindOf, type Prop, type PropKindName, type PropOf, isPanelled } from '../../props/registry';
import { knottedRope, setOut } from '../../props/settingOut';
import { ROLL_MM, screenCuts } from '../../screens/cuts';
import { namedRanges } from '../../screens/ranges';
import { zonesOf } from '../../screens/zones';
import type { ViewSide } from '../../threading/view';
import { formatLength } from '../../units/length';
import { countOf } from '../../units/number';
import { capitalised } from '../../units/words';
import { buildSheet, buildSheetTable } from '../buildSheet';
import { stakesDrawing } from '../drawings/stakes';
import { sideWords, threadingDrawing } from '../drawings/threading';
import { tableBlock, type Block } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import { rangesTable } from '../tables/ranges';
import { rolesTable } from '../tables/roles';
import { bridgesTable, namedRangesTable, screenCutsTable, zonesTable } from '../tables/screens';
import { settingOutTable } from '../tables/settingOut';
import { cutList } from '../tables/stock';
import { tileRows, tilesTable } from '../tables/tiles';
import { paper, tableSheet } from './make';
import { wallSheets } from './wallSheets';
import { propAt, plannedAt } from '../../plan/records';

const LADDERS =
  'Ladders, poles and guyed props: two people, firm ground, no wind, and nothing under power while hands are on it. What holds is decided by ground, wind and local rules.';

/** Everything on paper about one prop. @param index of the prop in the show */
export function propSheets(plan: Plan, index: number): Sheet[] {
  const prop = propAt(plan, index);
  const { id, name } = prop;
  const kind = kindOf(prop);
  const about = { kind: 'prop', propId: id } as const;
  const panelled = isPanelled(prop);
  const sheets: Sheet[] = (['front', 'back'] as const).flatMap((side) => [
    tableSheet({
      id: side === 'front' ? `build.${id}` : `build-back.${id}`,
      name: `${name}: build sheet from the ${side}`,
      group: 'build',
      about,
      side: sideWords(kind.sides, side),
      // The panels of a wall are chained, not strands threaded.
      isPaper: !panelled,
      table: () => buildSheetTable(name, sideWords(kind.sides, side), buildSheet(plan, index, side)),
      blocks: () => buildBlocks(plan, index, side),
    }),
    ...(panelled
      ? []
      : [
          paper({
            id: side === 'front' ? `threading.${id}` : `threading-back.${id}`,
            name: `${name}: threading from the ${side}`,
            group: 'thread',
            about,
            side: sideWords(kind.sides, side),
            blocks: () => threadingBlocks(plan, index, side),
          }),
        ]),
  ]);
  sheets.push(
    tableSheet({
      id: `setting-out.${id}`,
      name: `${name}: setting out`,
      group: 'build',
      about,
      isPaper: kind.anchors?.(prop.shape) !== undefined,
      table: () => settingOut(plan, index).table,
      blocks: () => settingOut(plan, index).blocks,
    }),
  );
  const { ranges, stock } = prop;
  if (ranges)
    sheets.push(
      tableSheet({
        id: `ranges.${id}`,
        name: `${name}: ranges`,
        group: 'build',
        about,
        table: () => rangesTable(ranges, placeOnDevice(plan, index)?.before ?? 0),
      }),
    );
  if (stock)
    sheets.push(
      tableSheet({
        id: `cut-list.${id}`,
        name: `${name}: cut list`,
        group: 'build',
        about,
        isPaper: true,
        table: () => cuts(plan, index).table,
        blocks: () => {
          const { table, planned } = cuts(plan, index);
          return [
            {
              is: 'words',
              words: `${countOf(planned.sources.value, stock.kind === 'strings' ? 'string' : 'roll')} in all, ${countOf(planned.splices.length, 'splice')}, ${countOf(planned.sparePixels.value, 'pixel')} left over, ${countOf(planned.longestSpare, 'pixel')} of them in one length.`,
            },
            {
              is: 'caution',
              words:
                'Disconnect before you cut. Mark which wire is plus and which end data enters before the first cut, not after it.',
            },
            tableBlock(table, [{ head: 'Cut', as: 'tick' }]),
          ];
        },
      }),
    );
  const ofKind = SHEETS_OF_KIND[prop.kind] as ((of: SheetsOf<Prop>) => Sheet[]) | undefined;
  return [...sheets, ...(ofKind?.({ plan, index, prop }) ?? [])];
}

function buildBlocks(plan: Plan, index: number, side: ViewSide): Block[] {
  const prop = propAt(plan, index);
  const words = sideWords(kindOf(prop).sides, side);
  return [
    { is: 'drawing', drawing: threadingDrawing(plan, index, side), share: 0.38 },
    tableBlock(buildSheetTable(prop.name, words, buildSheet(plan, index, side)), [
      { head: 'Done', as: 'tick' },
    ]),
  ];
}

function threadingBlocks(plan: Plan, index: number, side: ViewSide): Block[] {
  const prop = propAt(plan, index);
  const kind = kindOf(prop);
  const { pixelCount, runCount, strands, jumpers } = plannedAt(plan, index);
  const word = kind.strandWord(prop.threading);
  return [
    {
      is: 'words',
      words: `${capitalised(kind.threadingWords(prop.threading))}. ${countOf(pixelCount, 'pixel')} in ${countOf(strands.length, word)}, ${countOf(runCount, 'run')}, ${countOf(jumpers.length, 'jumper')}. Black point: data enters here from the port beside it. White point: a run ends. Arrows go with the data, dashed lines are jumpers${strands.length > 1 ? `, and each ${word} has its number where it begins` : ''}.`,
    },
    { is: 'drawing', drawing: threadingDrawing(plan, index, side), share: 0.9 },
  ];
}

function settingOut(plan: Plan, index: number) {
  const prop = propAt(plan, index);
  const places = placesToSetOut(plan, index);
  const out = setOut(places, kindOf(prop).placeRows?.(prop.shape) ?? {});
  const table = settingOutTable(prop.name, out, places, plan.show.lengths);
  const rope = places.middle ? knottedRope(out) : null;
  const length = (mm: number) => formatLength(Math.round(mm), plan.show.lengths);
  const blocks: Block[] = [
    {
      is: 'words',
      words: `${countOf(out.places.length, places.word)}, ${places.view}. Set ${places.word} ${out.referenceA} and ${places.word} ${out.referenceB} first, ${length(out.baseMm)} apart, and hook tape A to the first and tape B to the second: every other one is where both tapes read what stands in its line.`,
    },
    ...(rope
      ? [
          {
            is: 'words' as const,
            words: `With one cord: knot it into a triangle with its loop over the pole, ${length(rope.radiusMm)} to the first knot, ${length(rope.chordMm)} to the second, ${length(rope.radiusMm)} back; ${length(rope.totalMm)} in all${rope.closingMm === null ? '' : `. From the last back to the first it is ${length(rope.closingMm)}`}.`,
          },
        ]
      : []),
    { is: 'caution', words: LADDERS },
    { is: 'drawing', drawing: stakesDrawing(prop.name, out, places.view, places.middle), share: 0.45 },
    tableBlock(table, [{ head: 'Set', as: 'tick' }]),
  ];
  return { table, blocks };
}

function cuts(plan: Plan, index: number) {
  const prop = propAt(plan, index);
  const stock = prop.stock!;
  const pieces = piecesOf(prop, threadedOf(plan, index), stock);
  const planned = planStock(pieces, stock);
  return { planned, table: cutList(prop.name, stock, pieces, planned, plan.show.lengths) };
}

function screenSheets({ show }: Plan, { id, name, shape, pixelTypeId }: PropOf<'screen'>): Sheet[] {
  const about = { kind: 'prop', propId: id } as const;
  const cut = () =>
    screenCuts(
      shape,
      ROLL_MM,
      show.pixelTypes.find((type) => type.id === pixelTypeId),
    );
  return [
    tableSheet({
      id: `cuts.${id}`,
      name: `${name}: strip and cuts`,
      group: 'build',
      about,
      isPaper: true,
      table: () => screenCutsTable(name, cut(), show.lengths),
      blocks: () => {
        const planned = cut();
        return [
          {
            is: 'words',
            words: `${formatLength(Math.round(planned.stripMm), show.lengths)} of strip, ${countOf(planned.rolls, 'roll')} of ${formatLength(ROLL_MM, show.lengths)}, ${formatLength(Math.round(planned.leftMm), show.lengths)} left over.`,
          },
          {
            is: 'caution',
            words:
              'Disconnect before you cut. A strip in a closed, hot or flammable place needs a lower brightness.',
          },
          { is: 'heading', words: 'Cut' },
          tableBlock(screenCutsTable(name, planned, show.lengths), [{ head: 'Cut', as: 'tick' }]),
          { is: 'heading', words: 'Wire from piece to piece' },
          tableBlock(bridgesTable(name, planned, show.lengths), [{ head: 'Done', as: 'tick' }]),
          { is: 'heading', words: 'Numbers of the lights on the wire' },
          tableBlock(namedRangesTable(name, namedRanges(shape))),
        ];
      },
    }),
    tableSheet({
      id: `bridges.${id}`,
      name: `${name}: wire bridges`,
      group: 'build',
      about,
      table: () => bridgesTable(name, cut(), show.lengths),
    }),
    tableSheet({
      id: `named-ranges.${id}`,
      name: `${name}: named ranges`,
      group: 'patch',
      about,
      table: () => namedRangesTable(name, namedRanges(shape)),
    }),
    tableSheet({
      id: `zones.${id}`,
      name: `${name}: zones`,
      group: 'patch',
      about,
      table: () => zonesTable(name, zonesOf(shape)),
    }),
  ];
}

interface SheetsOf<Of extends Prop> {
  plan: Plan;
  /** Index of the prop in the show. */
  index: number;
  prop: Of;
}

/** Sheets of a kind of prop besides those of every prop. */
const SHEETS_OF_KIND: { [Kind in PropKindName]?: (of: SheetsOf<PropOf<Kind>>) => Sheet[] } = {
  tile: ({ plan, index, prop: { id, name, shape } }) => [
    tableSheet({
      id: `tiles.${id}`,
      name: `${name}: every tile`,
      group: 'patch',
      about: { kind: 'prop', propId: id },
      isPaper: true,
      table: () => tilesTable(name, tileRows(plan, index, shape)),
    }),
  ],
  craft: ({ prop: { id, name, shape } }) => [
    tableSheet({
      id: `roles.${id}`,
      name: `${name}: roles`,
      group: 'patch',
      about: { kind: 'prop', propId: id },
      isPaper: true,
      table: () => rolesTable(name, shape),
    }),
  ],
  wall: ({ plan, index }) => wallSheets(plan, index),
  screen: ({ plan, prop }) => screenSheets(plan, prop),
};
