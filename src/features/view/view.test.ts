import fc from 'fast-check';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import { STAGES } from '@/core/stages/stages';
import { addressOfView, viewOfAddress, type Subject, type View } from './address';
import { OLD_STAGES } from './oldAddresses';
import { selectionOf, subjectOfPixel, viewOfHit } from './selection';

const number = fc.integer({ min: 1, max: 5000 });
const id = fc.stringMatching(/^[a-z0-9][a-z0-9-]{0,12}$/);
const subject: fc.Arbitrary<Subject | null> = fc.oneof(
  fc.constant(null),
  id.map((propId): Subject => ({ kind: 'prop', propId })),
  fc.tuple(id, number).map(([propId, run]): Subject => ({ kind: 'prop', propId, run })),
  fc.tuple(id, number, number).map(([propId, run, pixel]): Subject => ({ kind: 'prop', propId, run, pixel })),
  fc
    .tuple(fc.stringMatching(/^[A-Z]{1,3}[1-9]$/), number)
    .map(([port, place]): Subject => ({ kind: 'port', port, place })),
  id.map((controllerId): Subject => ({ kind: 'controller', controllerId })),
);

it('gives every view an address, and reads it again', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...STAGES.map((stage) => stage.id)),
      subject,
      fc.constantFrom('front' as const, 'back' as const),
      fc.constantFrom(null, 'setting-out', 'compare'),
      (stage, about, side, sheet) => {
        const view: View = { stage, subject: about, side, sheet };
        const address = new URL(addressOfView('quay', view), 'http://127.0.0.1');
        expect(viewOfAddress(address.pathname, address.search)).toEqual(view);
      },
    ),
  );
});

it.each([
  '/shows/quay',
  '/shows/quay/nowhere',
  '/shows/quay/build/prop',
  '/shows/quay/route/prop/x/run/-1/pixel/0',
  '/shows/quay/build/what/x',
])('shows something at %s', (pathname) => {
  const view = viewOfAddress(pathname, '?from=sideways&sheet=%2F');
  expect(STAGES.map((stage) => stage.id)).toContain(view.stage);
  expect(view.side).toBe('front');
  expect(view.sheet).toBeNull();
});

it('reads the sheets of old addresses by their names of today, and every old path leads to a stage of today', () => {
  expect(viewOfAddress('/shows/quay/test/prop/net', '?sheet=bring-up').sheet).toBe('first-power-up');
  expect(viewOfAddress('/shows/quay/test', '?sheet=rig').sheet).toBe('simulator');
  const ids = STAGES.map(({ id }) => id);
  for (const [old, now] of Object.entries(OLD_STAGES)) {
    expect(ids).toContain(now);
    expect(ids).not.toContain(old);
  }
});

describe('what a view points at', () => {
  const plan = planShow(
    onPorts(
      aShow({ props: [aLine('rail', 30), aGrid('net', 4, 5, { runs: 2 })], controllers: [aController()] }),
      ['rail', 1, 1, 2],
      ['net', 1, 1],
    ),
  );

  it('is the same pixel by its prop and by its place on the wire', () => {
    expect(selectionOf(plan, { kind: 'prop', propId: 'net', run: 1, pixel: 3 })).toEqual({
      prop: 1,
      run: 1,
      pixel: 32,
    });
    expect(selectionOf(plan, { kind: 'port', port: 'A1', place: 35 })).toEqual({
      controller: 0,
      port: 1,
      prop: 1,
      run: 1,
      pixel: 32,
    });
    expect(subjectOfPixel(plan, 32)).toEqual({ kind: 'prop', propId: 'net', run: 1, pixel: 3 });
  });

  it('is as much as there is of what is gone', () => {
    expect(selectionOf(plan, { kind: 'prop', propId: 'gone' })).toEqual({});
    expect(selectionOf(plan, { kind: 'prop', propId: 'net', run: 9, pixel: 1 })).toEqual({ prop: 1 });
    expect(selectionOf(plan, { kind: 'prop', propId: 'net', run: 1, pixel: 999 })).toEqual({
      prop: 1,
      run: 1,
      pixel: undefined,
    });
    expect(selectionOf(plan, { kind: 'port', port: 'Q1' })).toEqual({});
    expect(selectionOf(plan, { kind: 'port', port: 'A4' })).toEqual({ controller: 0, port: 4 });
  });

  it('leads each search hit to the stage where it is seen', () => {
    expect(viewOfHit(plan, { kind: 'port', controller: 0, port: 2 }, 'build')).toMatchObject({
      stage: 'patch',
      subject: { port: 'A2' },
    });
    expect(viewOfHit(plan, { kind: 'pixel', pixel: 0, channelOfPixel: 0 }, 'patch').stage).toBe('route');
    expect(viewOfHit(plan, { kind: 'prop', prop: 1 }, 'patch')).toEqual({
      stage: 'patch',
      subject: { kind: 'prop', propId: 'net' },
    });
  });
});
