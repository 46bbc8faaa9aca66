import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { AddressFields, PortTools } from './AddressFields';

const show = onPorts(
  aShow({
    props: [aGrid('net', 4, 60, { runs: 2 }), aLine('rail', 20), aLine('arch', 20)],
    controllers: [aController()],
  }),
  ['net', 1, 1],
  ['net', 2, 2],
  ['rail', 1, 3],
  ['arch', 1, 3],
);

async function choose(label: string, option: string | RegExp) {
  await userEvent.click(screen.getByRole('combobox', { name: label }));
  await userEvent.click(screen.getByRole('option', { name: option }));
}

describe('the channels of a prop', () => {
  it('are packed by run, where one is chosen', async () => {
    const { store } = openSheet(show, (plan) => <AddressFields plan={plan} prop={0} runs={[1]} />);
    await choose('Of this run alone', /Full 512/);
    expect(store.getState().show.patch.map((entry) => entry.packing)).toEqual([
      undefined,
      { kind: 'full512' },
      undefined,
      undefined,
    ]);
    await choose('Of this run alone', 'As its prop');
    expect(store.getState().show.patch[1]).not.toHaveProperty('packing');
  });

  it('are packed by prop', async () => {
    const { store } = openSheet(show, (plan) => <AddressFields plan={plan} prop={0} runs={[0, 1]} />);
    expect(screen.queryByLabelText('Of this run alone')).not.toBeInTheDocument();
    await choose('Channels per universe', 'A size of your own');
    expect(store.getState().show.props[0]!.packing).toEqual({ kind: 'custom', channelsPerUniverse: 510 });
    await choose('A new universe begins', 'with each strand');
    expect(store.getState().show.props[0]!.newUniverse).toBe('strand');
    // 60 strands of 4 pixels: as many universes.
    expect(new Set(store.getState().plan!.spans.map((span) => span.universe)).size).toBeGreaterThan(59);
  });

  it('stay, and keep room after them', async () => {
    const { store } = openSheet(show, (plan) => <AddressFields plan={plan} prop={1} runs={[2]} />);
    await userEvent.click(screen.getByRole('switch', { name: /Keep its addresses fixed/ }));
    expect(store.getState().show.patch[2]!.pin).toEqual({ universe: 2, channel: 211 });
    await userEvent.clear(screen.getByLabelText('Channels kept free after it'));
    await userEvent.type(screen.getByLabelText('Channels kept free after it'), '30{Enter}');
    expect(store.getState().show.patch[2]!.spareChannels).toBe(30);
    expect(store.getState().plan!.spans.find((span) => span.run === 3)).toMatchObject({ startChannel: 301 });
  });
});

describe('a port', () => {
  const tools = () => openSheet(show, (plan) => <PortTools plan={plan} controller={0} port={3} />);
  const options = (store: ReturnType<typeof tools>['store']) =>
    store.getState().show.controllers[0]!.portOptions;

  it('has universes of its own, is kept free, and forgets it again', async () => {
    const { store } = tools();
    const universes = () =>
      [2, 3].map((run) => store.getState().plan!.spans.find((span) => span.run === run)!.universe);
    expect(universes()).toEqual([2, 2]);
    await choose('A new universe begins', 'with each run');
    expect(options(store)).toEqual([{ port: 3, newUniverse: 'run' }]);
    expect(universes()).toEqual([3, 4]);
    await userEvent.click(screen.getByRole('switch', { name: /^Reserved/ }));
    await choose('Channels per universe', /Full 512/);
    expect(options(store)).toEqual([
      { port: 3, newUniverse: 'run', reserved: true, packing: { kind: 'full512' } },
    ]);
    await userEvent.click(screen.getByRole('switch', { name: /^Reserved/ }));
    await choose('Channels per universe', 'As its controller');
    await choose('A new universe begins', /^As its controller/);
    expect(options(store)).toBeUndefined();
  });

  it('changes places with another', async () => {
    const { store } = tools();
    await choose('Swap everything on it with', /^A1 · 120 of/);
    expect(store.getState().show.patch.map((entry) => entry.port)).toEqual([3, 2, 1, 1]);
    // With itself there is nothing to do.
    await choose('Swap everything on it with', /^A3 ·/);
    expect(store.getState().sequence).toBeLessThan(2);
  });
});
