import { notifications } from '@mantine/notifications';
import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { HELD_FOR_MS, type BenchRequest, type BenchState } from '@/core/rig/benchState';
import { tickOf } from '@/core/show/facts';
import { PhonePages } from './PhoneApp';
import { useHeldTest } from './useHeldTest';

const show = onPorts(
  aShow({
    props: [aLine('rail', 12, { name: 'Pier railing' }), aGrid('net', 3, 4, { name: 'Net' })],
    controllers: [aController()],
  }),
  ['rail', 1, 1],
);

/** A server of the bench: what it is asked, and what it says it sends. */
function aBench() {
  const asked: BenchRequest[] = [];
  let refused: string | null = null;
  let hasEnded = false;
  let isGone = false;
  const state: BenchState = { isOpen: true, takenBy: null, notes: [], sending: null, heard: [] };
  global.fetch = jest.fn(async (_address: string, init?: { body?: string }) => {
    if (isGone) throw new TypeError('Failed to fetch');
    if (!init?.body) return { ok: true, status: 200, json: async () => state };
    const request = JSON.parse(init.body) as BenchRequest;
    asked.push(request);
    if (request.do === 'send')
      state.sending = {
        test: request.test,
        wish: request.wish,
        by: request.by ?? null,
        isHeld: request.isHeld ?? false,
        leftMs: 600_000,
        figures: null,
      };
    if (request.do === 'change') state.sending = { ...state.sending!, test: request.test };
    if (request.do === 'stop') state.sending = null;
    // Under load a test takes longer than a hold is apart: what else is refused does not end what is sent.
    if (request.do === 'hold' ? hasEnded : refused !== null)
      return { ok: false, status: 422, json: async () => ({ error: refused, problems: [] }) };
    return { ok: true, status: 200, json: async () => ({ state }) };
  }) as never;
  return {
    asked,
    refuse: (message: string | null) => {
      refused = message;
    },
    end: () => {
      hasEnded = true;
    },
    leave: () => {
      isGone = true;
    },
  };
}

function open(query: string) {
  window.history.replaceState(null, '', `/phone/quay?${query}`);
  return openShow(show, <PhonePages />);
}

beforeEach(() => {
  window.scrollTo = jest.fn();
  useHeldTest.setState({ to: 'rig', test: null, trouble: null });
});
afterEach(() => {
  jest.useRealTimers();
  // Notices are kept beside the page, and would be seen by the next test.
  notifications.clean();
});

describe('tests of the phone', () => {
  it('are held as long as the phone is there, and stopped by the button that is always there', async () => {
    jest.useFakeTimers();
    const user = userEvent.setup({ advanceTimers: jest.advanceTimersByTime });
    const bench = aBench();
    open('page=test&about=prop&prop=rail');
    await user.click(screen.getByRole('button', { name: 'Red' }));
    expect(bench.asked.at(-1)).toMatchObject({
      do: 'send',
      isHeld: true,
      test: { pattern: 'red', on: { on: 'prop', propId: 'rail' }, level: 0.3 },
      wish: { to: 'rig' },
    });
    await act(() => jest.advanceTimersByTimeAsync(HELD_FOR_MS));
    // Several times within what it lasts without.
    expect(bench.asked.filter((each) => each.do === 'hold').length).toBeGreaterThanOrEqual(3);
    // Another one takes its place, and is not begun anew.
    await user.click(screen.getByRole('button', { name: 'Green' }));
    expect(bench.asked.at(-1)).toMatchObject({ do: 'change', test: { pattern: 'green' } });
    // It goes on where something else is looked up.
    await user.click(screen.getByRole('button', { name: 'Prop' }));
    await user.click(screen.getByRole('button', { name: 'Stop' }));
    expect(bench.asked.at(-1)).toEqual({ do: 'stop' });
    const before = bench.asked.length;
    await act(() => jest.advanceTimersByTimeAsync(HELD_FOR_MS));
    expect(bench.asked).toHaveLength(before);
  });

  it('go on at another level and pixel by pixel', async () => {
    const bench = aBench();
    open('page=test&about=device&device=a&port=1');
    await userEvent.click(screen.getByRole('button', { name: 'Walk' }));
    expect(bench.asked.at(-1)).toMatchObject({
      do: 'send',
      test: { pattern: 'walk', step: 0, on: { on: 'port', controllerId: 'a', port: 1 } },
    });
    await userEvent.click(screen.getByRole('button', { name: 'next →' }));
    expect(bench.asked.at(-1)).toMatchObject({ do: 'change', test: { step: 1 } });
    expect(screen.getByText('pixel 2')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: '10 %' }));
    expect(bench.asked.at(-1)).toMatchObject({ do: 'change', test: { step: 1, level: 0.1 } });
    bench.refuse('That cannot be done.');
    await userEvent.click(screen.getByRole('button', { name: '60 %' }));
    await waitFor(() =>
      expect(screen.getByRole('button', { name: '10 %' })).toHaveAttribute('aria-pressed', 'true'),
    );
  });

  it('say so when they have ended, and when a stop was not heard', async () => {
    jest.useFakeTimers();
    const user = userEvent.setup({ advanceTimers: jest.advanceTimersByTime });
    const bench = aBench();
    open('page=test');
    await user.click(screen.getByRole('button', { name: 'Red' }));
    bench.end();
    await act(() => jest.advanceTimersByTimeAsync(2000));
    expect(useHeldTest.getState().test).toBeNull();
    expect(screen.getByText('The test has ended.')).toBeInTheDocument();
    bench.leave();
    await user.click(screen.getByRole('button', { name: 'Stop' }));
    expect(screen.getByText(/^Not stopped: the laptop is not heard/)).toBeInTheDocument();
  });

  it('are stopped before they go elsewhere', async () => {
    const bench = aBench();
    open('page=test');
    await userEvent.click(screen.getByRole('button', { name: 'Red' }));
    await userEvent.click(screen.getByRole('button', { name: 'To the devices' }));
    expect(bench.asked.at(-1)).toEqual({ do: 'stop' });
    bench.refuse('Nobody has agreed at the laptop yet.');
    await userEvent.click(screen.getByRole('button', { name: 'Blue' }));
    expect(bench.asked.at(-1)).toMatchObject({ do: 'send', wish: { to: 'devices' } });
    expect(await screen.findByText('Nobody has agreed at the laptop yet.')).toBeInTheDocument();
    expect(useHeldTest.getState().test).toBeNull();
  });
});

