import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { DeviceCareFields } from '../patch/DeviceCareFields';
import { PrintSheet } from './PrintSheet';
import { PartsSheet } from './PartsSheet';
import { WiringSheet } from './WiringSheet';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));
beforeEach(() => window.history.replaceState(null, '', '/shows/quay/print'));

const show = onPorts(
  aShow({
    props: [
      aLine('rail', 130, {
        name: 'Pier railing',
        stock: { kind: 'strings', pixelsPerString: 50, pitchMm: 100, laid: 'runOn' },
      }),
      aGrid('net', 4, 5),
    ],
    controllers: [aController()],
  }),
  ['rail', 1, 1],
);

describe('sheets', () => {
  it('are listed by the work, and looked at with headings and tables', async () => {
    openSheet(show, (plan) => <PrintSheet plan={plan} selection={{ prop: 0 }} />);
    const list = within(screen.getByRole('navigation', { name: 'Sheets' }));
    await userEvent.click(list.getByRole('button', { name: 'build sheet from the back' }));
    const paper = await screen.findByRole('article', { name: 'Pier railing: build sheet from the back' });
    expect(
      within(paper).getByRole('heading', { name: 'Pier railing: build sheet from the back' }),
    ).toBeInTheDocument();
    expect(within(paper).getByText('seen from the back')).toBeInTheDocument();
    const table = within(paper).getByRole('table', { name: /Build sheet of Pier railing/ });
    expect(within(table).getByRole('columnheader', { name: /Data goes/ })).toBeInTheDocument();
    expect(within(table).getByRole('columnheader', { name: 'Done' })).toBeInTheDocument();
    expect(
      within(paper).getByRole('img', {
        name: /The way of the data through Pier railing, seen from the back/,
      }),
    ).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Print (PDF)' })).toHaveAttribute(
      'href',
      '/api/shows/quay/sheets/build-back.rail.pdf',
    );
    expect(window.location.search).toBe('?paper=build-back.rail');
  });

  it('are found by their name, over all of the show', async () => {
    openSheet(show, (plan) => <PrintSheet plan={plan} selection={{}} />);
    await userEvent.type(screen.getByLabelText('Find a sheet'), 'cut list');
    const list = within(screen.getByRole('navigation', { name: 'Sheets' }));
    expect(list.getAllByRole('button').map((button) => button.textContent)).toEqual([
      'Pier railing: cut list',
    ]);
    await userEvent.type(screen.getByLabelText('Find a sheet'), ' of nothing');
    expect(list.getByText('No sheet is called so.')).toBeInTheDocument();
  });

  it('of labels say where their codes lead, and take sizes of one’s own', async () => {
    const { store } = openSheet(show, (plan) => <PrintSheet plan={plan} selection={{}} />);
    const host = screen.getByLabelText('Codes lead to');
    await userEvent.type(host, 'a b{Enter}');
    expect(screen.getByText(/“a b” is not\./)).toBeInTheDocument();
    await userEvent.clear(host);
    await userEvent.type(host, 'http://192.168.1.20:3000/{Enter}');
    expect(store.getState().show.papers).toEqual({ host: '192.168.1.20:3000' });
    await userEvent.click(screen.getByLabelText('Letter', { selector: 'input[type=radio]' }));
    expect(store.getState().show.papers).toEqual({ host: '192.168.1.20:3000', size: 'letter' });
    act(() => store.getState().undo());
    await waitFor(() => expect(store.getState().show.papers).toEqual({ host: '192.168.1.20:3000' }));
  });

  it('that were printed are asked about by their mark', async () => {
    const answer = {
      sheet: 'device.a',
      name: 'Box A: values to type',
      revision: 3,
      now: 9,
      isCurrent: false,
      changes: ['no more: A1 · 30', 'now: A1 · 31'],
    };
    global.fetch = jest.fn(async () => ({ ok: true, json: async () => answer })) as never;
    openSheet(show, (plan) => <PrintSheet plan={plan} selection={{}} />);
    await userEvent.type(screen.getByLabelText('Its mark'), '3-K7QF2{Enter}');
    expect(await screen.findByText(/the plan has changed since/)).toBeInTheDocument();
    expect(screen.getByText('now: A1 · 31')).toBeInTheDocument();
    expect(global.fetch).toHaveBeenCalledWith('/api/shows/quay/printed/3-K7QF2');
  });
});

