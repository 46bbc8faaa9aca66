import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { rigFaults } from '@/core/rig/rigFacts';
import { BenchSheet } from './BenchSheet';
import { ProvePanel } from './ProvePanel';
import { setTest, startPattern, stepBy, useTest } from './useTest';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));
beforeEach(() => setTest({ pattern: 'off', isRunning: false, isOwnTest: false, step: null, percent: 30 }));

const show = aShow({
  props: [aLine('rail', 30)],
  controllers: [aController()],
  patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
});
const both = () =>
  openSheet(show, (plan) => (
    <>
      <BenchSheet plan={plan} prop={0} />
      <ProvePanel plan={plan} selection={{ prop: 0 }} />
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
  expect(rigFaults(store.getState().facts)).toEqual([{ kind: 'noPower', controllerId: 'a' }]);
  expect(await screen.findByText('What lights is not what is planned.')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: /^Mend it: Box A has no power/ }));
  expect(await screen.findByText('What lights is what is planned.')).toBeInTheDocument();
  expect(rigFaults(store.getState().facts)).toEqual([]);
});

it('starts dark and low, is driven by keys, and stops by Escape', async () => {
  both();
  expect(useTest.getState()).toMatchObject({ pattern: 'off', percent: 30 });
  await userEvent.keyboard('g');
  expect(useTest.getState()).toMatchObject({ pattern: 'green', isRunning: true });
  await userEvent.keyboard('[Space][Space]');
  expect(useTest.getState()).toMatchObject({ pattern: 'walk', step: 2 });
  expect(await screen.findByText('pixel 3')).toBeInTheDocument();
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
        // What is no fault is left out.
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
  openSheet(aShow({ props: [aLine('rail', 30)] }), (plan) => <BenchSheet plan={plan} prop={0} />);
  await userEvent.keyboard('r');
  expect(await screen.findByText(/^By the plan nothing of this lights now/)).toBeInTheDocument();
});
