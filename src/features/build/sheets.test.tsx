import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import type { Prop } from '@/core/props/registry';
import { RangesSheet } from './RangesSheet';
import { RolesSheet } from '../editors/RolesSheet';
import { SettingOutSheet } from './SettingOutSheet';
import { StockSheet } from './StockSheet';

async function typeInto(label: string, text: string) {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, text);
}

describe('setting out', () => {
  const ring: Prop = aLine('ring', 1, {
    kind: 'ring',
    shape: {
      rings: [{ diameterMm: 1000, pixels: 8 }],
      arcDeg: 360,
      firstAngleDeg: 0,
      direction: 'clockwise',
    },
    threading: { startRing: 'first', pattern: 'straight', runs: 1 },
  } as never);
  const cells = (row: HTMLElement) =>
    within(row)
      .getAllByRole('cell')
      .map((cell) => cell.textContent);

  it('has a line for each place, by x and y, chord, arc and two tapes', async () => {
    openSheet(aShow({ props: [ring] }), (plan) => <SettingOutSheet plan={plan} prop={0} />);
    const rows = screen.getAllByRole('row');
    expect(rows).toHaveLength(9);
    // Place 2 of 8: 45 degrees; chord 1000 * sin(22.5°) = 383, arc pi * 1000 / 8 = 393.
    expect(cells(rows[2]!)).toEqual(['2', '354', '354', '500', '383', '393', '383', '383']);
    // Tapes elsewhere.
    await typeInto('Tape B at pixel', '5{Enter}');
    expect(cells(screen.getAllByRole('row')[2]!).slice(-2)).toEqual(['383', '924']);
    await userEvent.click(screen.getAllByRole('row')[2]!);
    expect(screen.getByText(/2: tape A 383 mm, tape B 924 mm/)).toBeInTheDocument();
  });

  it('keeps the clearance to the frame, and adds it all round', async () => {
    const { store } = openSheet(aShow({ props: [ring] }), (plan) => <SettingOutSheet plan={plan} prop={0} />);
    await typeInto('Clearance to the frame around it', '20 mm{Enter}');
    expect(store.getState().show.props[0]!.frameClearanceMm).toBe(20);
    expect(screen.getByText('1.04 m × 1.04 m')).toBeInTheDocument();
    await typeInto('Clearance to the frame around it', '0{Enter}');
    expect(store.getState().show.props[0]!.frameClearanceMm).toBeUndefined();
  });

  it('measures other props from the lower left of their frame', () => {
    const net = { ...aGrid('net', 2, 2), frameClearanceMm: 50 };
    openSheet(aShow({ props: [net] }), (plan) => <SettingOutSheet plan={plan} prop={0} />);
    // Data begins at the top left: 50 mm from the left, 50 + 50 mm from the foot.
    expect(cells(screen.getAllByRole('row')[1]!).slice(0, 3)).toEqual(['1', '50', '100']);
  });

  it('says how large a ring is', async () => {
    openSheet(aShow({ props: [ring] }), (plan) => <SettingOutSheet plan={plan} prop={0} />);
    await typeInto('This many', '6{Enter}');
    await typeInto('This far apart', '100 mm{Enter}');
    expect(screen.getByText('200 mm')).toBeInTheDocument();
    await userEvent.click(screen.getByText('Along the curve'));
    expect(screen.getByText('191 mm')).toBeInTheDocument();
  });

  it('says so where there is nothing to set out', () => {
    const empty = aLine('empty', 1, {
      kind: 'freeform',
      shape: { xMm: [], yMm: [], pieces: [], source: '' },
      threading: { firstPixel: 'start', runs: 1 },
    } as never);
    openSheet(aShow({ props: [empty] }), (plan) => <SettingOutSheet plan={plan} prop={0} />);
    expect(screen.getByText('There is nothing to set out yet.')).toBeInTheDocument();
  });
});

