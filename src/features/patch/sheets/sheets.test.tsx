import { act, screen, within } from '@testing-library/react';
import { tickOf } from '@/core/show/facts';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../../tests/unit/openSheet';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../../tests/unit/shows';
import { foundIn } from '@/core/devices/found';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import type { ShowStore } from '../../show/showState';
import { ForesightDialog } from '../ForesightDialog';
import { Locks } from '../Locks';
import { AddressFields, PortTools, ShowAddressFields, SideBySide } from '../AddressFields';
import { KindFields } from '../KindFields';
import { useForesight } from '../../show/foresight';
import { FoundSheet } from './FoundSheet';
import { NetworkSheet } from './NetworkSheet';
import { PoliciesSheet } from './PoliciesSheet';
import { TasksSheet } from './TasksSheet';

const show: Show = onPorts(
  aShow({ props: [aLine('rail', 100), aLine('arch', 50)], controllers: [aController()] }),
  ['rail', 1, 1],
  ['arch', 1, 2],
);

const found = (store: ShowStore) => foundIn(planShow(store.getState().show), store.getState().facts);

async function typeInto(label: string, text: string) {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, text);
}

describe('what a device holds', () => {
  const type = async (text: string) => {
    await userEvent.click(screen.getByText('Paste or load'));
    await userEvent.type(screen.getByLabelText('What it lists'), text);
  };
  const compare = () => userEvent.click(screen.getByRole('button', { name: 'Compare' }));

  it('is pasted and compared, with symptom and mend, and forgotten again', async () => {
    const { store } = openSheet(show, (plan) => <FoundSheet plan={plan} />);
    await type('port,pixels,channel{Enter}1,90,1{Enter}2,50,302');
    await compare();
    expect(found(store)).toMatchObject([{ controllerId: 'a', where: 'controller' }]);
    const rows = within(screen.getByTestId('differences')).getAllByRole('row');
    expect(rows).toHaveLength(3);
    expect(rows[1]).toHaveTextContent('the last 10 pixels stay dark');
    expect(rows[2]).toHaveTextContent('colours rotate');
    await userEvent.click(screen.getByRole('button', { name: 'Forget it' }));
    expect(found(store)).toEqual([]);
  });

  it('is refused with the line and the reason, and stays in the field', async () => {
    const { store } = openSheet(show, (plan) => <FoundSheet plan={plan} />);
    await type('port,pixels{Enter}1,lots');
    await compare();
    expect(screen.getByText(/Line 2: pixels “lots”/)).toBeInTheDocument();
    expect(found(store)).toEqual([]);
    expect(screen.getByLabelText('What it lists')).toHaveValue('port,pixels\n1,lots');
  });

  it('is typed into a grid, along a column by keys; what nobody looked at is not said to be as planned', async () => {
    const { store } = openSheet(show, (plan) => <FoundSheet plan={plan} />);
    const cell = (name: string) => screen.getByLabelText(name);
    expect(cell('A1 pixels')).toHaveValue('');
    expect(cell('A1 pixels')).toHaveAttribute('placeholder', '100');
    expect(screen.getByRole('button', { name: 'Compare' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'A1 is as planned' }));
    await compare();
    expect(
      screen.getByText(/^Looked at: 6 values on 1 of 2 ports; all of that is as planned/),
    ).toBeInTheDocument();
    await userEvent.click(cell('A1 start channel'));
    await userEvent.keyboard('{Enter}');
    expect(cell('A2 start channel')).toHaveFocus();
    await userEvent.keyboard('302{ArrowDown}{ArrowDown}{ArrowDown}{ArrowUp}{ArrowUp}');
    expect(cell('A2 start channel')).toHaveFocus();
    await typeInto('A1 start universe', ' ');
    await typeInto('A3 pixels', '12');
    await compare();
    // A value that nobody looked up is not compared; a port that should be off is.
    const rows = within(screen.getByTestId('differences')).getAllByRole('row');
    expect(rows.slice(1).map((row) => within(row).getAllByRole('cell')[0]!.textContent)).toEqual([
      'A2',
      'A3',
    ]);
    expect(found(store)[0]!.ports).toEqual([
      { port: 1, channel: 1, pixels: 100, hiddenPixels: 0, colourOrder: 'RGB', direction: 'forward' },
      { port: 2, channel: 302 },
      { port: 3, pixels: 12 },
    ]);
  });

  it('is as planned all over only where somebody says so', async () => {
    const { store } = openSheet(show, (plan) => <FoundSheet plan={plan} />);
    await userEvent.click(screen.getByRole('button', { name: 'I looked at all ports: as planned' }));
    expect(found(store)).toEqual([]);
    await compare();
    expect(screen.getByText(/^Looked at: 12 values on 2 of 2 ports/)).toBeInTheDocument();
  });

  it('is compared for the device as a whole, in the counts of its screen', async () => {
    const { store } = openSheet(show, (plan) => <FoundSheet plan={plan} />);
    await typeInto('First universe', '0{Enter}');
    await typeInto('Channels a universe', '512{Enter}');
    await userEvent.click(screen.getByLabelText('Its universes are', { selector: 'input' }));
    await userEvent.click(screen.getByRole('option', { name: /all one lower/ }));
    await compare();
    expect(found(store)).toMatchObject([
      { counting: { universesShifted: -1 }, firstUniverse: 0, channelsPerUniverse: 512, ports: [] },
    ]);
    // The first universe is right by that count; the size is not.
    expect(screen.getAllByRole('row')).toHaveLength(1 + 1 + 4 + 1);
    expect(screen.getByRole('row', { name: /channels a universe/ })).toHaveTextContent('510');
  });

  it('is compared for the universes that a sender lists', async () => {
    openSheet(show, (plan) => <FoundSheet plan={plan} />);
    await userEvent.click(screen.getByRole('radio', { name: 'In the sender' }));
    await userEvent.click(screen.getByRole('radio', { name: 'Its universes' }));
    await typeInto('What it lists', 'universe,channels{Enter}1,510{Enter}9,510');
    await compare();
    expect(await screen.findByRole('row', { name: /left over/ })).toHaveTextContent('9 is sent');
  });

  it('is refused by the name of the port, and stays in the grid', async () => {
    const { store } = openSheet(show, (plan) => <FoundSheet plan={plan} />);
    await typeInto('A2 pixels', 'lots');
    await compare();
    expect(screen.getByText(/Port A2: pixels “lots”/)).toBeInTheDocument();
    expect(screen.getByLabelText('A2 pixels')).toHaveValue('lots');
    expect(found(store)).toEqual([]);
  });

  it('asks for a controller first', () => {
    openSheet(aShow(), (plan) => <FoundSheet plan={plan} />);
    expect(screen.getByText(/Add a controller first/)).toBeInTheDocument();
  });
});

