import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { BuildSheetView } from './BuildSheetView';
import { CompareSheet } from './CompareSheet';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

const net = aGrid('net', 24, 42, {
  firstPixel: 'bottomLeft',
  along: 'columns',
  pattern: 'serpentine',
  runs: 2,
});
const show = onPorts(aShow({ props: [net], controllers: [aController()] }), ['net', 1, 1], ['net', 2, 2]);

beforeEach(() => window.history.replaceState(null, '', '/shows/quay/route/prop/net'));

const cells = (row: HTMLElement) =>
  within(row)
    .getAllByRole('cell')
    .map((cell) => cell.textContent);

async function typeInto(label: string, text: string) {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
}

describe('the comparison of schemes', () => {
  it('has a picture and the costs of each, and marks the one in use', () => {
    openSheet(show, (plan) => <CompareSheet plan={plan} prop={0} />);
    const rows = within(screen.getByTestId('schemes')).getAllByRole('row').slice(1);
    expect(rows).toHaveLength(8);
    const inUse = rows.find((row) => within(row).queryByText('in use'))!;
    // Ports, pixels a run, rate, jumpers, longest, total, places to feed in, at the edge, from the ground (all but the loops at the top, 2.05 m up).
    expect(cells(inUse).slice(2)).toEqual(['2', '504', '64', '22', '100 mm', '2.2 m', '26', '26', '14']);
    expect(rows.every((row) => row.querySelector('svg path'))).toBe(true);
  });

  it('takes what a port drives and how far a hand reaches into account', async () => {
    openSheet(show, (plan) => <CompareSheet plan={plan} prop={0} />);
    expect(screen.getByTestId('recommendation')).toHaveTextContent('Fewest ports (2)');
    await typeInto('A port drives', '300');
    expect(screen.getByTestId('recommendation')).toHaveTextContent('Fewest ports (4)');
    await typeInto('A hand reaches', '5 m');
    const first = within(screen.getByTestId('schemes')).getAllByRole('row')[1]!;
    const [edge, ground] = cells(first).slice(-2);
    expect(ground).toBe(edge);
    await typeInto('Wanted', '200');
    // 823 pixels at 40 pictures a second are some 156 at 200.
    expect(screen.getByText(/WS2811 takes 156 pixels a port/)).toBeInTheDocument();
  });

  it('threads as the builder picks', async () => {
    const { store } = openSheet(show, (plan) => <CompareSheet plan={plan} prop={0} />);
    const row = within(screen.getByTestId('schemes')).getByRole('row', {
      name: /Straight along rows from the bottom left, 2 runs/,
    });
    await userEvent.click(within(row).getByRole('button', { name: 'Use this' }));
    expect(store.getState().show.props[0]!.threading).toMatchObject({
      along: 'rows',
      pattern: 'straight',
      runs: 2,
    });
  });

  it('has a column for the plugs where it comes apart', () => {
    const seamed = { ...net, shape: { ...net.shape, seamsAfterColumns: [12] } } as typeof net;
    openSheet({ ...show, props: [seamed] }, (plan) => <CompareSheet plan={plan} prop={0} />);
    expect(screen.getByRole('columnheader', { name: /Plugs/ })).toBeInTheDocument();
  });

  it('waits for pixels', () => {
    const empty = aLine('empty', 1, {
      kind: 'freeform',
      shape: { xMm: [], yMm: [], pieces: [], source: '' },
      threading: { firstPixel: 'start', runs: 1 },
    } as never);
    openSheet(aShow({ props: [empty] }), (plan) => <CompareSheet plan={plan} prop={0} />);
    expect(screen.getByText(/No pixels yet/)).toBeInTheDocument();
  });
});

describe('the build sheet', () => {
  it('has a line a strand from left to right, and swaps sides', async () => {
    openSheet(show, (plan) => <BuildSheetView plan={plan} prop={0} />);
    const rows = () => within(screen.getByTestId('build-sheet')).getAllByRole('row').slice(1);
    expect(rows()).toHaveLength(24);
    expect(cells(rows()[0]!)).toEqual([
      '1',
      '↑ up',
      'bottom',
      'lead from port A1',
      'jumper 100 mm to column 2',
      '42',
      '1',
      '1–42',
      'A1',
      '1',
      'U1 1',
    ]);
    await userEvent.click(screen.getByText('From the back'));
    expect(cells(rows()[0]!).slice(0, 3)).toEqual(['24', '↓ down', 'top']);
  });
});
