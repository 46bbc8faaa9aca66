import { aController, aLine, aShow, onPorts } from '../../../../tests/unit/shows';
import { SHIPPED_CONTROLLER_TYPES } from '../../catalogue/controllerType';
import { planShow } from '../../plan/plan';
import type { Show } from '../schema';
import { applyEdit, labelOf, type Edit } from './registry';

const show = onPorts(
  aShow({
    props: [aLine('rail', 10), aLine('arch', 20)],
    controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B' })],
  }),
  ['rail', 1, 1],
  ['arch', 1, 1],
);
const after = (...edits: Edit[]): Show => edits.reduce(applyEdit, show);
const task = (what: string, old: string, next: string) => ({
  id: `${what}-${next}`.replace(/\W+/g, '-'),
  controllerId: 'a',
  port: 'A1',
  what,
  old,
  new: next,
  done: false,
});
const add = (...tasks: ReturnType<typeof task>[]): Edit => ({ type: 'addTasks', tasks });

describe('values to type', () => {
  it('take the place of those that are open for the same value, from what the device still holds', () => {
    const twice = after(add(task('pixels', '10', '12')), add(task('pixels', '12', '15')));
    expect(twice.tasks).toEqual([expect.objectContaining({ old: '10', new: '15' })]);
  });
  it('are nothing any more when the value goes back to what the device holds', () => {
    expect(after(add(task('pixels', '10', '12')), add(task('pixels', '12', '10'))).tasks).toEqual([]);
  });
  it('come again once they are ticked off', () => {
    const done = after(add(task('pixels', '10', '12')), {
      type: 'tickTask',
      taskId: 'pixels-12',
      done: true,
    });
    expect(applyEdit(done, add(task('pixels', '12', '15'))).tasks).toHaveLength(2);
    expect(applyEdit(done, { type: 'clearDoneTasks' }).tasks).toEqual([]);
  });
  it('take back what was set and seen on the device', () => {
    const seen = after({
      type: 'setDeviceState',
      state: { controllerId: 'a', steps: ['set', 'saved', 'seen'] },
    });
    expect(applyEdit(seen, add(task('pixels', '10', '12'))).deviceStates).toEqual([]);
  });
  it('go with their controller', () => {
    const noted = after(add(task('pixels', '10', '12')), {
      type: 'recordFound',
      found: { controllerId: 'a', where: 'controller', foundAt: 'today', ports: [{ port: 1 }] },
    });
    const gone = applyEdit(noted, { type: 'removeController', controllerId: 'a' });
    expect([gone.tasks, gone.found, gone.patch]).toEqual([[], [], []]);
  });
  it('are refused for a device that is not there, in a sentence', () => {
    expect(() => after(add({ ...task('pixels', '1', '2'), controllerId: 'zz' }))).toThrow(
      /no controller “zz”/,
    );
  });
});

it('swaps everything behind two ports, order and skipped pixels kept', () => {
  const swapped = after({
    type: 'swapPorts',
    one: { controllerId: 'a', port: 1 },
    other: { controllerId: 'b', port: 3 },
  });
  expect(planShow(swapped).ports.map((port) => [port.controller, port.port, port.runs])).toEqual([
    [1, 3, [0, 1]],
  ]);
  expect(
    labelOf(show, {
      type: 'swapPorts',
      one: { controllerId: 'a', port: 1 },
      other: { controllerId: 'b', port: 3 },
    }),
  ).toBe('Swap A1 and B3');
});

it('keeps pins and spares when a run moves to another port', () => {
  const pinned = after({
    type: 'setRunAddress',
    propId: 'rail',
    run: 1,
    change: { pin: { universe: 9, channel: 1 }, spareChannels: 6 },
  });
  const moved = applyEdit(pinned, { type: 'putRun', propId: 'rail', run: 1, controllerId: 'b', port: 2 });
  expect(moved.patch.find((entry) => entry.propId === 'rail')).toMatchObject({
    controllerId: 'b',
    pin: { universe: 9, channel: 1 },
    spareChannels: 6,
  });
  const free = applyEdit(moved, {
    type: 'setRunAddress',
    propId: 'rail',
    run: 1,
    change: { pin: null, spareChannels: null },
  });
  expect(Object.keys(free.patch.find((entry) => entry.propId === 'rail')!)).not.toContain('pin');
});

describe('kinds of controllers', () => {
  const kind = SHIPPED_CONTROLLER_TYPES[0]!;
  it('are added, changed in their place, and not removed while one is of them', () => {
    const typed = after(
      { type: 'setControllerType', controllerType: kind },
      { type: 'changeController', controllerId: 'a', change: { typeId: kind.id } },
      { type: 'setControllerType', controllerType: { ...kind, name: 'Mine' } },
    );
    expect(typed.controllerTypes).toEqual([{ ...kind, name: 'Mine' }]);
    expect(() => applyEdit(typed, { type: 'removeControllerType', typeId: kind.id })).toThrow(
      /Box A is of this kind/,
    );
    const free = applyEdit(typed, { type: 'changeController', controllerId: 'a', change: { typeId: null } });
    expect(applyEdit(free, { type: 'removeControllerType', typeId: kind.id }).controllerTypes).toEqual([]);
  });
  it('are refused where the show has none of that id', () => {
    expect(() =>
      after({ type: 'changeController', controllerId: 'a', change: { typeId: 'nothing' } }),
    ).toThrow(/is of the kind “nothing”, which the show does not have/);
  });
});

it('says in the history what was noted', () => {
  const labels = (edit: Edit) => labelOf(show, edit);
  expect(labels({ type: 'setSender', sender: { name: 'Player', ip: '10.0.0.1', maskBits: 24 } })).toBe(
    'The sender is at 10.0.0.1',
  );
  expect(labels({ type: 'setDeviceState', state: { controllerId: 'a', steps: ['set'] } })).toBe('Box A: set');
  expect(
    labels({ type: 'setRunAddress', propId: 'rail', run: 1, change: { pin: { universe: 4, channel: 7 } } }),
  ).toBe('rail run 1: stays at universe 4 channel 7');
  expect(labels({ type: 'changeController', controllerId: 'a', change: { network: null } })).toBe(
    'Box A: no network address',
  );
  expect(labels({ type: 'setSite', site: null })).toBe('Put the site drawing away');
});
