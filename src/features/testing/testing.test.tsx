import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { rigSetup } from '@/core/rig/rigFacts';
import type { BenchRequest, BenchState } from '@/core/rig/benchState';
import { SendQuestion } from '../sending/SendQuestion';
import { LiveTestSheet } from '../liveTest/LiveTestSheet';
import { TestPanel } from './TestPanel';
import { SimulatorSheet } from '../liveTest/SimulatorSheet';
import { TrafficSheet } from '../liveTest/TrafficSheet';
import { useBench } from '../sending/bench';
import { setTest, startPattern, stepBy, useTest } from '../sending/useTest';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

const CLOSED: BenchState = { isOpen: false, takenBy: null, notes: [], sending: null, heard: [] };
/** Requests made to the bench, and its answer to the next. */
const requests: BenchRequest[] = [];
let answers: { status: number; body: object }[] = [];
beforeEach(() => {
  requests.length = 0;
  answers = [];
  useBench.setState({ state: null, asked: null, sentAs: null });
  setTest({
    pattern: 'off',
    on: null,
    isRunning: false,
    isOwnTest: false,
    step: null,
    percent: 30,
    goes: 'preview',
  });
  globalThis.fetch = jest.fn(async (_url: string, init?: RequestInit) => {
    if (init?.body) requests.push(JSON.parse(String(init.body)) as BenchRequest);
    const { status, body } = (init?.body && answers.shift()) || {
      status: 200,
      body: init ? { state: CLOSED } : CLOSED,
    };
    return { ok: status < 400, status, json: async () => body };
  }) as never;
});

const show = aShow({
  props: [aLine('rail', 30)],
  controllers: [aController()],
  patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
});
const both = () =>
  openSheet(show, (plan) => (
    <>
      <SendQuestion />
      <LiveTestSheet plan={plan} prop={0} />
      <TestPanel plan={plan} selection={{ prop: 0 }} />
    </>
  ));

it('says whether what lights is what is planned, with a fault and without it', async () => {
  const { store } = both();
  const tests = within(screen.getByRole('group', { name: 'What is shown' }));
  await userEvent.click(tests.getByRole('button', { name: 'Red' }));
  expect(await screen.findByText('What lights is what is planned.')).toBeInTheDocument();
  expect(screen.getByText(/Blind to swapped ports/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('combobox', { name: 'What is the matter' }));
  await userEvent.click(await screen.findByRole('option', { name: 'No power' }));
  await userEvent.click(await screen.findByRole('button', { name: /^Box A has no power/ }));
  expect(rigSetup(store.getState().facts).faults).toEqual([{ kind: 'noPower', controllerId: 'a' }]);
  expect(await screen.findByText('What lights is not what is planned.')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: /^Mend it: Box A has no power/ }));
  expect(await screen.findByText('What lights is what is planned.')).toBeInTheDocument();
  expect(rigSetup(store.getState().facts).faults).toEqual([]);
});

it('starts dark and low, is driven by keys, and stops by Escape', async () => {
  both();
  expect(useTest.getState()).toMatchObject({ pattern: 'off', percent: 30 });
  await userEvent.keyboard('g');
  expect(useTest.getState()).toMatchObject({ pattern: 'green', isRunning: true });
  await userEvent.keyboard('[Space][Space]');
  expect(useTest.getState()).toMatchObject({ pattern: 'walk', step: 1 });
  expect(await screen.findByText('pixel 2')).toBeInTheDocument();
  await userEvent.keyboard('{Escape}');
  expect(useTest.getState()).toMatchObject({ pattern: 'off', isRunning: false });
});

it('a walk is stepped from where it is, never before its first pixel', () => {
  act(() => startPattern('walk'));
  act(() => stepBy(-1));
  expect(useTest.getState().step).toBe(0);
});

it('tells the device’s own fill from what is sent', async () => {
  const { store } = both();
  act(() =>
    store.getState().note([
      {
        kind: 'test',
        list: 'show',
        recordId: store.getState().id,
        field: 'rig',
        // Anything that is no fault is left out.
        value: { faults: [{ kind: 'notReached', controllerId: 'a' }, { kind: 'gremlin' }] },
      },
    ]),
  );
  await userEvent.keyboard('r');
  expect(await screen.findByText('What lights is not what is planned.')).toBeInTheDocument();
  await userEvent.click(screen.getByText('The device’s own fill'));
  await waitFor(() => expect(screen.getByText('What lights is what is planned.')).toBeInTheDocument());
});

it('says nothing is as planned of what nothing drives', async () => {
  openSheet(aShow({ props: [aLine('rail', 30)] }), (plan) => <LiveTestSheet plan={plan} prop={0} />);
  await userEvent.keyboard('r');
  expect(await screen.findByText(/^By the plan nothing of this lights now/)).toBeInTheDocument();
});

