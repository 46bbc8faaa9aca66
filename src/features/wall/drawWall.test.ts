import { usual } from '@/core/figures/figure';
import { PALETTE, recorder } from '../../../tests/unit/recorder';
import { aLine } from '../../../tests/unit/shows';
import type { PropOf } from '@/core/props/registry';
import { wall, type WallShape, type WallThreading, layWall } from '@/core/props/wall';
import { drawWall } from './drawWall';

function draw(
  shape: Partial<WallShape>,
  threading: Partial<WallThreading>,
  side: 'front' | 'back',
  pxPerMm: number,
) {
  const starter = wall.starter();
  const prop = aLine('wall', 1, {
    kind: 'wall',
    shape: { ...starter.shape, ...shape },
    threading: { ...starter.threading, ...threading },
  } as never) as PropOf<'wall'>;
  const laid = layWall(prop);
  const made = recorder();
  const screen = { x: (mm: number) => mm * pxPerMm, y: (mm: number) => 600 - mm * pxPerMm, pxPerMm };
  const layers = { chains: true, labels: true, cards: true };
  drawWall(
    made.context,
    screen,
    { widthPx: 2000, heightPx: 700 },
    laid,
    side,
    layers,
    { chosen: 0, path: [] },
    PALETTE,
  );
  return { texts: made.words(), calls: made.calls.length };
}

it('says for each panel its output and place, and its row and column', () => {
  const { texts } = draw({}, {}, 'front', 0.5);
  for (const label of ['1.1', '1.3', '3.3']) expect(texts).toContain(label);
  for (const label of ['r1 c1', 'r2 c2', 'r3 c3']) expect(texts).toContain(label);
  // From the back, the same panels by the same names.
  expect([...draw({}, {}, 'back', 0.5).texts].sort()).toEqual([...texts].sort());
});

it('leaves names out where panels are small', () => {
  expect(draw({}, {}, 'front', 0.05).texts).toEqual([]);
});

it('says which panels are on no output', () => {
  const { texts } = draw({}, { chaining: { by: 'hand', chains: [] } }, 'front', 0.5);
  expect(texts.filter((text) => text === 'on none')).toHaveLength(9);
});

it('names cards where there are several, and outputs by card', () => {
  const driver = {
    kind: 'cards' as const,
    outputsPerCard: 8,
    mostPanelsPerOutput: usual(8),
    inOrder: true,
    cards: [
      { column: 0, row: 0, columns: 2, rows: 3 },
      { column: 2, row: 0, columns: 1, rows: 3 },
    ],
  };
  const { texts } = draw({}, { driver }, 'front', 0.5);
  expect(texts).toEqual(expect.arrayContaining(['card 1', 'card 2', '1.1.1', '2.3.1']));
});

it('costs what panels cost, whatever pixels they have', () => {
  const { panel } = wall.starter().shape;
  const strokes = (columns: number) =>
    draw({ panel: { ...panel, columns, rows: columns / 2, pitchMm: 320 / columns } }, {}, 'front', 0.1).calls;
  expect(strokes(256)).toEqual(strokes(16));
});
