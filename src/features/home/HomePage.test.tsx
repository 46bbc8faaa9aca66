import { MantineProvider } from '@mantine/core';
import { ModalsProvider } from '@mantine/modals';
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { aShow } from '../../../tests/unit/shows';
import { writeShowText } from '@/core/show/read';
import { SHOW_VERSION } from '@/core/show/schema';
import { HomePage } from './HomePage';

const router = { push: jest.fn(), refresh: jest.fn() };
const checkShowFile = jest.fn();
jest.mock('@/workers/files/checkShowFile', () => ({
  checkShowFile: (...given: unknown[]) => checkShowFile(...given),
}));
jest.mock('next/navigation', () => ({ useRouter: () => router }));

const summary = { id: 'quay', name: 'Quay night', sequence: 4, changedAt: '2026-11-24T18:30:00.000Z' };
const server = jest.fn();
const GLANCE = {
  words: '2 props · 150 pixels',
  next: 'Next: put 1 run on ports.',
  pictures: [[50, 50]],
  standing: [
    { stage: 'build', label: 'Build', state: 'done', words: '2 props' },
    { stage: 'patch', label: 'Patch', state: 'again', words: '3 values to type again' },
  ],
};

beforeEach(() => {
  jest.clearAllMocks();
  checkShowFile.mockResolvedValue(null);
  server.mockResolvedValue({ ok: true, json: () => Promise.resolve({ id: 'new-show' }) });
  // The picture on a show's card loads by itself and is no part of what is pressed.
  globalThis.fetch = ((address: string, request?: RequestInit) =>
    address.endsWith('/glance')
      ? Promise.resolve({ ok: true, json: () => Promise.resolve(GLANCE) })
      : server(address, request)) as typeof fetch;
});

function open(shows = [summary]) {
  render(
    <MantineProvider env="test">
      <ModalsProvider>
        <HomePage shows={shows} />
      </ModalsProvider>
    </MantineProvider>,
  );
}
const fileField = () => document.querySelector<HTMLInputElement>('input[type=file]')!;
const jsonFile = (text: string) => new File([text], 'night.json', { type: 'application/json' });

it('lists the shows, and leads to them', () => {
  open();
  const list = within(screen.getByRole('list', { name: 'Shows' }));
  expect(list.getByRole('link', { name: 'Quay night' })).toHaveAttribute('href', '/shows/quay/build');
  expect(list.getByText('rev 4 · 2026-11-24 18:30 UTC')).toBeInTheDocument();
});

it('says where a show stands', async () => {
  open();
  expect(await screen.findByText('Next: put 1 run on ports.')).toBeInTheDocument();
  expect(screen.getByText(': to be done again, 3 values to type again.')).toBeInTheDocument();
});

it('begins with an answer: a show whose first prop can be undone', async () => {
  server.mockImplementation((address: string) =>
    Promise.resolve({
      ok: true,
      clone: () => ({}),
      json: () =>
        Promise.resolve(
          address.endsWith('/edits')
            ? { sequence: 1, steps: { undo: [], redo: [] }, changes: [] }
            : { id: 'new-show' },
        ),
    }),
  );
  open([]);
  await userEvent.click(screen.getByRole('button', { name: /^A window or a door/ }));
  await waitFor(() =>
    expect(router.push).toHaveBeenCalledWith(
      expect.stringMatching(/^.shows.new-show.build.prop.window-frame/),
    ),
  );
  const [made, begun] = server.mock.calls;
  expect(JSON.parse(made![1].body)).toMatchObject({ name: 'A window or a door', props: [] });
  expect(begun![0]).toBe('/api/shows/new-show/edits');
  expect(JSON.parse(begun![1].body)).toMatchObject({
    baseSequence: 0,
    edit: { type: 'batch', label: 'Begin with a window or a door' },
  });
});

it('says nothing of shows while there is none', () => {
  open([]);
  expect(screen.queryByRole('list', { name: 'Shows' })).toBeNull();
  expect(screen.getByRole('button', { name: 'Start the show' })).toBeDisabled();
});

