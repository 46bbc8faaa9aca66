import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { STAGES } from '@/core/stages/stages';
import { loadStage } from '../stages/useStageParts';
import { useDialog } from '../view/openDialog';
import { ShowFrame } from '../shell/ShowApp';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));
// The page of a test has no layout: everything counts as visible.
beforeAll(async () => {
  Element.prototype.getClientRects = () => [new DOMRect()] as unknown as DOMRectList;
  Element.prototype.scrollIntoView = () => {};
  await Promise.all(STAGES.map(loadStage));
});

afterEach(() => act(() => useDialog.getState().show(null)));

const show = onPorts(
  aShow({ props: [aLine('rail', 100), aLine('arch', 50)], controllers: [aController()] }),
  ['rail', 1, 1],
  ['arch', 1, 2],
);
function openAt(view: string) {
  window.history.replaceState(null, '', `/shows/quay/${view}`);
  return openShow(show, <ShowFrame />);
}
const numberOf = (name: string) =>
  within(screen.getByText(name, { selector: 'dt' }).nextElementSibling as HTMLElement).getByRole('button');
const card = () => screen.findByTestId('explanation');
const gone = () => waitFor(() => expect(screen.queryByTestId('explanation')).toBeNull());

it('explains a number that is tapped: formula, figures, inputs, and where they are set', async () => {
  openAt('patch/prop/arch');
  await userEvent.click(numberOf('Channels'));
  expect(await card()).toHaveTextContent('= pixels × channels a pixel= 50 px × 3 = 150 ch');
  expect(await card()).toHaveAttribute('role', 'dialog');
  // An input that was computed itself is asked in turn, and left again.
  await userEvent.click(within(await card()).getByRole('button', { name: 'pixels' }));
  expect(await card()).toHaveTextContent('Pixels50 px= the leg= 50 px = 50 px');
  await userEvent.click(within(await card()).getByRole('button', { name: /← channels/ }));
  await userEvent.click(within(await card()).getByRole('button', { name: 'channels a pixel' }));
  await userEvent.click(within(await card()).getByRole('button', { name: 'See it in Build →' }));
  await gone();
  expect(await screen.findByRole('dialog', { name: /Pixel types of this show/ })).toBeInTheDocument();
});

it('leads from an input to where it is', async () => {
  openAt('patch/prop/arch');
  await userEvent.click(numberOf('Starts at'));
  expect(await card()).toHaveTextContent('It comes after rail.');
  await userEvent.click(within(await card()).getByRole('button', { name: 'end of rail →' }));
  expect(window.location.pathname).toBe('/shows/quay/patch/prop/rail/run/1');
  await gone();
});

it('tells while it is pointed at, and is quiet about a pointer that passes', async () => {
  openAt('patch/prop/arch');
  const pixels = numberOf('Pixels');
  fireEvent.mouseEnter(pixels);
  fireEvent.mouseLeave(pixels);
  await new Promise((resume) => setTimeout(resume, 300));
  expect(screen.queryByTestId('explanation')).toBeNull();
  fireEvent.mouseEnter(pixels);
  expect(await card()).toHaveAttribute('role', 'tooltip');
  fireEvent.mouseLeave(pixels);
  await gone();
});

it('goes from number to number by key, and lets go with Escape', async () => {
  openAt('patch/prop/arch');
  const press = (key: string) => fireEvent.keyDown(document.body, { key, code: key });
  press('e');
  expect(await card()).toHaveAccessibleName('How pixels comes about');
  press('e');
  await waitFor(() =>
    expect(screen.getByTestId('explanation')).toHaveAccessibleName('How channels comes about'),
  );
  await userEvent.keyboard('{Escape}');
  await gone();
  expect(numberOf('Channels')).toHaveFocus();
});

it('follows the plan while it is open', async () => {
  const { store } = openAt('patch/prop/arch');
  await userEvent.click(numberOf('Pixels'));
  expect(await card()).toHaveTextContent('50 px');
  act(() =>
    store.getState().edit({
      type: 'setShape',
      propId: 'arch',
      shape: { legs: [{ lengthMm: 2500, headingDeg: 0, pixels: { by: 'count', count: 70 } }] },
    }),
  );
  await waitFor(() => expect(screen.getByTestId('explanation')).toHaveTextContent('70 px'));
});
