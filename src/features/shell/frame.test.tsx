import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import type { Show } from '@/core/show/schema';
import { Clashed } from '../show/client';
import { STAGES } from '@/core/stages/stages';
import { loadStage } from '../stages/useStageParts';
import { ShowFrame } from './ShowApp';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

const show = (): Show =>
  onPorts(
    aShow({
      places: [
        { id: 'site', name: 'Pier' },
        { id: 'far', name: 'Slipway' },
      ],
      props: [
        aLine('rail', 30, { name: 'Rail' }),
        aGrid('net', 4, 5, { runs: 2 }),
        aLine('loose', 7, { name: 'Loose end', placeId: 'far' }),
      ],
      controllers: [aController()],
    }),
    ['rail', 1, 1, 2],
    ['net', 1, 2],
    ['net', 2, 2],
  );

function openAt(view: string, change?: Parameters<typeof openShow>[2]) {
  window.history.replaceState(null, '', `/shows/quay/${view}`);
  return openShow(show(), <ShowFrame />, change);
}
beforeAll(() => Promise.all(STAGES.map(loadStage)));

const panel = () => within(screen.getByRole('complementary', { name: 'Settings and facts' }));
const press = (key: string, more: object = {}) =>
  fireEvent.keyDown(document.body, { key, code: key, ...more });

describe('the list of props', () => {
  it('groups them by place, with size and port', () => {
    openAt('build');
    const pier = within(screen.getByRole('region', { name: 'Pier' }));
    expect(pier.getByTestId('prop-rail')).toHaveTextContent('Rail30 pxA1');
    expect(pier.getByTestId('prop-net')).toHaveTextContent('4 × 5 pxA2');
    expect(
      within(screen.getByRole('region', { name: 'Slipway' })).getByTestId('prop-loose'),
    ).toHaveTextContent('no port');
  });

  it('leads to a prop, and says which one is looked at', async () => {
    openAt('route');
    await userEvent.click(screen.getByTestId('prop-net'));
    expect(window.location.pathname).toBe('/shows/quay/route/prop/net');
    expect(screen.getByTestId('prop-net')).toHaveAttribute('aria-current', 'true');
    expect(panel().getByText('Threading · net')).toBeInTheDocument();
  });
});

describe('the stages', () => {
  it('carry the number of findings on them', () => {
    openAt('build');
    const stages = within(screen.getByRole('navigation', { name: 'Stages' }));
    expect(stages.getByRole('button', { name: /Patch/ })).toHaveTextContent('3Patch1');
    expect(stages.getByRole('button', { name: /Build/ })).toHaveAttribute('aria-current', 'page');
  });

  it('show the same finding on the stage where it is mended, and beside its prop elsewhere', async () => {
    openAt('build/prop/loose');
    expect(panel().getByText('On another stage')).toBeInTheDocument();
    press('3');
    expect(screen.getByText(/Next step/)).toBeInTheDocument();
    await userEvent.click(panel().getByRole('button', { name: 'Put on A3' }));
    await waitFor(() => expect(screen.queryByText(/Next step/)).toBeNull());
    expect(screen.getByTestId('prop-loose')).toHaveTextContent('A3');
  });
});

describe('the keys', () => {
  it('walk pixels and props faster than the screen is drawn', () => {
    openAt('route');
    act(() => {
      press('ArrowDown');
      press('ArrowDown');
      press('ArrowRight');
      press('ArrowRight');
      press('ArrowRight', { shiftKey: true });
    });
    expect(window.location.pathname).toBe('/shows/quay/route/prop/net/run/2/pixel/4');
    act(() => {
      press('ArrowLeft', { shiftKey: true });
      press('ArrowLeft', { shiftKey: true });
    });
    expect(window.location.pathname).toBe('/shows/quay/route/prop/net/run/1/pixel/1');
  });

  it('turn to the back, let go step by step, and rest in a field', async () => {
    openAt('build/prop/rail/run/1/pixel/3');
    expect(screen.getByTestId('pixel-title')).toHaveTextContent('Pixel 3 of run 1');
    act(() => void press('f'));
    expect(window.location.search).toBe('?from=back');
    act(() => void press('Escape'));
    expect(window.location.pathname).toBe('/shows/quay/build/prop/rail');
    await userEvent.type(screen.getByLabelText('Name'), '23f');
    expect(window.location.pathname + window.location.search).toBe('/shows/quay/build/prop/rail?from=back');
    act(() => void press('Escape'));
    expect(window.location.pathname).toBe('/shows/quay/build');
  });
});

