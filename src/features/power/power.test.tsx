import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aFeed, aSupply, toPixel } from '../../../tests/unit/power';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { electricOf } from '@/core/catalogue/electric';
import type { Show } from '@/core/show/schema';
import { DrawSheet } from './DrawSheet';
import { PowerPanel } from './PowerPanel';
import { BrightnessSheet } from './BrightnessSheet';
import { DataWiresSheet } from './DataWiresSheet';
import { ReadingsSheet } from './ReadingsSheet';
import { ScheduleSheet } from './ScheduleSheet';
import { SuppliesSheet } from './SuppliesSheet';
import { showPercent } from './useShown';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));
beforeEach(() => showPercent(null));

const fed = (change: Partial<Show> = {}) =>
  aShow({
    props: [aLine('rail', 100)],
    supplies: [aSupply()],
    feeds: [aFeed([toPixel('rail', 1, { lengthMm: 2000, wire: 'mm2-2.5' })], { fuseAmps: 10 })],
    ...change,
  });
const typeOf = (show: Show) => electricOf(show.pixelTypes.find((type) => type.id === 'rgb')!);

describe('what a pixel draws', () => {
  it('is what a meter showed, and every amp follows', async () => {
    const { store } = openSheet(fed(), (plan) => <DrawSheet plan={plan} />);
    const card = within(screen.getByRole('region', { name: 'Three' }));
    await userEvent.click(card.getByRole('button', { name: 'A piece or a metre of it draws…' }));
    const amps = card.getByLabelText('It drew, at full white');
    await userEvent.clear(amps);
    await userEvent.type(amps, '2.4{Enter}');
    await userEvent.click(card.getByRole('button', { name: 'Use 40 mA a pixel' }));
    const { draw } = typeOf(store.getState().show);
    // 40 mA, of which 1 is the chip's.
    expect(draw.R!.value + draw.G!.value + draw.B!.value).toBeCloseTo(39, 1);
    expect(draw.R).toMatchObject({ basis: 'measured', how: '2.4 A on 60 pixels at full white' });
  });
  it('asks about a figure that is hardly meant', async () => {
    const { store } = openSheet(fed(), (plan) => <DrawSheet plan={plan} />);
    const red = screen.getByLabelText('Red, fullest');
    await userEvent.clear(red);
    await userEvent.type(red, '0.015 W{Enter}');
    await userEvent.click(screen.getByRole('button', { name: '15 mA, in A' }));
    expect(typeOf(store.getState().show).draw.R).toMatchObject({ value: 15, basis: 'typed' });
  });
  it('is forgotten for a part of other volts', () => {
    const { store } = openSheet(fed(), (plan) => <DrawSheet plan={plan} />);
    const change = (fields: object) =>
      act(() => void store.getState().edit({ type: 'changePixelType', pixelTypeId: 'rgb', change: fields }));
    change({ electric: { draw: { R: { value: 9, basis: 'typed' } } } });
    expect(typeOf(store.getState().show).draw.R!.value).toBe(9);
    change({ volts: 5 });
    expect(typeOf(store.getState().show).draw.R!.basis).toBe('default');
  });
});

