import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aFeed, aSupply, toPixel } from '../../../tests/unit/power';
import { aLine, aShow } from '../../../tests/unit/shows';
import { electricOf } from '@/core/catalogue/electric';
import type { Show } from '@/core/show/schema';
import { DrawSheet } from './DrawSheet';
import { FeedPanel } from './FeedPanel';
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
    await userEvent.click(card.getByRole('button', { name: 'I have measured a piece…' }));
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
      store.getState().edit({ type: 'changePixelType', pixelTypeId: 'rgb', change: fields });
    change({ electric: { draw: { R: { value: 9, basis: 'typed' } } } });
    expect(typeOf(store.getState().show).draw.R!.value).toBe(9);
    change({ volts: 5 });
    expect(typeOf(store.getState().show).draw.R!.basis).toBe('default');
  });
});

describe('leads', () => {
  const panel = (show: Show) => openSheet(show, (plan) => <FeedPanel plan={plan} selection={{ prop: 0 }} />);
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
