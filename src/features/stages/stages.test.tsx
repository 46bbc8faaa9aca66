import { act, fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { ShowFrame } from '../shell/ShowApp';
import { viewOfAddress } from '../view/address';
import { STAGES, stageShowing, type Stage } from '@/core/stages/stages';
import { LOADERS } from './registry';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

/** A stage that nobody has: its descriptor, and how its parts are fetched. */
const load = jest.fn();
const hoist: Stage<string> = {
  id: 'hoist',
  label: 'Hoist',
  purpose: 'Pull it up',
  subjects: ['prop', 'controller'],
};
const stages = STAGES as Stage<string>[];
const loaders: Record<string, unknown> = LOADERS;
beforeAll(() => {
  stages.push(hoist);
  loaders.hoist = load;
});
afterAll(() => {
  stages.splice(stages.indexOf(hoist), 1);
  delete loaders.hoist;
});

const show = onPorts(aShow({ props: [aLine('rail', 30)], controllers: [aController()] }), ['rail', 1, 1]);

beforeEach(() => {
  load.mockResolvedValue({
    sheets: () => ({
      label: 'Views of the hoist',
      sheets: [
        { id: 'rope', label: 'Rope', content: () => <p>The rope</p> },
        { id: 'winch', label: 'Winch', content: () => <p>The winch</p> },
      ],
    }),
    Panel: () => <p>What the hoist is set to</p>,
  });
});

it('a new stage is one descriptor and one line: it has its tab, key, help, address, command, sheets and panel', async () => {
  window.history.replaceState(null, '', '/shows/quay/build');
  const { store } = openShow(show, <ShowFrame />);
  // A stage that nobody has gone to is not fetched.
  expect(load).not.toHaveBeenCalled();
  const key = String(stages.length);
  const tab = screen.getByRole('button', { name: `${key} Hoist` });
  fireEvent.keyDown(document.body, { key, code: `Digit${key}` });
  expect(window.location.pathname).toBe('/shows/quay/hoist');
  expect(screen.getByText('Opening Hoist…')).toBeInTheDocument();
  expect(await screen.findByText('The rope')).toBeInTheDocument();
  expect(screen.getByText('What the hoist is set to')).toBeInTheDocument();
  expect(tab).toHaveAttribute('aria-current', 'page');
  await userEvent.click(screen.getByRole('button', { name: 'Winch' }));
  expect(screen.getByText('The winch')).toBeInTheDocument();
  expect(viewOfAddress(window.location.pathname, window.location.search)).toMatchObject({
    stage: 'hoist',
    sheet: 'winch',
  });
  await userEvent.click(screen.getByRole('button', { name: 'Keys' }));
  const help = within(await screen.findByRole('dialog'));
  expect(help.getByText(stages.map((stage) => stage.label).join(', '))).toBeInTheDocument();
  await userEvent.click(help.getByRole('button', { name: 'Close' }));
  expect(load).toHaveBeenCalledTimes(1);
  // Findings that name it are counted on its tab.
  const finding = {
    check: 'rope',
    rank: 'worthKnowing' as const,
    stage: 'hoist',
    message: 'Thin.',
    mends: [],
  };
  act(() => store.setState({ findings: [finding as never] }));
  expect(await screen.findByText('Thin.')).toBeInTheDocument();
});

it('leads to a stage that can show what is looked for, the nearest before the one at hand', () => {
  const nearest = STAGES.findLast(({ subjects }) => subjects.includes('pixel'))!;
  expect(stageShowing('pixel', 'hoist').id).toBe(nearest.id);
  expect(stageShowing('pixel', 'patch').id).toBe('route');
  expect(stageShowing('pixel', 'build').id).toBe('build');
  expect(stageShowing('port', 'build').id).toBe('patch');
  expect(stageShowing('controller', 'hoist').id).toBe('hoist');
});

it('says so when a stage cannot be fetched, and tries again', async () => {
  load.mockRejectedValueOnce(new TypeError('Failed to fetch'));
  stages.push({ ...hoist, id: 'sail', label: 'Sail' });
  loaders.sail = load;
  window.history.replaceState(null, '', '/shows/quay/sail');
  openShow(show, <ShowFrame />);
  expect(await screen.findByText(/^Sail could not be fetched/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(await screen.findByText('The rope')).toBeInTheDocument();
  stages.pop();
  delete loaders.sail;
});