it('starts a show by its name', async () => {
  open();
  await userEvent.type(screen.getByLabelText('Name of the new show'), ' Harbour lights {Enter}');
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/shows/new-show/build'));
  const [address, request] = server.mock.calls[0]!;
  expect(address).toMatch(/^\/api\/shows\?job=import-/);
  expect(JSON.parse(request.body)).toMatchObject({
    name: 'Harbour lights',
    props: [],
    version: SHOW_VERSION,
  });
});

it('says what the server says against it', async () => {
  server.mockResolvedValue({
    ok: false,
    status: 500,
    json: () => Promise.resolve({ error: 'The server could not do this: disk full', problems: [] }),
  });
  open();
  await userEvent.type(screen.getByLabelText('Name of the new show'), 'Harbour lights{Enter}');
  expect(await screen.findByText('The server could not do this: disk full')).toBeInTheDocument();
  expect(router.push).not.toHaveBeenCalled();
});

it('sends a file as it stands, once it is found sound', async () => {
  open();
  const file = jsonFile(writeShowText(aShow({ name: 'From afar' })));
  await userEvent.upload(fileField(), file);
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/shows/new-show/build'));
  expect(server.mock.calls[0]![1].body).toBe(file);
});

it.each(['here', 'by the server'])('names each fault that is found in a file %s', async (where) => {
  const problems = ['The id “a” is used twice.', 'The name “a” is used twice.'].map((message, i) => ({
    path: `places[${i}]`,
    message,
  }));
  if (where === 'here') checkShowFile.mockResolvedValue(problems);
  server.mockResolvedValue({
    ok: false,
    status: 422,
    json: () => Promise.resolve({ error: 'Two faults.', problems }),
  });
  open();
  await userEvent.upload(fileField(), jsonFile('{}'));
  const alert = within(await screen.findByRole('alert'));
  expect(alert.getByText('night.json was not imported; nothing is changed.')).toBeInTheDocument();
  expect(alert.getAllByRole('listitem').map((item) => item.textContent)).toEqual(
    problems.map((problem) => problem.message),
  );
  expect(server).toHaveBeenCalledTimes(where === 'here' ? 0 : 1);
});

it('says how large a file may be, without reading it', async () => {
  open();
  const huge = jsonFile('');
  Object.defineProperty(huge, 'size', { value: 260 * 1024 * 1024 });
  await userEvent.upload(fileField(), huge);
  expect(
    await screen.findByText('night.json has 260 MB; a show file has at most 192 MB.'),
  ).toBeInTheDocument();
  expect(checkShowFile).not.toHaveBeenCalled();
});

it('stops when it is told to, and says nothing more of it', async () => {
  server.mockImplementation(
    (_address: string, { signal }: { signal: AbortSignal }) =>
      new Promise((_, refuse) => signal.addEventListener('abort', () => refuse(new Error('aborted')))),
  );
  open();
  await userEvent.upload(fileField(), jsonFile('{}'));
  await userEvent.click(await screen.findByText('Stop'));
  await waitFor(() => expect(screen.queryByText('Checking and sending…')).toBeNull());
  expect(screen.queryByRole('alert')).toBeNull();
  expect(router.push).not.toHaveBeenCalled();
});

it('asks before it removes what cannot be brought back', async () => {
  open();
  await userEvent.click(screen.getByRole('button', { name: 'More for Quay night' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Remove…' }));
  const dialog = within(await screen.findByRole('dialog'));
  expect(dialog.getByText(/this cannot be undone/)).toBeInTheDocument();
  expect(server).not.toHaveBeenCalled();
  await userEvent.click(dialog.getByRole('button', { name: 'Remove it for good' }));
  await waitFor(() => expect(router.refresh).toHaveBeenCalled());
  expect(server).toHaveBeenCalledWith('/api/shows/quay', { method: 'DELETE' });
});