describe('leads', () => {
  const panel = (show: Show) => openSheet(show, (plan) => <PowerPanel plan={plan} selection={{ prop: 0 }} />);
  it('say what they carry, and are moved along a run', async () => {
    const { store } = panel(fed());
    const lead = within(await screen.findByRole('region', { name: /^Lead/ }));
    // Its far pixels starve, so that it is less than 100 of 55 mA.
    expect(await lead.findByText(/^[34]\.\d+ A$/)).toBeInTheDocument();
    const pixel = lead.getByLabelText('Pixel of run 1 that it joins');
    await userEvent.clear(pixel);
    await userEvent.type(pixel, '50{Enter}');
    expect(store.getState().show.feeds[0]!.pieces[0]!.to).toMatchObject({ pixel: 50 });
  });
  it('are brought to a prop from a supply of its volts, and from no other', async () => {
    const { store } = panel(fed({ feeds: [] }));
    await userEvent.click(await screen.findByRole('button', { name: 'Bring a lead to it' }));
    expect(store.getState().show.feeds).toMatchObject([
      { name: 'Lead 1', from: { supplyId: 's' }, pieces: [{ to: { propId: 'rail', run: 1, pixel: 1 } }] },
    ]);
  });
  it('are not brought from a supply of other volts', async () => {
    panel(fed({ feeds: [], supplies: [aSupply({ volts: 24 })] }));
    expect(await screen.findByText(/None of the supplies gives 12 V\. A supply/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Bring a lead to it' })).toBeNull();
  });
  it('are proposed and added in one step', async () => {
    const show = fed({ props: [aLine('rail', 400)] });
    const { store } = panel(show);
    await userEvent.click(await screen.findByRole('button', { name: 'Propose leads' }));
    await userEvent.click(await screen.findByRole('button', { name: /^Add \d lead/ }));
    const { feeds } = store.getState().show;
    expect(feeds.length).toBeGreaterThan(1);
    expect(new Set(feeds.map((feed) => feed.name)).size).toBe(feeds.length);
    await waitFor(() => expect(screen.getAllByRole('region', { name: /^Lead/ })).toHaveLength(feeds.length));
  });
});

it('a supply says what hangs on it, and never only that it is too small', async () => {
  openSheet(fed({ supplies: [aSupply({ ratedAmps: { value: 5, basis: 'typed' } })] }), (plan) => (
    <SuppliesSheet plan={plan} />
  ));
  expect(
    await screen.findByText(/One of 8.3 A carries it; this one carries it up to 72 %/),
  ).toBeInTheDocument();
});

it('the schedule lists every lead with its fuse, and what would fit', async () => {
  openSheet(fed(), (plan) => <ScheduleSheet plan={plan} />);
  const row = (await screen.findByTestId('schedule')).querySelectorAll('tbody tr')[0]!;
  expect(row).toHaveTextContent(/rail run 1, pixel.1/);
  expect(row).toHaveTextContent('10 A');
  expect(row).toHaveTextContent('2 m');
  fireEvent.click(screen.getByRole('button', { name: /Copy/ }));
});

const typeInto = async (field: HTMLElement, text: string) => {
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
};

describe('readings', () => {
  it('say that all is as planned, or what is other, and the figure is taken over', async () => {
    const { store } = openSheet(fed(), (plan) => <ReadingsSheet plan={plan} prop={0} />);
    const last = await screen.findByLabelText('Volts read: rail, pixel 100, its last');
    const cells = last.closest('tr')!.querySelectorAll('td');
    const expected = Number(/[\d.]+/.exec(cells[1]!.textContent)![0]);
    await typeInto(last, `${expected.toFixed(2)} V`);
    expect(await screen.findByText('1 reading, as planned')).toBeInTheDocument();
    await typeInto(last, (expected - 1).toFixed(2));
    expect(await screen.findByText('0 of 1 reading as planned')).toBeInTheDocument();
    expect(screen.getByText(/^−1\.0\d V$/)).toBeInTheDocument();
    const use = await screen.findAllByRole('button', { name: 'Use it in the plan' });
    await userEvent.click(use[0]!);
    expect(await screen.findByText('1 reading, as planned')).toBeInTheDocument();
    // The reading stays when the figure is taken back.
    act(() => void store.getState().undo());
    expect(await screen.findByText('0 of 1 reading as planned')).toBeInTheDocument();
    // Emptied, it is no reading.
    await userEvent.clear(screen.getByLabelText('Volts read: rail, pixel 100, its last'));
    await userEvent.tab();
    await waitFor(() => expect(screen.queryByText(/reading/)).toBeNull());
  });
  it('refuse what is no reading, and change nothing', async () => {
    const { store } = openSheet(fed(), (plan) => <ReadingsSheet plan={plan} prop={0} />);
    await typeInto(await screen.findByLabelText('Volts read: rail, pixel 100, its last'), '1000 V');
    expect(screen.getByText(/A voltage from 0 to 60 V is needed; “1000 V” is not/)).toBeInTheDocument();
    expect(store.getState().facts.all).toEqual([]);
  });
});

it('says how bright each supply can have it, and what is typed into a limiter', async () => {
  const show = fed({
    power: { levelPercent: 30, whiteBy: 'all' },
    supplies: [aSupply({ ratedAmps: { value: 3, basis: 'typed' } })],
    controllers: [aController()],
    patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
  });
  openSheet(show, (plan) => <BrightnessSheet plan={plan} />);
  const [, row] = (await screen.findByTestId('limiters')).querySelectorAll('tr');
  // 100 pixels of 55 mA, of which 1 is never dimmed: (2.4 - 0.1) / 5.4 for hours.
  expect(row).toHaveTextContent(/42 %/);
  expect(row).toHaveTextContent('55');
  expect(
    screen.getByText(/Planned for 30 %.*lifts that to full white, .*Supply 1 sags or shuts down/),
  ).toBeInTheDocument();
});

it('tells of each data wire whether it is driven, and what is built into it', async () => {
  const show = fed({
    controllers: [aController({ data: { driver: 'pin' } })],
    patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
  });
  const { store } = openSheet(show, (plan) => <DataWiresSheet plan={plan} />);
  const table = await screen.findByTestId('data-wires');
  expect(table).toHaveTextContent('0.27 V too low');
  await userEvent.click(within(table).getByText('A1'));
  const wire = within(screen.getByRole('region', { name: 'Data wire to rail' }));
  expect(wire.getByText(/passes surely up to a supply of 4\.71 V/)).toBeInTheDocument();
  await typeInto(wire.getByLabelText('Length, one way'), '2.5');
  await typeInto(wire.getByLabelText('Resistor'), '330 Ω');
  expect(store.getState().show.patch[0]!.dataLead).toEqual({ lengthMm: 2500, seriesOhm: 330 });
  await waitFor(() => expect(screen.getByTestId('data-wires')).toHaveTextContent('too far'));
  await userEvent.clear(wire.getByLabelText('Resistor'));
  await userEvent.tab();
  expect(store.getState().show.patch[0]!.dataLead).toEqual({ lengthMm: 2500 });
});

describe('boards', () => {
  const withBoard = () => fed({ controllers: [aController()] });
  it('are fed from a supply, and say what their limiter keeps', async () => {
    const { store } = openSheet(withBoard(), (plan) => <SuppliesSheet plan={plan} />);
    const board = within(screen.getByRole('region', { name: 'Box A' }));
    await userEvent.click(board.getByRole('button', { name: 'Feed it from Supply 1' }));
    expect(store.getState().show.feeds.at(-1)).toMatchObject({
      pieces: [{ to: { kind: 'controller', controllerId: 'a' } }],
    });
    await userEvent.click(board.getByRole('button', { name: 'What it takes and passes on' }));
    await typeInto(board.getByLabelText('Its own limiter, all pixels'), '900 mA');
    await typeInto(board.getByLabelText('It takes from'), '9');
    expect(store.getState().show.controllers[0]!.power).toMatchObject({
      limiterAmps: { value: 0.9, basis: 'typed' },
      volts: { least: 9, most: 9 },
    });
    await typeInto(board.getByLabelText('up to'), '24');
    expect(store.getState().show.controllers[0]!.power!.volts).toEqual({ least: 9, most: 24 });
  });
  it('pass power on: a lead comes from a port, is tapped further on, or joins grounds alone', async () => {
    const { store } = openSheet(withBoard(), (plan) => <PowerPanel plan={plan} selection={{ prop: 0 }} />);
    const lead = within(await screen.findByRole('region', { name: /^Lead/ }));
    await userEvent.click(lead.getByRole('button', { name: 'Change it' }));
    await userEvent.click(lead.getByRole('button', { name: 'Tap it here and go on' }));
    expect(store.getState().show.feeds[0]!.pieces.map(({ to }) => 'pixel' in to && to.pixel)).toEqual([
      1, 100,
    ]);
    await userEvent.click(lead.getByLabelText(/Joins grounds alone/));
    expect(store.getState().show.feeds[0]).toMatchObject({ groundOnly: true });
    expect(store.getState().show.feeds[0]).not.toHaveProperty('fuseAmps');
  });
});

it('plus is cut into zones and joined again', async () => {
  const { store } = openSheet(fed(), (plan) => <PowerPanel plan={plan} selection={{ prop: 0 }} />);
  await userEvent.click(await screen.findByRole('button', { name: 'Cut plus…' }));
  await userEvent.click(await screen.findByRole('button', { name: 'Cut plus here' }));
  expect(store.getState().show.cuts).toMatchObject([{ propId: 'rail', run: 1, afterPixel: 50 }]);
  expect(await screen.findByText('Fed by nothing')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Join plus again after pixel 50 of run 1' }));
  expect(store.getState().show.cuts).toEqual([]);
});
