import { act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aLine, aShow } from '../../../tests/unit/shows';
import type { CraftShape } from '@/core/props/craft';
import type { Prop, PropOf } from '@/core/props/registry';
import { kindOf } from '@/core/props/registry';
import { CraftBoard } from './CraftBoard';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

/** A board of 6 by 4 cells, and its pixels as `column,row` in the order of the wire. */
function openBoard(pixels: readonly [number, number][] = []) {
  const starter = kindOf({ kind: 'craft' }).starter() as { shape: CraftShape; threading: object };
  const boat = aLine('boat', 1, {
    kind: 'craft',
    ...starter,
    shape: {
      ...starter.shape,
      columns: 6,
      rows: 4,
      pixels: pixels.map(([column, row]) => ({ column, row, facing: 'up', roles: [] })),
    },
  } as never);
  window.history.replaceState(null, '', '/shows/quay/build/prop/boat');
  const { store } = openSheet(aShow({ props: [boat] }), (plan) => (
    <CraftBoard prop={plan.show.props[0] as PropOf<'craft'>} />
  ));
  const shape = () => (store.getState().show.props[0] as Prop).shape as CraftShape;
  act(() => screen.getByTestId('craft-board').focus());
  return { shape, cells: () => shape().pixels.map(({ column, row }) => `${column},${row}`), store };
}

afterEach(() => window.history.replaceState(null, '', '/'));

it('is numbered along the way that the keys go', async () => {
  const { cells } = openBoard();
  await userEvent.keyboard('{ArrowRight}{Enter}{ArrowRight}{Enter}{ArrowDown} ');
  expect(cells()).toEqual(['1,0', '2,0', '2,1']);
});

it('stops at its edges', async () => {
  const { cells } = openBoard();
  await userEvent.keyboard('{ArrowLeft}{ArrowUp}{Enter}{ArrowDown>9/}{ArrowRight>9/}{Enter}');
  expect(cells()).toEqual(['0,0', '5,3']);
});

it('takes a pixel in between, and numbers the rest anew', async () => {
  const { cells } = openBoard([
    [0, 0],
    [2, 0],
  ]);
  // The first one is selected; what comes next goes behind it.
  await userEvent.keyboard('{ArrowRight}{ArrowLeft}{Enter}{ArrowRight}{Enter}');
  expect(cells()).toEqual(['0,0', '1,0', '2,0']);
});

it('turns the selected pixel by arrow keys, and removes it', async () => {
  const { shape, cells } = openBoard([
    [0, 0],
    [1, 0],
  ]);
  const facings = () => shape().pixels.map(({ facing }) => facing);
  await userEvent.keyboard('{ArrowLeft}{Enter}{Shift>}{ArrowLeft}{/Shift}');
  expect(facings()).toEqual(['left', 'up']);
  await userEvent.keyboard('{Shift>}{ArrowUp}{/Shift}');
  expect(facings()).toEqual(['nose', 'up']);
  await userEvent.keyboard('{PageDown}');
  expect(facings()).toEqual(['down', 'up']);
  await userEvent.keyboard('{Delete}');
  expect(cells()).toEqual(['1,0']);
});

it('says directions in the words of the craft', async () => {
  openBoard([[0, 0]]);
  await userEvent.click(screen.getByRole('radio', { name: 'Directions' }));
  act(() => screen.getByTestId('craft-board').focus());
  await userEvent.keyboard('{ArrowLeft}{Enter}{Shift>}{ArrowDown}{/Shift}');
  expect(screen.getByText('Pixel 1 shines to the tail')).toBeInTheDocument();
});

it('leaves a cell alone that has its number', async () => {
  const { cells, store } = openBoard([[0, 0]]);
  await userEvent.keyboard('{ArrowLeft}{Enter}{Enter}');
  expect(cells()).toEqual(['0,0']);
  expect(store.getState().sequence).toBe(0);
});