describe('a pixel', () => {
  it('is said in every numbering system', () => {
    openAt('route/port/A1/pixel/5');
    const facts = panel();
    expect(screen.getByTestId('pixel-title')).toHaveTextContent('Pixel 3 of run 1');
    for (const words of ['A1 5', 'U1 ch 7–9', '0.0.0 ch 7', 'byte 6', 'leg 1, pixel 3'])
      expect(facts.getByText(words)).toBeInTheDocument();
    expect(facts.getByText('multicast 239.255.0.1')).toBeInTheDocument();
  });
});

describe('patch', () => {
  it('says where a prop starts and ends, and how the device counts it', () => {
    openAt('patch/prop/net/run/2');
    const facts = panel();
    // Rail: 90 channels in universe 1; the first run of the net 8 pixels more.
    expect(facts.getByText('U1 ch 115')).toBeInTheDocument();
    expect(facts.getByText('U1 ch 150')).toBeInTheDocument();
    // 32 places on A1 and 8 before it on A2.
    expect(facts.getByText('40–51')).toBeInTheDocument();
  });

  it('explains a port that is free, and one that is not', async () => {
    openAt('patch');
    await userEvent.click(screen.getByRole('button', { name: 'Port A4' }));
    expect(panel().getByText(/Nothing is plugged in here/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Port A1' }));
    expect(panel().getByText('On the wire').nextElementSibling).toHaveTextContent('32 of 800');
  });

  it('adds a controller and goes there', async () => {
    const { store } = openAt('patch');
    await userEvent.click(screen.getByRole('button', { name: 'Add a controller' }));
    await userEvent.click(await screen.findByRole('menuitem', { name: /^16 ports, Ethernet/ }));
    // Its ports and limits come with its kind: 680 pixels a port with all sixteen switched on.
    expect(store.getState().show.controllers[1]).toMatchObject({
      label: 'B',
      firstUniverse: null,
      typeId: 'ethernet-16',
      ports: 16,
      mostPixelsPerPort: 680,
    });
    expect(store.getState().show.controllerTypes.map((type) => type.id)).toContain('ethernet-16');
    expect(window.location.pathname).toMatch(/\/patch\/controller\/controller-b-[a-z0-9]{8}$/);
  });
});

describe('what is saved', () => {
  it('is said, and undone', async () => {
    openAt('build/prop/net');
    await userEvent.clear(await screen.findByLabelText('Rows'));
    await userEvent.type(screen.getByLabelText('Rows'), '7{Enter}');
    await waitFor(() => expect(screen.getByTestId('saving')).toHaveTextContent('rev 1 · saved'));
    expect(screen.getByTestId('prop-net')).toHaveTextContent('4 × 7 px');
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(screen.getByTestId('prop-net')).toHaveTextContent('4 × 5 px'));
  });

  it('is asked about when others were first', async () => {
    const clash = {
      list: 'props',
      id: 'net',
      name: 'net',
      field: 'shape',
      mine: '4 × 7',
      theirs: '4 × 9',
      change: 'net: 4 × 5 px to 4 × 9 px',
    };
    openAt('build/prop/net', {
      change: () => Promise.reject(new Clashed('net was changed elsewhere in the meantime.', clash)),
    });
    await userEvent.clear(await screen.findByLabelText('Rows'));
    await userEvent.type(screen.getByLabelText('Rows'), '7{Enter}');
    const dialog = within(await screen.findByRole('dialog'));
    expect(dialog.getByText('net was changed elsewhere')).toBeInTheDocument();
    expect(dialog.getByText(/net: 4 × 5 px to 4 × 9 px/)).toBeInTheDocument();
    expect(dialog.getByText(/net: 4 × 5 px to 4 × 7 px/)).toBeInTheDocument();
    expect(dialog.getByText('shape: 4 × 9')).toBeInTheDocument();
    await userEvent.click(dialog.getByRole('button', { name: 'Keep what is there' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await waitFor(() => expect(screen.getByTestId('prop-net')).toHaveTextContent('4 × 5 px'));
  });
});
