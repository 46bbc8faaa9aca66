import { MantineProvider } from '@mantine/core';
import { ModalsProvider } from '@mantine/modals';
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { aShow } from '../../../tests/unit/shows';
import { writeShowText } from '@/core/show/read';
import { HomePage } from './HomePage';

const router = { push: jest.fn(), refresh: jest.fn() };
jest.mock('next/navigation', () => ({ useRouter: () => router }));

const summary = { id: 'quay', name: 'Quay night', sequence: 4, changedAt: '2026-11-24T18:30:00.000Z' };
const server = jest.fn();

beforeEach(() => {
  jest.clearAllMocks();
  server.mockResolvedValue({ ok: true, json: () => Promise.resolve({ id: 'new-show' }) });
  globalThis.fetch = server;
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
  expect(address).toBe('/api/shows');
  expect(JSON.parse(request.body)).toMatchObject({ name: 'Harbour lights', props: [], version: 1 });
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

it('sends a sound file as it stands', async () => {
  open();
  const text = writeShowText(aShow({ name: 'From afar' }));
  await userEvent.upload(fileField(), jsonFile(text));
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/shows/new-show/build'));
  expect(server.mock.calls[0]![1].body).toBe(text);
});

it('checks a file before it is sent, and names each fault', async () => {
  open();
  const broken = {
    ...aShow(),
    places: [
      { id: 'a', name: 'A' },
      { id: 'a', name: 'a' },
    ],
    name: '',
  };
  await userEvent.upload(fileField(), jsonFile(JSON.stringify({ ...broken, name: 'Night' })));
  const alert = within(await screen.findByRole('alert'));
  expect(alert.getByText('night.json was not imported; nothing is changed.')).toBeInTheDocument();
  expect(alert.getAllByRole('listitem').map((item) => item.textContent)).toEqual([
    'The id “a” is used twice, by places[0] and places[1]; each id is used once.',
    'The name “a” is used twice, by places[0] and places[1]; each name is used once.',
  ]);
  expect(server).not.toHaveBeenCalled();
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
