import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../../tests/unit/openSheet';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../../tests/unit/shows';
import { proposePatch } from '@/core/answers/ports/proposePatch';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import type { Proposer } from '@/workers/proposer';
import { ProposeSheet } from './ProposeSheet';

/** In place of the thread: proposes when the test lets it. */
let held: (() => void)[] = [];
let atOnce = true;
jest.mock('@/workers/proposer', () => ({
  startProposer: (): Proposer => ({
    propose: (show, wish) =>
      new Promise((resolve) => {
        const answer = () => resolve(proposePatch(planShow(show), wish));
        if (atOnce) answer();
        else held.push(answer);
      }),
    stop: () => {},
  }),
}));

beforeEach(() => {
  held = [];
  atOnce = true;
});

const show: Show = aShow({
  props: [aLine('rail', 300), aLine('mast', 200), aGrid('net', 20, 60)],
  controllers: [aController()],
});
const open = (of: Show = show) => openSheet(of, (plan) => <ProposeSheet plan={plan} />);
const propose = () => userEvent.click(screen.getByRole('button', { name: 'Propose ports' }));

it('proposes ports, and changes nothing before that is taken', async () => {
  const { store } = open();
  expect(screen.getByText('3 runs on no port.')).toBeInTheDocument();
  await propose();
  const table = within(await screen.findByTestId('proposed'));
  // Fewest ports: 300 and 200 pixels share one of 800.
  expect(table.getByRole('row', { name: /rail.*A1/ })).toBeInTheDocument();
  expect(table.getByRole('row', { name: /mast.*A1/ })).toBeInTheDocument();
  expect(store.getState().show.patch).toEqual([]);
  await userEvent.click(screen.getByRole('button', { name: 'Put them there' }));
  expect(store.getState().show.patch.map(({ propId, port }) => `${propId} ${port}`)).toEqual([
    'rail 1',
    'mast 1',
  ]);
  // One change, one undo.
  await waitFor(() => expect(store.getState().sequence).toBe(1));
});

it('says how to split what no port takes, and does it', async () => {
  const { store } = open();
  await propose();
  expect(await screen.findByText(/net has 1200 pixels, and no port takes more than 800/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Split it into 2' }));
  expect(store.getState().show.props[2]!.threading.runs).toBe(2);
  // The proposal was for the show before, and is gone.
  expect(screen.queryByTestId('proposal')).not.toBeInTheDocument();
  await propose();
  expect(within(await screen.findByTestId('proposed')).getAllByRole('row')).toHaveLength(5);
});

it('goes by what counts', async () => {
  open();
  await userEvent.click(screen.getByText('Even load'));
  await propose();
  const table = within(await screen.findByTestId('proposed'));
  const ports = ['rail', 'mast'].map(
    (name) =>
      within(table.getByRole('row', { name: new RegExp(name) }))
        .getAllByRole('cell')
        .at(2)!.textContent,
  );
  expect(new Set(ports).size).toBe(2);
});

it('is stopped, and what comes later is not shown', async () => {
  atOnce = false;
  open();
  await propose();
  await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
  held.forEach((answer) => answer());
  await new Promise((resume) => setTimeout(resume, 5));
  expect(screen.queryByTestId('proposal')).not.toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Propose ports' })).toBeEnabled();
});

it('has nothing to do where every run is on a port, but lays them anew if asked', async () => {
  const { store } = open(onPorts({ ...show, props: show.props.slice(0, 2) }, ['rail', 1, 3], ['mast', 1, 4]));
  expect(screen.getByText(/Every run is on a port/)).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Propose ports' })).toBeDisabled();
  await userEvent.click(screen.getByRole('switch', { name: /Also move/ }));
  await propose();
  await userEvent.click(await screen.findByRole('button', { name: 'Put them there' }));
  expect(new Set(store.getState().show.patch.map(({ port }) => port)).size).toBe(1);
});

it('asks for pictures a second that every port can show', async () => {
  const { store } = open();
  const field = screen.getByLabelText('Pictures a second');
  await userEvent.clear(field);
  await userEvent.type(field, '60{Enter}');
  expect(store.getState().show.addressing.wantedRateHz).toBe(60);
  await propose();
  // 30 µs a pixel and a pause: 60 a second leave room for some 550.
  expect(await screen.findByText(/no port takes more than \d+ at this rate/)).toBeInTheDocument();
});
