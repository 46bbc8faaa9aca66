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
const task = (field: string, old: string, next: string) => ({
  id: `${field}-${next}`.replace(/\W+/g, '-').toLowerCase(),
  controllerId: 'a',
  field,
  port: 'A1',
  what: field,
  old,
  new: next,
});
const add = (...tasks: ReturnType<typeof task>[]): Edit => ({ type: 'addTasks', tasks });

describe('values to type', () => {
  it('are one for each setting: a later one takes the place of an earlier', () => {
    const twice = after(
      add(task('port.1.pixels', '10', '12'), task('universes', '1', '2')),
      add(task('port.1.pixels', '10', '15')),
    );
    expect(twice.tasks).toMatchObject([{ field: 'universes' }, { field: 'port.1.pixels', new: '15' }]);
  });
  it('are nothing any more when the value goes back to what the device holds', () => {
    expect(after(add(task('universes', '10', '12')), add(task('universes', '10', '10'))).tasks).toEqual([]);
  });
  it('are put away by name', () => {
    const both = after(add(task('universes', '1', '2'), task('firstUniverse', '1', '2')));
    const left = applyEdit(both, { type: 'removeTasks', taskIds: ['universes-2', 'nobody'] });
    expect(left.tasks).toMatchObject([{ field: 'firstUniverse' }]);
  });
  it('are never dropped for being many', () => {
    const many = Array.from({ length: 20_000 }, (_, i) => task(`port.${i}.pixels`, '1', '2'));
    expect(after(add(...many)).tasks).toHaveLength(20_000);
  });
  it('go with their controller', () => {
    const gone = applyEdit(after(add(task('universes', '10', '12'))), {
      type: 'removeController',
      controllerId: 'a',
    });
    expect([gone.tasks, gone.patch]).toEqual([[], []]);
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
    expect(typed.controllerTypes).toMatchObject([{ ...kind, name: 'Mine' }]);
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
  expect(
    labels({ type: 'setRunAddress', propId: 'rail', run: 1, change: { pin: { universe: 4, channel: 7 } } }),
  ).toBe('rail run 1: stays at universe 4 channel 7');
  expect(labels({ type: 'changeController', controllerId: 'a', change: { network: null } })).toBe(
    'Box A: no network address',
  );
  expect(
    labels({ type: 'changeController', controllerId: 'a', change: { typeId: null, protocol: 'artnet' } }),
  ).toBe('Box A: of no known kind, Art-Net');
  expect(labels({ type: 'setSite', site: null })).toBe('Put the site drawing away');
});