describe('what is noted on the phone', () => {
  it('is about the port that was looked at', async () => {
    const { store } = open('page=ports&device=a&port=1');
    aBench();
    await userEvent.click(screen.getByRole('button', { name: 'Note of it' }));
    await userEvent.type(screen.getByLabelText('What was measured'), 'Volts at the far end');
    await userEvent.type(screen.getByLabelText('Value and unit'), '11.4 V');
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    await waitFor(() => expect(store.getState().facts.all).toHaveLength(1));
    expect(store.getState().facts.all[0]).toMatchObject({
      kind: 'measurement',
      list: 'controllers',
      recordId: 'a',
      field: expect.stringMatching(/^log@port\.1\.note-/),
      value: { what: 'Volts at the far end', typed: '11.4 V' },
    });
    const noted = within(screen.getByRole('region', { name: 'What was noted' }));
    expect(noted.getByText('11.4 V')).toBeInTheDocument();
  });

  it('are the wires of a bought product before they are cut', async () => {
    const { store } = open('page=note&about=prop&prop=net&way=wires');
    const write = screen.getByRole('button', { name: 'Write it down' });
    expect(write).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Marks at the end that was fed'), 'red stripe, dots');
    await userEvent.type(screen.getByLabelText(/^Which mark is plus/), 'dots');
    await userEvent.click(write);
    await waitFor(() =>
      expect(store.getState().facts.all[0]).toMatchObject({
        kind: 'decision',
        recordId: 'net',
        value: { fedEnd: 'red stripe, dots', otherEnd: '', plus: 'dots', wayBack: '' },
      }),
    );
    expect(screen.getByText('Fed end: red stripe, dots. Plus: dots.')).toBeInTheDocument();
  });
});

describe('the page “Type in”', () => {
  it('names first what changed since it was typed, until that is typed too', async () => {
    const { store } = open('page=ticks&device=a');
    const values = () => screen.getAllByRole('region').map((region) => region.getAttribute('aria-label'));
    expect(values()[0]).not.toBe('Changed since it was typed');
    await act(async () => {
      store.getState().note([tickOf('a', 'port.1.pixels', '7')]);
      await waitFor(() => expect(store.getState().saving).toBe('saved'));
    });
    const changed = screen.getByRole('region', { name: 'Changed since it was typed' });
    expect(screen.getAllByRole('region')[0]).toBe(changed);
    expect(changed).toHaveTextContent('1 value changedA1 pixelswas 712');
    await userEvent.click(within(changed).getByRole('checkbox'));
    await waitFor(() => expect(store.getState().saving).toBe('saved'));
    expect(store.getState().facts.isTyped('a', 'port.1.pixels', '12')).toBe(true);
    expect(changed).not.toBeInTheDocument();
  });
});

describe('the line', () => {
  it('says what waits while the laptop is not heard, and that it is saved again', async () => {
    let isCut = true;
    window.history.replaceState(null, '', '/phone/quay?page=ticks');
    const { store } = openShow(show, <PhonePages />, {
      note: async (_id, facts) => {
        if (isCut) throw new TypeError('Failed to fetch');
        return { added: facts.length, noted: facts.length };
      },
    });
    await act(() => store.getState().heard({ showId: 'quay', is: 'unheard' }));
    const line = within(screen.getByRole('banner')).getByRole('status');
    expect(line).toHaveTextContent('The laptop is not heard. What you tick or type waits');
    await userEvent.click(screen.getAllByRole('checkbox')[0]!);
    expect(line).toHaveTextContent('1 note waits and is sent when it is');
    isCut = false;
    await act(() => store.getState().heard({ showId: 'quay', is: 'at', sequence: 0, noted: 0 }));
    await waitFor(() => expect(line).toHaveTextContent(/^saved$/));
  });
});

it('has a page for a prop that is on no port, and says so', () => {
  open('page=prop&prop=net&pixel=3');
  const pixel = within(screen.getByRole('region', { name: 'The pixel' }));
  expect(pixel.getByRole('heading')).toHaveTextContent('on no port');
  expect(pixel.getByText(/^Its run is on no port yet/)).toBeInTheDocument();
});

it('has a page in a show without anything, which says what is missing', () => {
  window.history.replaceState(null, '', '/phone/quay?page=prop');
  openShow(aShow({ props: [] }), <PhonePages />);
  expect(screen.getByText(/^No prop yet/)).toBeInTheDocument();
});