describe('parts', () => {
  it('are bought less what is there, with prices where they are said', async () => {
    const { store } = openSheet(show, (plan) => <PartsSheet plan={plan} />);
    const row = () => within(screen.getByRole('row', { name: /string of 50/ }));
    const have = row().getByLabelText(/^Have: /);
    await userEvent.type(have, '2{Enter}');
    // Three strings and one spare, less two.
    expect(
      row()
        .getAllByRole('cell')
        .map((cell) => cell.textContent),
    ).toContain('2');
    await userEvent.type(row().getByLabelText(/^Price: /), '9,5{Enter}');
    expect(screen.getAllByText('19.00')).toHaveLength(2);
    await userEvent.type(row().getByLabelText(/^Have: /), 'x{Enter}');
    expect(screen.getByText(/A number from 0 to 1,000,000/)).toBeInTheDocument();
    expect(store.getState().show.parts!.items).toEqual([expect.objectContaining({ have: 2, price: 9.5 })]);
    const pace = screen.getByLabelText('One joint takes you');
    await userEvent.clear(pace);
    await userEvent.type(pace, '4{Enter}');
    expect(screen.getByText(/at your pace/)).toBeInTheDocument();
  });
  it('of an empty show say how they come', () => {
    openSheet(aShow(), (plan) => <PartsSheet plan={plan} />);
    expect(screen.getByText(/Add a prop in Build/)).toBeInTheDocument();
  });
});

describe('wiring', () => {
  it('is written down wire by wire; a colour with two meanings and a contact taken twice are told', async () => {
    const { store } = openSheet(show, (plan) => <WiringSheet plan={plan} selection={{ prop: 0 }} />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a joint of Pier railing' }));
    await userEvent.click(screen.getByRole('button', { name: 'Add a joint of Pier railing' }));
    const first = within(screen.getByRole('region', { name: 'Pier railing plug' }));
    const second = within(screen.getByRole('region', { name: 'Pier railing plug 2' }));
    await userEvent.type(first.getByLabelText('Colour of wire 3 of Pier railing plug'), 'white{Enter}');
    await userEvent.type(second.getByLabelText('Colour of wire 1 of Pier railing plug 2'), 'White{Enter}');
    expect(screen.getByRole('note')).toHaveTextContent(
      'White is ground at Pier railing plug and plus at Pier railing plug 2.',
    );
    const contact = second.getByLabelText('Second contact of wire 2 of Pier railing plug 2');
    await userEvent.clear(contact);
    await userEvent.type(contact, '1{Enter}');
    expect(second.getByRole('alert')).toHaveTextContent(
      'Contact 1 is taken twice at the second end, by wires 1 and 2.',
    );
    await userEvent.click(second.getByRole('button', { name: 'Remove' }));
    expect(store.getState().show.joints.map(({ name }) => name)).toEqual(['Pier railing plug']);
    expect(store.getState().show.joints[0]).toMatchObject({ propId: 'rail' });
  });
});

it('notes the firmware of a device, and that its password was changed', async () => {
  const { store } = openSheet(show, () => <DeviceCareFields controllerId="a" />);
  await userEvent.type(screen.getByLabelText('Firmware seen on it'), '2.0{Enter}');
  const field = screen.getByLabelText('Firmware seen on it');
  await userEvent.clear(field);
  await userEvent.type(field, '2.1{Enter}');
  expect(store.getState().facts.firmwareOf('a')).toEqual({ version: '2.1', was: '2.0' });
  fireEvent.click(screen.getByLabelText('The password that it came with was changed'));
  expect(store.getState().facts.find('test', 'controllers', 'a', 'care.passwordChanged')!.value).toBe('yes');
});
