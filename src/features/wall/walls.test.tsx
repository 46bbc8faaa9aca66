import { act, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import type { Prop, PropOf } from '@/core/props/registry';
import { wall, type WallShape, type WallThreading, layWall } from '@/core/props/wall';
import { CompareChainsSheet } from './CompareChainsSheet';
import { FieldSheet } from './FieldSheet';
import { useWallCell } from './useWallCell';
import { WallShapeEditor } from './WallShapeEditor';
import { WallRoutePanel } from './WallRoutePanel';
import { cellAt, cellMiddle } from './drawWall';

const aWall = (shape: Partial<WallShape> = {}, threading: Partial<WallThreading> = {}): Prop => {
  const starter = wall.starter();
  return aLine('wall', 1, {
    kind: 'wall',
    shape: { ...starter.shape, ...shape },
    threading: { ...starter.threading, ...threading },
  } as never);
};
const showOf = (prop: Prop) =>
  onPorts(aShow({ props: [prop], controllers: [aController({ mostPixelsPerPort: 100_000 })] }), [
    'wall',
    1,
    1,
  ]);
const wallIn = (props: readonly Prop[]) => props[0] as PropOf<'wall'>;

async function typeInto(label: string, text: string, at = 0) {
  const field = screen.getAllByLabelText(label)[at]!;
  await userEvent.clear(field);
  await userEvent.type(field, text);
}

afterEach(() => act(() => useWallCell.getState().choose(null)));

describe('the measures of a wall', () => {
  const open = (prop = aWall()) =>
    openSheet(showOf(prop), (plan) => (
      <WallShapeEditor propId="wall" shape={wallIn(plan.show.props).shape} />
    ));

  it('are panels, their pixels, pitch and amps', async () => {
    const { store } = open();
    await typeInto('Panels across', '5{Enter}');
    await typeInto('Pitch', '4 mm{Enter}');
    await typeInto('At full white', '3,5 A{Enter}');
    await userEvent.click(screen.getByRole('radio', { name: /IN at the left/ }));
    expect(wallIn(store.getState().show.props).shape).toMatchObject({
      columns: 5,
      panel: { pitchMm: 4, ampsFullWhite: { value: 3.5, basis: 'typed' }, dataInAtBack: 'left' },
    });
  });

  it('refuse watts where amps are meant, and say what is plausible', async () => {
    const { store } = open();
    await typeInto('At full white', '20 W{Enter}');
    expect(screen.getByText(/From 0.05 to 20 A; “20 W” is not/)).toBeInTheDocument();
    await typeInto('At full white', '400 A{Enter}');
    expect(screen.getByText(/some 2 to 4 A at 5 V/)).toBeInTheDocument();
    expect(wallIn(store.getState().show.props).shape.panel.ampsFullWhite.value).toBe(4);
    await typeInto('At full white', '3500 mA{Enter}');
    expect(wallIn(store.getState().show.props).shape.panel.ampsFullWhite.value).toBe(3.5);
  });

  it('leave single panels out, and give others another colour order', async () => {
    const { store } = open();
    act(() => useWallCell.getState().choose({ propId: 'wall', column: 1, row: 0 }));
    await userEvent.click(await screen.findByRole('switch', { name: 'There is no panel here' }));
    expect(wallIn(store.getState().show.props).shape.others).toEqual([{ column: 1, row: 0, missing: true }]);
    await userEvent.click(screen.getByRole('switch', { name: 'There is no panel here' }));
    expect(wallIn(store.getState().show.props).shape.others).toBeUndefined();
    await userEvent.click(screen.getByRole('combobox', { name: 'Its colour order' }));
    await userEvent.click(screen.getByRole('option', { name: 'BGR' }));
    expect(wallIn(store.getState().show.props).shape.others).toEqual([
      { column: 1, row: 0, colourOrder: 'BGR' },
    ]);
  });
});

describe('the chains of a wall', () => {
  const open = (prop = aWall()) =>
    openSheet(showOf(prop), (plan) => <WallRoutePanel prop={wallIn(plan.show.props)} />);

  it('follow a style from a corner that is pointed at from the back', async () => {
    const { store } = open();
    await userEvent.click(screen.getByRole('combobox', { name: 'Style' }));
    await userEvent.click(screen.getByRole('option', { name: 'Zigzag' }));
    await userEvent.click(screen.getByRole('radio', { name: 'top left' }));
    expect(wallIn(store.getState().show.props).threading.chaining).toEqual({
      by: 'design',
      style: 'zigzag',
      along: 'rows',
      // The left of the back is the right of the front.
      entry: 'topRight',
    });
  });

  it('change by hand, panel by panel', async () => {
    const { store } = open();
    act(() => useWallCell.getState().choose({ propId: 'wall', column: 0, row: 0 }));
    await userEvent.click(await screen.findByText('180°'));
    await typeInto('Place', '1{Enter}');
    const { chaining } = wallIn(store.getState().show.props).threading;
    expect(
      chaining.by === 'hand' && chaining.chains[0]!.panels.map((panel) => [panel.column, panel.turnDeg]),
    ).toEqual([
      [0, 180],
      [2, 0],
      [1, 0],
    ]);
    await userEvent.click(screen.getByRole('combobox', { name: 'Output' }));
    await userEvent.click(screen.getByRole('option', { name: '4, not used yet' }));
    expect(
      layWall(wallIn(store.getState().show.props)).chains.map((chain) => [chain.output, chain.panels.length]),
    ).toEqual([
      [1, 2],
      [2, 3],
      [3, 3],
      [4, 1],
    ]);
  });

  it('are spread over cards, each a rectangle of panels', async () => {
    const { store } = open(aWall({ columns: 4 }));
    await userEvent.click(screen.getByText('Receiver cards'));
    await typeInto('Cards side by side', '2{Enter}');
    const { driver } = wallIn(store.getState().show.props).threading;
    expect(driver.kind === 'cards' && driver.cards).toEqual([
      { column: 0, row: 0, columns: 2, rows: 3 },
      { column: 2, row: 0, columns: 2, rows: 3 },
    ]);
    await typeInto('Columns', '1{Enter}', 1);
    const changed = wallIn(store.getState().show.props).threading.driver;
    expect(changed.kind === 'cards' && changed.cards[0]!.columns).toBe(1);
  });

  it('are compared, and one is taken', async () => {
    const { store } = openSheet(showOf(aWall({ columns: 5, rows: 6 })), (plan) => (
      <CompareChainsSheet prop={wallIn(plan.show.props)} />
    ));
    expect(screen.getAllByRole('row')).toHaveLength(8);
    const row = screen.getByRole('row', { name: /^Zigzag, every other row/ });
    await userEvent.click(within(row).getByRole('button', { name: 'Use this' }));
    expect(wallIn(store.getState().show.props).threading.chaining).toMatchObject({ style: 'zigzag' });
    expect(screen.getByTestId('recommendation')).toHaveTextContent(/Ribbons of the box alone/);
  });
});

it('has a field sheet with what each value is of, and ticks that are kept', async () => {
  const { store } = openSheet(showOf(aWall({ columns: 5 })), (plan) => (
    <FieldSheet plan={plan} prop={wallIn(plan.show.props)} index={0} />
  ));
  expect(screen.getByRole('row', { name: /^Width 320 the whole wall/ })).toBeInTheDocument();
  expect(screen.getByRole('row', { name: /^Pixels across 64 a panel/ })).toBeInTheDocument();
  expect(screen.getByRole('row', { name: /^Channels 92,160 the whole wall/ })).toBeInTheDocument();
  expect(screen.getByRole('row', { name: /^Start universe 1, channel 1/ })).toBeInTheDocument();
  await userEvent.click(screen.getByRole('checkbox', { name: /^Save/ }));
  expect(store.getState().facts.all).toMatchObject([{ kind: 'tick', list: 'props', field: 'step.save' }]);
  expect(screen.getByRole('checkbox', { name: /^Save/ })).toBeChecked();
  await userEvent.click(screen.getByRole('checkbox', { name: /^Save/ }));
  expect(store.getState().facts.all).toEqual([]);
});

it('finds the panel under a place on either side', () => {
  const laid = layWall(aWall({ columns: 5, rows: 2 }) as PropOf<'wall'>);
  for (const side of ['front', 'back'] as const)
    for (let cell = 0; cell < 10; cell += 1) {
      const { xMm, yMm } = cellMiddle(laid, side, cell);
      expect(cellAt(laid, side, xMm, yMm)).toBe(cell);
    }
  expect(cellAt(laid, 'front', 10, 10)).toBe(5);
  expect(cellAt(laid, 'back', 10, 10)).toBe(9);
  expect(cellAt(laid, 'front', -1, 10)).toBeNull();
});