describe('values to type', () => {
  const task = {
    id: 't1',
    controllerId: 'a',
    field: 'port.2.channel',
    port: 'A2',
    what: 'start channel',
    old: '241',
    new: '301',
  };

  it('are listed by device, ticked off and put away', async () => {
    const { store } = openSheet({ ...show, tasks: [task] }, (plan) => <TasksSheet plan={plan} />);
    expect(screen.getByText(/1 value to type, 0 typed/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('checkbox', { name: /A2 start channel: 241 → 301/ }));
    expect(store.getState().facts.isTyped('a', 'port.2.channel', '301')).toBe(true);
    expect(screen.getByText(/0 values to type, 1 typed/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Put away what is typed' }));
    expect(store.getState().show.tasks).toEqual([]);
  });

  it('name what was ticked and has moved since', async () => {
    const { store } = openSheet(show, (plan) => <TasksSheet plan={plan} />);
    act(() => store.getState().note([tickOf('a', 'port.2.channel', '241')]));
    expect(screen.getByText(/1 value to type, 0 typed/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('checkbox', { name: /A2 start channel: 241 → 301/ }));
    expect(store.getState().facts.isTyped('a', 'port.2.channel', '301')).toBe(true);
    expect(screen.getByText(/Nothing has to be typed again/)).toBeInTheDocument();
  });

  it('tell how far each device has got', async () => {
    const { store } = openSheet(show, (plan) => <TasksSheet plan={plan} />);
    await userEvent.click(screen.getByRole('checkbox', { name: 'saved' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'set' }));
    expect(store.getState().facts.all.map((fact) => fact.field)).toEqual(['saved', 'set']);
    expect(screen.getByRole('checkbox', { name: 'set' })).toBeChecked();
    const row = screen.getByRole('row', { name: /^A2/ });
    expect(
      within(row)
        .getAllByRole('cell')
        .map((cell) => cell.textContent),
    ).toEqual(['A2', '50', '1', '301', '1', '450', '301', '450', '301', '100', '149', 'RGB', 'forward']);
  });
});

describe('policies', () => {
  it('are compared and taken', async () => {
    const { store } = openSheet(show, (plan) => <PoliciesSheet plan={plan} />);
    const row = await screen.findByRole('row', { name: /^full 512, a new universe per port(?!,)/ });
    await userEvent.click(within(row).getByRole('button', { name: 'Use this' }));
    expect(store.getState().show.addressing).toMatchObject({
      packing: { kind: 'full512' },
      newUniverse: 'port',
    });
    expect(screen.getByRole('row', { name: /^full 512, a new universe per port(?!,)/ })).toHaveTextContent(
      'in use',
    );
  });
});

describe('the network', () => {
  it('is an address book that says who can be reached', async () => {
    const { store } = openSheet(show, (plan) => <NetworkSheet plan={plan} />);
    expect(screen.getByText('no address yet')).toBeInTheDocument();
    await typeInto('Address', '10.40.0.10{Enter}');
    await typeInto('Address of Box A', '10.40.0.21{Enter}');
    expect(screen.getByText('yes')).toBeInTheDocument();
    await typeInto('Address of Box A', '10.41.0.21{Enter}');
    expect(screen.getByText(/give it an address that begins with 10.40.0/)).toBeInTheDocument();
    await typeInto('Who else stores the address of Box A', 'note in the lid{Enter}');
    expect(store.getState().show.controllers[0]!.network).toMatchObject({
      ip: '10.41.0.21',
      storedBy: 'note in the lid',
    });
    await typeInto('Address of Box A', 'nonsense{Enter}');
    expect(screen.getByText(/Four numbers from 0 to 255/)).toBeInTheDocument();
    await userEvent.keyboard('{Escape}');
    await userEvent.clear(screen.getByLabelText('Address of Box A'));
    await userEvent.keyboard('{Enter}');
    expect(store.getState().show.controllers[0]!.network).toBeUndefined();
  });
});

describe('the channels of a prop', () => {
  it('are pinned, spared and let go', async () => {
    const { store } = openSheet(show, (plan) => (
      <>
        <AddressFields plan={plan} prop={1} runs={[1]} />
        <Locks always />
      </>
    ));
    await userEvent.click(screen.getByRole('switch', { name: /Keep its addresses fixed/ }));
    expect(store.getState().show.patch[1]!.pin).toEqual({ universe: 1, channel: 301 });
    await typeInto('Channels kept free after it', '30{Enter}');
    expect(store.getState().show.patch[1]!.spareChannels).toBe(30);
    await typeInto('Channels kept free after it', '0{Enter}');
    expect(store.getState().show.patch[1]!.spareChannels).toBeUndefined();
    await userEvent.click(screen.getByRole('button', { name: 'Unlock 1 run' }));
    expect(store.getState().show.patch[1]!.pin).toBeUndefined();
    expect(screen.getByText('None: addresses follow from what lies before them.')).toBeInTheDocument();
  });

  it('stand side by side in every numbering', () => {
    openSheet(show, (plan) => <SideBySide plan={plan} run={1} />);
    const row = screen.getByRole('row', { name: /^E1.31/ });
    expect(row).toHaveTextContent('U1 ch 301–303');
    expect(row).toHaveTextContent('U1 ch 448–450');
    expect(screen.getByRole('button', { name: 'Copy U1 ch 301–303' })).toBeInTheDocument();
  });

  it('follow what the show says', async () => {
    const { store } = openSheet(show, () => <ShowAddressFields />);
    await typeInto('The first show channel is', '1001{Enter}');
    await userEvent.click(screen.getByRole('combobox', { name: 'Before addresses move' }));
    await userEvent.click(await screen.findByRole('option', { name: 'always ask' }));
    expect(store.getState().show.addressing).toMatchObject({ firstShowChannel: 1001, askBeforeMoving: true });
    expect(store.getState().plan!.spans[0]!.startShowChannel).toBe(1001);
  });
});

describe('a port', () => {
  it('is reserved, and given back', async () => {
    const { store } = openSheet(show, (plan) => <PortTools plan={plan} controller={0} port={3} />);
    const reserved = screen.getByRole('switch', { name: /Reserved/ });
    await userEvent.click(reserved);
    expect(store.getState().show.controllers[0]!.portOptions).toEqual([{ port: 3, reserved: true }]);
    await userEvent.click(reserved);
    expect(store.getState().show.controllers[0]!.portOptions).toBeUndefined();
  });
});

describe('the kind of a controller', () => {
  it('is copied into the show, with its limits and where they are from', async () => {
    const { store } = openSheet(show, (plan) => <KindFields controller={plan.show.controllers[0]!} />);
    await userEvent.click(screen.getByRole('combobox', { name: 'Kind' }));
    await userEvent.click(screen.getByRole('option', { name: 'Wi-Fi microcontroller, 2 pins' }));
    expect(store.getState().show.controllerTypes!.map((type) => type.id)).toEqual(['wifi-2']);
    expect(store.getState().show.controllers[0]!.typeId).toBe('wifi-2');
    expect(screen.getByText('GPIO2')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Change this kind…' }));
    await typeInto('Universes', '4{Enter}');
    expect(store.getState().show.controllerTypes![0]!.mostUniverses).toMatchObject({ value: 4 });
    await typeInto('Universes', '0{Enter}');
    expect(store.getState().show.controllerTypes![0]!.mostUniverses).toBeUndefined();
    await userEvent.clear(screen.getByRole('textbox', { name: 'Pixels a port' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Pixels a port' }), 'many{Enter}');
    expect(screen.getByText('Pairs of ports and pixels, such as 8: 1024, 16: 680.')).toBeInTheDocument();
  });
});

describe('a change that moves addresses in use', () => {
  const asking: Show = { ...show, addressing: { ...show.addressing, askBeforeMoving: true } };
  function Changes() {
    return <ShowAddressFields />;
  }

  it('is shown first; left alone it changes nothing, done it notes what to type', async () => {
    const net = onPorts(
      { ...asking, props: [aGrid('net', 10, 10), aLine('arch', 50)] },
      ['net', 1, 1],
      ['arch', 1, 2],
    );
    const { store } = openSheet(net, (plan) => (
      <>
        <Changes />
        <AddressFields plan={plan} prop={0} runs={[0]} />
        <ForesightDialog />
      </>
    ));
    await typeInto('Channels kept free after it', '60{Enter}');
    // Pinned where they are, nothing has to be typed; laid anew, the port behind moves by 60 channels.
    expect(screen.getByTestId('foresight')).toHaveTextContent('Least change: 0 values to type');
    await userEvent.click(screen.getByText(/^Tidy/));
    expect(screen.getByTestId('foresight')).toHaveTextContent(
      '1 run gets new addresses; go to Box A and type 1 value again.',
    );
    await userEvent.click(screen.getByRole('button', { name: 'Leave it as it is' }));
    expect(store.getState().show.patch[0]!.spareChannels).toBeUndefined();
    await typeInto('Channels kept free after it', '60{Enter}');
    await userEvent.click(screen.getByText(/^Tidy/));
    await userEvent.click(screen.getByRole('button', { name: 'Do it, and note the values' }));
    expect(store.getState().show.patch[0]!.spareChannels).toBe(60);
    expect(store.getState().show.tasks).toMatchObject([
      { port: 'A2', field: 'port.2.channel', what: 'start channel', old: '301', new: '361' },
    ]);
    expect(useForesight.getState().choices).toBeNull();
  });
});
