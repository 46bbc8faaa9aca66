import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { HistorySheet } from './HistorySheet';
import { TimelineSheet } from './TimelineSheet';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
  useRouter: () => ({ push: jest.fn() }),
}));
beforeEach(() => {
  window.history.replaceState(null, '', '/shows/quay/log');
  window.localStorage.clear();
});

const show = onPorts(
  aShow({ props: [aLine('rail', 30, { name: 'Pier railing' })], controllers: [aController()] }),
  ['rail', 1, 1],
);

it('keeps a note with its reason and who wrote it, and finds it by its words', async () => {
  const { store } = openSheet(show, (plan) => <TimelineSheet plan={plan} selection={{ prop: 0 }} />);
  expect(screen.getByRole('button', { name: 'Write it down' })).toBeDisabled();
  await userEvent.type(screen.getByLabelText('What was decided, or is worth knowing'), 'Fed at both ends');
  await userEvent.type(screen.getByLabelText('Why'), 'it yellowed');
  await userEvent.type(screen.getByLabelText('By whom'), 'Ada');
  await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
  const list = within(screen.getByRole('region', { name: 'What was noted' }));
  expect(await list.findByText('Pier railing')).toBeInTheDocument();
  expect(list.getByText('it yellowed')).toBeInTheDocument();
  expect(store.getState().facts.all).toEqual([
    expect.objectContaining({
      kind: 'decision',
      list: 'props',
      recordId: 'rail',
      by: 'Ada',
      value: { words: 'Fed at both ends', reason: 'it yellowed' },
    }),
  ]);
  await userEvent.type(screen.getByLabelText('Find in the log'), 'nothing of the sort');
  expect(list.getByText('Nothing that was noted fits.')).toBeInTheDocument();
  await userEvent.clear(screen.getByLabelText('Find in the log'));
  await userEvent.click(list.getByRole('button', { name: 'Take back' }));
  await waitFor(() => expect(store.getState().facts.all).toEqual([]));
});

it('uses a cable that was measured, and says so', async () => {
  const { store } = openSheet(show, (plan) => <TimelineSheet plan={plan} selection={{ prop: 0 }} />);
  await userEvent.click(screen.getByLabelText('Measurement', { selector: 'input[type=radio]' }));
  await userEvent.click(screen.getByLabelText('What it is of the plan'));
  await userEvent.click(await screen.findByRole('option', { name: 'Data cable to run 1 from A1' }));
  await userEvent.type(screen.getByLabelText('Value and unit'), '7.4 m');
  await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
  await userEvent.click(await screen.findByRole('button', { name: 'Use it' }));
  expect(store.getState().show.patch[0]!.dataLead).toEqual({ lengthMm: 7400 });
  expect(screen.getByText('in use: typed in')).toBeInTheDocument();
});

it('lists the history with the names of states, and says where it cannot be fetched', async () => {
  const changes = [
    {
      sequence: 1,
      id: 'a',
      kind: 'edit',
      label: 'Add Pier railing',
      window: null,
      madeAt: '2026-11-27T18:00:00Z',
    },
    { sequence: 2, id: 'b', kind: 'undo', label: 'Add Gate', window: null, madeAt: '2026-11-27T18:01:00Z' },
  ];
  global.fetch = jest.fn(async () => ({ ok: true, json: async () => ({ changes }) })) as never;
  const { store } = openSheet(show, () => <HistorySheet />);
  // States of changes that the show does not have would be another show's.
  for (const name of ['One', 'Two']) act(() => store.getState().edit({ type: 'renameShow', name }));
  await waitFor(() => expect(store.getState().sequence).toBe(2));
  const list = within(await screen.findByRole('list', { name: 'Changes, the latest first' }));
  expect(list.getAllByRole('listitem').map((item) => item.textContent)).toEqual([
    expect.stringContaining('Undone: Add Gate'),
    expect.stringContaining('Add Pier railing'),
  ]);
  await userEvent.click(list.getAllByRole('button', { name: 'Name' })[1]!);
  await userEvent.type(await screen.findByLabelText('Its name'), 'as hung{Enter}');
  expect(
    await within(screen.getByRole('list', { name: 'States with a name' })).findByText('as hung'),
  ).toBeInTheDocument();
  expect(store.getState().facts.all[0]).toMatchObject({
    kind: 'decision',
    field: 'revision.1',
    value: { name: 'as hung' },
  });
});

it('says that the history could not be fetched', async () => {
  global.fetch = jest.fn(async () => Promise.reject(new Error('no network'))) as never;
  openSheet(show, () => <HistorySheet />);
  // A message of an earlier test may still be on the screen.
  expect(await screen.findByText(/^The history could not be fetched/)).toHaveAttribute('role', 'alert');
});
