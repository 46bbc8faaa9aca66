import { cleanup } from '@testing-library/react';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import type { BenchState } from '@/core/rig/benchState';
import { SendTrial } from './SendTrial';
import { setTest, useTest } from './useTest';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

const CLOSED: BenchState = { isOpen: false, takenBy: null, notes: [], sending: null, heard: [] };
const show = onPorts(aShow({ props: [aLine('rail', 12)], controllers: [aController()] }), ['rail', 1, 1]);

beforeEach(() => {
  globalThis.fetch = jest.fn(async () => ({ ok: true, json: async () => CLOSED }) as Response);
  setTest({ pattern: 'off', isRunning: false, goes: 'preview' });
});

it.each([
  ['red', null, 'red', 30],
  ['white', 10, 'white', 10],
  [null, 20, 'ramp', 20],
] as const)(
  'has %p sent at %p percent, and nothing once it is left',
  async (trial, percent, pattern, sent) => {
    openSheet(show, (plan) => <SendTrial plan={plan} prop={0} step={{ trial, percent }} />);
    expect(useTest.getState()).toMatchObject({ pattern, percent: sent, isRunning: true, goes: 'preview' });
    cleanup();
    expect(useTest.getState().isRunning).toBe(false);
  },
);

it('sends nothing while a device is to show its own fill', () => {
  setTest({ pattern: 'red', isRunning: true, goes: 'devices' });
  openSheet(show, (plan) => <SendTrial plan={plan} prop={0} step={{ trial: 'ownFill', percent: null }} />);
  expect(useTest.getState()).toMatchObject({ pattern: 'off', isRunning: false });
});