it('sends what is chosen once it is to go out, and stops', async () => {
  both();
  await userEvent.keyboard('r');
  expect(requests).toEqual([]);
  await userEvent.click(screen.getByText('To the simulator'));
  await waitFor(() => expect(requests).toHaveLength(1));
  expect(requests[0]).toMatchObject({
    do: 'send',
    test: { pattern: 'red', on: { on: 'prop', propId: 'rail' }, level: 0.3 },
    wish: { to: 'rig', rateHz: 20, minutes: 10, isSynced: false },
  });
  await userEvent.keyboard('g');
  await waitFor(() => expect(requests).toHaveLength(2));
  expect(requests[1]).toMatchObject({ do: 'change', test: { pattern: 'green' } });
  await userEvent.keyboard('{Escape}');
  await waitFor(() => expect(requests.at(-1)).toEqual({ do: 'stop' }));
});

it('asks before anything goes beyond this machine, and sends nothing where that is left', async () => {
  const addresses = [{ address: '10.0.0.20', words: 'Box A: 1 universe by E1.31, 40 times a second' }];
  answers = [
    {
      status: 202,
      body: {
        error: 'These addresses are beyond this machine.',
        question: { about: 'addresses', addresses },
      },
    },
  ];
  both();
  await userEvent.keyboard('r');
  await userEvent.click(screen.getByText('To the devices'));
  const dialog = await screen.findByRole('dialog');
  expect(dialog).toHaveTextContent('10.0.0.20 Box A: 1 universe by E1.31');
  await userEvent.click(within(dialog).getByRole('button', { name: 'Leave it' }));
  await waitFor(() => expect(useTest.getState().goes).toBe('preview'));
  expect(requests.filter((each) => each.do === 'send')).toHaveLength(1);
});

it('sends with what was agreed to', async () => {
  answers = [
    {
      status: 202,
      body: {
        error: 'By the plan 40 % is safe.',
        question: { about: 'level', percent: 40, heldBackBy: 'a fuse' },
      },
    },
  ];
  both();
  act(() => setTest({ percent: 90 }));
  await userEvent.keyboard('w');
  await userEvent.click(screen.getByText('To the simulator'));
  await userEvent.click(await screen.findByRole('button', { name: 'Send it all the same' }));
  await waitFor(() => expect(requests).toHaveLength(2));
  expect(requests[1]).toMatchObject({ do: 'send', isBrightMeant: true });
});

it('keeps what a device of the rig holds, and shows what it does', async () => {
  const { store } = openSheet(show, (plan) => (
    <>
      <SimulatorSheet plan={plan} />
      <LiveTestSheet plan={plan} prop={0} />
      <TestPanel plan={plan} selection={{ prop: 0 }} />
    </>
  ));
  await userEvent.keyboard('r');
  expect(await screen.findByText('What lights is what is planned.')).toBeInTheDocument();
  const pixels = screen.getByRole('textbox', { name: 'A1 pixels' });
  await userEvent.type(pixels, '20{Enter}');
  expect(await screen.findByText('What lights is not what is planned.')).toBeInTheDocument();
  expect(screen.getByText('Box A, A1: pixels 20, planned 30.')).toBeInTheDocument();
  expect(rigSetup(store.getState().facts).devices).toEqual([
    { controllerId: 'a', ports: [{ port: 1, pixels: 20 }] },
  ]);
  await userEvent.clear(pixels);
  await userEvent.type(pixels, 'lots{Enter}');
  expect(screen.getByText(/“lots” is not a whole number from 0 to 100,000/)).toBeInTheDocument();
  await userEvent.click(screen.getAllByRole('button', { name: 'As planned' })[0]!);
  expect(await screen.findByText('What lights is what is planned.')).toBeInTheDocument();
  expect(rigSetup(store.getState().facts).devices).toEqual([]);
});

it('tells how long pictures take, and what is on the way', async () => {
  openSheet(show, (plan) => <TrafficSheet plan={plan} />);
  const row = within(await screen.findByTestId('traffic')).getByRole('row', { name: /Box A/ });
  // 30 pixels of 24 bits of 1.25 us, and a pause.
  expect(row).toHaveTextContent('1.2');
  expect(await screen.findByText(/Nothing is being sent/)).toBeInTheDocument();
});

it('sends less often to a device that is slower', async () => {
  both();
  await userEvent.keyboard('r');
  await userEvent.click(screen.getByText('To the simulator'));
  await waitFor(() => expect(requests).toHaveLength(1));
  await userEvent.click(screen.getByRole('button', { name: 'How it is sent' }));
  await userEvent.click(screen.getByRole('combobox', { name: 'A device that is slower' }));
  await userEvent.click(await screen.findByRole('option', { name: 'Box A' }));
  await waitFor(() => expect(requests).toHaveLength(2));
  expect(requests[1]).toMatchObject({ do: 'send', wish: { rates: [{ controllerId: 'a', rateHz: 10 }] } });
  await userEvent.click(screen.getByRole('button', { name: 'Box A as often as the others' }));
  await waitFor(() => expect(requests).toHaveLength(3));
  expect(requests[2]).toMatchObject({ wish: { rates: [] } });
});
