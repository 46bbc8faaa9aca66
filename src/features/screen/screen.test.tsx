import { screen as page, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aShow } from '../../../tests/unit/shows';
import { screen } from '@/core/props/screen';
import type { Prop, PropOf } from '@/core/props/registry';
import { CutsSheet } from './CutsSheet';
import { LagSheet } from './LagSheet';
import { NumbersSheet } from './NumbersSheet';
import { ScreenShapeEditor } from './ScreenShapeEditor';
import { SourceSheet } from './SourceSheet';
import { ZonesSheet } from './ZonesSheet';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

const club = {
  id: 'club',
  name: 'Club screen',
  placeId: 'site',
  pixelTypeId: 'rgb',
  kind: 'screen',
  shape: {
    ...screen.starter().shape,
    standGap: { lengthMm: 180, offsetMm: 0 },
    start: 'bottomMiddle',
  },
  threading: { runs: 1 },
} as Prop as PropOf<'screen'>;
const show = aShow({ props: [club] });
const prop = (plan: { show: { props: readonly Prop[] } }) => plan.show.props[0] as PropOf<'screen'>;

it('sets what is measured, and refuses what cannot be', async () => {
  const { store } = openSheet(show, (plan) => <ScreenShapeEditor propId="club" shape={prop(plan).shape} />);
  const shape = () => prop(store.getState()).shape;
  const fill = async (label: string, text: string) => {
    const field = page.getByLabelText(label);
    await userEvent.clear(field);
    await userEvent.type(field, `${text}{Enter}`);
  };
  await fill('Diagonal', '65 in');
  expect(shape().size).toMatchObject({ by: 'diagonal', diagonalMm: 1651 });
  await fill('Gap', '2 m');
  expect(shape().standGap).toMatchObject({ lengthMm: 180 });
  await userEvent.click(page.getByRole('switch', { name: 'A stand parts the bottom' }));
  expect(shape().standGap).toBeUndefined();
  await userEvent.click(page.getByText('Counter-clockwise'));
  expect(shape().direction).toBe('counterclockwise');
  await userEvent.click(page.getByRole('button', { name: 'Counts that were installed' }));
  await fill('top, planned 83', '82');
  expect(shape().installed).toEqual({ top: 82 });
  await fill('top, planned 83', '83');
  expect(shape().installed).toBeUndefined();
});

it('lists what is cut, and what should agree', () => {
  openSheet(show, (plan) => <CutsSheet plan={plan} index={0} prop={prop(plan)} />);
  const rows = within(page.getByTestId('cuts')).getAllByRole('row').slice(1);
  expect(
    rows.map((row) =>
      within(row)
        .getAllByRole('cell')
        .map((cell) => cell.textContent),
    ),
  ).toEqual([
    // From the stand clockwise: the left of it comes first.
    expect.arrayContaining(['bottom, left of the stand', '21']),
    expect.arrayContaining(['29']),
    expect.arrayContaining(['54']),
    expect.arrayContaining(['29']),
    expect.arrayContaining(['bottom, right of the stand', '21']),
  ]);
  expect(page.getByRole('list', { name: 'What should agree' })).toHaveTextContent('✓ left 29 = right 29');
});

it('gives the numbers that any program counts by', async () => {
  openSheet(show, (plan) => <NumbersSheet prop={prop(plan)} />);
  const value = (name: RegExp) =>
    within(within(page.getByTestId('numbers')).getByRole('row', { name })).getAllByRole('cell')[1]!
      .textContent;
  // Clockwise from the top left: 54 + 29 + 21 lights come before the one behind the stand.
  expect(value(/First light of the data/)).toBe('104');
  expect(value(/Data against the count/)).toBe('no');
  await userEvent.click(page.getByRole('combobox', { name: 'It counts' }));
  await userEvent.click(await page.findByRole('option', { name: 'counter-clockwise' }));
  expect(value(/First light of the data/)).toBe('49');
  expect(value(/Data against the count/)).toBe('yes');
});

it('shows the zone that is pointed at', async () => {
  openSheet(show, (plan) => <ZonesSheet prop={prop(plan)} />);
  const zones = page.getByRole('img', { name: /154 zones over the picture/ });
  await userEvent.hover(zones.querySelectorAll('rect')[1]!);
  // Half way to the light on the other side of the stand, and half way to its neighbour.
  expect(page.getByText(/^Index 0: x 0.387 to 0.500, y 0.920 to 1.000/)).toBeInTheDocument();
});

it('says what holds the lights up, and what lifts it', async () => {
  openSheet(show, (plan) => <LagSheet plan={plan} prop={prop(plan)} />);
  expect(page.getByText('49.2')).toBeInTheDocument();
  expect(page.getByText('Set the line to 460,800 baud, at both ends.')).toBeInTheDocument();
  await userEvent.click(page.getByRole('switch', { name: /receives while it lights/ }));
  expect(page.getByText('39.6')).toBeInTheDocument();
});

it('lists the cables by what is there', async () => {
  openSheet(show, (plan) => <SourceSheet prop={prop(plan)} />);
  const cables = () =>
    within(page.getByRole('list', { name: 'Cable by cable' }))
      .getAllByRole('listitem')
      .map((item) => item.textContent);
  expect(cables()).toContain('switch, out → splitter, in');
  await userEvent.click(page.getByRole('switch', { name: 'The capture device passes the picture on' }));
  expect(cables()).toContain('capture, out → screen');
  expect(cables().join()).not.toContain('splitter');
});