describe('ranges', () => {
  const strip = aLine('strip', 100);

  it('are added one after another, typed in the device’s convention, and removed', async () => {
    const { store } = openSheet(aShow({ props: [strip] }), (plan) => <RangesSheet plan={plan} prop={0} />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a range' }));
    expect(store.getState().show.props[0]!.ranges).toEqual([
      { name: 'Range 1', firstPixel: 1, pixelCount: 100 },
    ]);
    // From 0, with a stop after the last one.
    await typeInto('Stop of range 1', '60{Enter}');
    expect(store.getState().show.props[0]!.ranges![0]!.pixelCount).toBe(60);
    expect(
      screen.getByText('Indices 60 to 99 (pixels 61 to 100 of the prop, counted from 1) are in no range.'),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Add a range' }));
    expect(screen.getByText('Every pixel is in one range.')).toBeInTheDocument();
    await typeInto('Name of range 2', ' Mast  top {Enter}');
    expect(store.getState().show.props[0]!.ranges![1]).toEqual({
      name: 'Mast top',
      firstPixel: 61,
      pixelCount: 40,
    });
    await userEvent.click(screen.getByRole('button', { name: 'Remove Range 1' }));
    await userEvent.click(screen.getByRole('button', { name: 'Remove Mast top' }));
    expect(store.getState().show.props[0]!.ranges).toBeUndefined();
  });

  it('say what is odd with every key, and change nothing until Enter', async () => {
    const ranges = [
      { name: 'Hull', firstPixel: 1, pixelCount: 50 },
      { name: 'Mast', firstPixel: 51, pixelCount: 50 },
    ];
    const { store } = openSheet(aShow({ props: [{ ...strip, ranges }] }), (plan) => (
      <RangesSheet plan={plan} prop={0} />
    ));
    await typeInto('Stop of range 1', '55');
    expect(
      screen.getByText(/^Hull and Mast both hold indices 50 to 54 \(pixels 51 to 55/),
    ).toBeInTheDocument();
    expect(store.getState().show.props[0]!.ranges).toEqual(ranges);
    await userEvent.keyboard('{Escape}');
    expect(screen.getByText('Every pixel is in one range.')).toBeInTheDocument();
    await typeInto('Start of range 2', 'ten{Enter}');
    expect(screen.getByText('A name, a start from 0 on, and a stop after it.')).toBeInTheDocument();
    expect(store.getState().show.props[0]!.ranges).toEqual(ranges);
  });

  it('of a second prop on one device count from the device’s first LED', async () => {
    const two = onPorts(
      aShow({ props: [aLine('shelf', 350), aLine('ledge', 350)], controllers: [aController()] }),
      ['shelf', 1, 1],
      ['ledge', 1, 2],
    );
    const { store } = openSheet(two, (plan) => <RangesSheet plan={plan} prop={1} />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a range' }));
    expect(screen.getByLabelText('Start of range 1')).toHaveValue('350');
    await typeInto('Stop of range 1', '450{Enter}');
    expect(store.getState().show.props[1]!.ranges).toMatchObject([{ firstPixel: 1, pixelCount: 100 }]);
    await userEvent.click(screen.getByText('the first of this prop'));
    expect(screen.getByLabelText('Start of range 1')).toHaveValue('0');
  });

  it('are mended by a button', async () => {
    const ranges = [{ name: 'Hull', firstPixel: 1, pixelCount: 50 }];
    const { store } = openSheet(aShow({ props: [{ ...strip, ranges }] }), (plan) => (
      <RangesSheet plan={plan} prop={0} />
    ));
    await userEvent.click(screen.getByRole('button', { name: 'Make a range of what is in none' }));
    expect(store.getState().show.props[0]!.ranges).toHaveLength(2);
    expect(screen.getByRole('img', { name: 'Coverage: 0 gaps, 0 overlaps' })).toBeInTheDocument();
  });
});

describe('stock', () => {
  it('is said, and what is needed follows', async () => {
    const { store } = openSheet(aShow({ props: [aLine('rail', 120)] }), (plan) => (
      <StockSheet plan={plan} prop={0} />
    ));
    expect(screen.getByText(/Say what it is made from/)).toBeInTheDocument();
    await userEvent.click(screen.getByText('Strings'));
    expect(screen.getByText('3 strings')).toBeInTheDocument();
    expect(screen.getByText('after pixel 50, 100')).toBeInTheDocument();
    await typeInto('Pixels a string', '100{Enter}');
    expect(screen.getByText('2 strings')).toBeInTheDocument();
    await userEvent.click(screen.getByText('Strip by the roll'));
    await typeInto('Pixels a metre', '20{Enter}');
    // 100 pixels on a roll of 5 m.
    expect(screen.getByText('2 rolls')).toBeInTheDocument();
    expect(store.getState().show.props[0]!.stock).toMatchObject({ kind: 'strip', pixelsPerMetre: 20 });
    await userEvent.click(screen.getByText('Not said'));
    expect(store.getState().show.props[0]!.stock).toBeUndefined();
  });

  it('keeps which batch is where', async () => {
    const { store } = openSheet(aShow({ props: [aLine('rail', 120)] }), (plan) => (
      <StockSheet plan={plan} prop={0} />
    ));
    await userEvent.click(screen.getByRole('button', { name: 'Add a batch' }));
    await typeInto('Last of batch 1', '70{Enter}');
    expect(store.getState().show.props[0]!.batches).toEqual([
      { name: 'Batch 1', firstPixel: 1, pixelCount: 70 },
    ]);
    expect(screen.getByText('Pixels 71 to 120 are in no range.')).toBeInTheDocument();
  });

  it('judges another size by this one', async () => {
    openSheet(aShow({ props: [aGrid('net', 11, 11)] }), (plan) => <StockSheet plan={plan} prop={0} />);
    // 1 m by 500 mm and 121 pixels; twice as large each way.
    await typeInto('Width of the other', '2 m{Enter}');
    await typeInto('Height of the other', '1 m{Enter}');
    expect(screen.getByText('242 pixels')).toBeInTheDocument();
    expect(screen.getByText('484 pixels')).toBeInTheDocument();
  });
});

describe('roles of a craft', () => {
  const boat = aLine('boat', 1, {
    kind: 'craft',
    shape: {
      columns: 3,
      rows: 1,
      cellMm: 20,
      mostPixels: 32,
      roles: ['deck'],
      pixels: [0, 1].map((column) => ({ column, row: 0, facing: 'up', roles: [] })),
    },
    threading: { runs: 1 },
  } as never);
  const shapeOf = (props: readonly Prop[]) => (props[0] as Extract<Prop, { kind: 'craft' }>).shape;

  it('are a matrix of pixels and words', async () => {
    const { store } = openSheet(aShow({ props: [boat] }), (plan) => <RolesSheet plan={plan} prop={0} />);
    await userEvent.click(screen.getByRole('checkbox', { name: 'Pixel 2 is deck' }));
    await userEvent.type(screen.getByLabelText('A new role'), 'funnel{Enter}');
    await userEvent.click(screen.getByRole('checkbox', { name: 'Pixel 2 is funnel' }));
    expect(shapeOf(store.getState().show.props).pixels.map((pixel) => pixel.roles)).toEqual([
      [],
      ['deck', 'funnel'],
    ]);
    await typeInto('Name of the role deck', 'rail{Enter}');
    expect(shapeOf(store.getState().show.props).pixels[1]!.roles).toEqual(['rail', 'funnel']);
    await userEvent.click(screen.getByRole('button', { name: 'Remove rail' }));
    expect(shapeOf(store.getState().show.props)).toMatchObject({ roles: ['funnel'] });
    await userEvent.type(screen.getByLabelText('A new role'), 'funnel');
    expect(screen.getByText('There is this one already.')).toBeInTheDocument();
  });
});
