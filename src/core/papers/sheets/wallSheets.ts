import { layWall } from '../../props/wall';
import { outputName, placeName } from '../../panels/chains';
import { ribbonsOf } from '../../panels/ribbons';
import type { Plan } from '../../plan/planned';
import type { PropOf } from '../../props/registry';
import { formatLength, type Lengths } from '../../units/length';
import { countOf } from '../../units/number';
import { wallChainsDrawing } from '../drawings/wallChains';
import { tableBlock, type Block } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import {
  chainedPanelsTable,
  ribbonsTable,
  wallValuesTable,
  type ChainedPanelRow,
  type RibbonRow,
} from '../tables/walls';
import { wallSheet } from '../wallSheet';
import { paper, tableSheet } from './make';
import { itemAt } from '../../units/there';
import { propOfKind } from '../../plan/records';

/** A wall to type, to wire and to ribbon. */
export function wallSheets(plan: Plan, index: number): Sheet[] {
  const prop = propOfKind(plan, index, 'wall');
  const { id, name } = prop;
  const about = { kind: 'prop', propId: id } as const;
  return [
    paper({
      id: `wall-type.${id}`,
      name: `${name}: field sheet, to type`,
      group: 'patch',
      about,
      side: 'values count from the front',
      blocks: () => {
        const { groups, steps } = wallSheet(plan, index);
        return [
          ...groups.flatMap((group): Block[] => [
            { is: 'heading', words: group.title },
            tableBlock(wallValuesTable(group), [{ head: 'Typed', as: 'tick' }]),
          ]),
          { is: 'heading', words: 'In this order' },
          { is: 'steps', steps: steps.map(({ words, why }) => ({ words, why })) },
        ];
      },
    }),
    ...(['back', 'front'] as const).map((side) =>
      tableSheet({
        id: side === 'back' ? `wall-wire.${id}` : `wall-front.${id}`,
        name: `${name}: wiring from the ${side}`,
        group: 'thread',
        about,
        side: `seen from the ${side}`,
        isPaper: true,
        table: () => chainedPanelsTable(name, side, chainedPanels(prop)),
        blocks: () => [
          { is: 'drawing', drawing: wallChainsDrawing(prop, side), share: 0.55 },
          {
            is: 'words',
            words:
              'On each panel: output and place. The black point is the socket into which the ribbon of the driver goes; ribbons follow the arrows. “arrow” is how the arrow on the panel’s back points as you look at this side.',
          },
          tableBlock(chainedPanelsTable(name, side, chainedPanels(prop)), [
            { head: 'Hung', as: 'tick' },
            { head: 'Wired', as: 'tick' },
          ]),
        ],
      }),
    ),
    tableSheet({
      id: `ribbons.${id}`,
      name: `${name}: ribbons`,
      group: 'thread',
      about,
      isPaper: true,
      table: () => ribbonsTable(name, ribbons(prop, plan.show.lengths)),
      blocks: () => {
        const rows = ribbons(prop, plan.show.lengths);
        const long = rows.filter(({ ofTheBox }) => !ofTheBox);
        return [
          {
            is: 'words',
            words: `${countOf(layWall(prop).chains.length, 'ribbon')} from the driver, as short as can be; ${countOf(rows.length, 'ribbon')} between panels, ${long.length === 0 ? 'all as they come with panels' : `${long.length} of them longer than those in the box`}.`,
          },
          tableBlock(ribbonsTable(name, rows), [{ head: 'In', as: 'tick' }]),
        ];
      },
    }),
    ...wallSheet(plan, index).groups.map((group) =>
      tableSheet({
        id: `wall-${group.id}.${id}`,
        name: `${name}: ${group.title}`,
        group: 'patch',
        about,
        table: () => wallValuesTable(group),
      }),
    ),
  ];
}

function chainedPanels(prop: PropOf<'wall'>): ChainedPanelRow[] {
  const { chains, cards } = layWall(prop);
  return chains.flatMap((chain) =>
    chain.panels.map((panel, place) => ({
      output: outputName(chain, cards.length),
      place: place + 1,
      columns: prop.shape.columns,
      ...panel,
    })),
  );
}

function ribbons(prop: PropOf<'wall'>, lengths: Lengths): RibbonRow[] {
  const { chains, cards } = layWall(prop);
  const { panel } = prop.shape;
  return ribbonsOf(chains, panel).map(({ chain, from, lengthMm, isOfTheBox }) => {
    const nameOf = (place: number) => placeName(itemAt(chains, chain), place, cards.length);
    return {
      from: nameOf(from),
      to: nameOf(from + 1),
      length: formatLength(Math.round(lengthMm), lengths),
      ofTheBox: isOfTheBox,
    };
  });
}
