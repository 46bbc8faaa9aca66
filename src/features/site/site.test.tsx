import { act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import { itemsOf, sampleOf, turned } from './items';
import { SitePlan } from './SitePlan';

const show = onPorts(
  aShow({ props: [aLine('rail', 20), aGrid('net', 5, 5)], controllers: [aController()] }),
  ['rail', 1, 1],
);

async function choose(option: string) {
  await userEvent.click(screen.getByRole('combobox', { name: 'Prop or controller' }));
  await userEvent.click(screen.getByRole('option', { name: new RegExp(`^${option}`) }));
}

it('places a prop and its controller by keyboard, and knows the cable then', async () => {
  const { store } = openSheet(show, (plan) => <SitePlan plan={plan} />);
  const board = screen.getByTestId('site-plan');
  await choose('rail');
  expect(screen.getByText('Click where rail is.')).toBeInTheDocument();
  act(() => board.focus());
  await userEvent.keyboard('{Enter}{ArrowRight}{Shift>}{ArrowUp}{/Shift}[[');
  expect(store.getState().show.props[0]!.site).toEqual({ xMm: 15_100, yMm: 10_000, turnDeg: 15 });
  await choose('Box A');
  act(() => board.focus());
  await userEvent.keyboard('{Enter}');
  expect(store.getState().show.controllers[0]!.site).toEqual({ xMm: 15_000, yMm: 9000 });
  expect(screen.getByTestId('leads')).toHaveTextContent(/A1.*2\.5 m|A1.*2 m|A1.*3 m/);
  await userEvent.keyboard('{Delete}');
  expect(store.getState().show.controllers[0]!.site).toBeUndefined();
});

it('goes on from the last key while the plan is still being made', async () => {
  const { store } = openShow(show, <SitePlan plan={planShow(show)} />);
  await choose('rail');
  act(() => screen.getByTestId('site-plan').focus());
  await userEvent.keyboard('{Enter}{ArrowRight}{ArrowRight}]');
  expect(store.getState().show.props[0]!.site).toEqual({ xMm: 15_200, yMm: 9000, turnDeg: 345 });
});

it('keeps everything on the drawing', async () => {
  const { store } = openSheet(
    { ...show, props: [{ ...show.props[0]!, site: { xMm: 29_950, yMm: 50, turnDeg: 0 } }, show.props[1]!] },
    (plan) => <SitePlan plan={plan} />,
  );
  await choose('rail');
  act(() => screen.getByTestId('site-plan').focus());
  await userEvent.keyboard('{ArrowRight}{ArrowDown}');
  expect(store.getState().show.props[0]!.site).toMatchObject({ xMm: 30_000, yMm: 0 });
});

it('says how large the site is and how cables are cut', async () => {
  const { store } = openSheet(show, (plan) => <SitePlan plan={plan} />);
  await userEvent.click(screen.getByRole('button', { name: 'Size, photo and cables' }));
  const width = await screen.findByLabelText('Site, width');
  await userEvent.clear(width);
  await userEvent.type(width, '45{Enter}');
  const detour = screen.getByLabelText('Detours of cables');
  await userEvent.clear(detour);
  await userEvent.type(detour, '35{Enter}');
  expect(store.getState().show.site).toMatchObject({ widthMm: 45_000, detourPercent: 35 });
});

it('knows what is under a spot, also where a prop is turned', () => {
  const placed = {
    ...show,
    props: [{ ...show.props[0]!, site: { xMm: 1000, yMm: 1000, turnDeg: 90 } }, show.props[1]!],
  };
  const [rail] = itemsOf(planShow(placed), placed);
  // 950 mm long, now upright: above its middle, but not beside it.
  expect(rail!.reachMm(1000, 1400, 20)).toBe(true);
  expect(rail!.reachMm(1400, 1000, 20)).toBe(false);
  expect(turned({ xMm: 0, yMm: 0, turnDeg: 350 }, 15).turnDeg).toBe(5);
  const spots = sampleOf(planShow(placed), 0, placed.props[0]!.site!, 5);
  expect(spots).toHaveLength(5);
  for (const spot of spots) expect(spot.xMm).toBeCloseTo(1000, 1);
});
