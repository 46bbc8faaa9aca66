import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import { planShow } from '../plan/plan';
import type { Prop } from '../props/registry';
import { craft } from '../props/craft';
import { screen } from '../props/screen';
import { wall } from '../props/wall';
import { applyEdit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { findingsOf } from './registry';

const aWall = {
  ...aLine('wall', 1),
  kind: 'wall',
  ...wall.starter(),
} as Prop;

const found = (show: Show) => findingsOf(planShow(show)).filter(({ check }) => check === 'run-on-no-port');

/** Presses a mend and answers with what is left of the finding. */
function press(show: Show, label: string | RegExp): Show {
  const mend = found(show)
    .flatMap(({ mends }) => mends)
    .find((each) => (typeof label === 'string' ? each.label === label : label.test(each.label)));
  expect(mend?.label ?? found(show).flatMap(({ mends }) => mends.map((each) => each.label))).toMatch(label);
  const next = applyEdit(show, mend!.edit);
  expect(found(next)).toEqual([]);
  return next;
}

it('says that there is no controller, and adds the smallest that takes it', () => {
  const show = aShow({ props: [aLine('rail', 300)] });
  expect(found(show)[0]!.message).toContain('no address: there is no controller yet.');
  const next = press(show, 'Add a controller: 4 ports, Ethernet');
  expect(next.controllers).toMatchObject([{ ports: 4, mostPixelsPerPort: 1024, typeId: 'ethernet-4' }]);
});

it('adds what usually drives a prop of its kind', () => {
  const added = (kind: string, starter: object) =>
    press(aShow({ props: [{ ...aLine('p', 1), kind, ...starter } as Prop] }), /^Add a controller: /)
      .controllers[0]!.typeId;
  expect(added('screen', screen.starter())).toBe('serial-1');
  // The driver of a screen is asked for: a board on USB, its own pin, or a node on the network.
  expect(
    found(
      aShow({ props: [{ ...aLine('p', 1), kind: 'screen', ...screen.starter() } as Prop] }),
    )[0]!.mends.map(({ label }) => label),
  ).toEqual([
    'Add a controller: Serial-fed microcontroller',
    'Add a controller: Single-board computer, its own pin',
    'Add a controller: Wi-Fi microcontroller, 2 pins',
  ]);
  const { shape, threading } = craft.starter();
  const pixels = [{ column: 0, row: 0, facing: 'up', roles: [] }];
  expect(added('craft', { shape: { ...shape, pixels }, threading })).toBe('flight-board');
});

it('offers no board on USB for a screen that is too long for one', () => {
  const shape = { ...screen.starter().shape, pixelsPerMetre: 144 };
  const prop = { ...aLine('p', 1), kind: 'screen', ...screen.starter(), shape } as Prop;
  expect(press(aShow({ props: [prop] }), /^Add a controller: /).controllers[0]!.typeId).toBe('bare-pin-1');
});

it('says that all ports hold something, and puts it behind one with room', () => {
  const show = onPorts(
    aShow({
      props: [aLine('rail', 300), aLine('arch', 50)],
      controllers: [aController({ ports: 1, mostPixelsPerPort: 400 })],
    }),
    ['rail', 1, 1],
  );
  expect(found(show)[0]!.message).toContain('all 1 port of the controllers hold something or are reserved');
  expect(press(show, /^Put behind rail on A1$/).patch).toHaveLength(2);
});

it('says how much free ports drive, and splits what is longer', () => {
  const show = aShow({
    props: [aGrid('net', 20, 60)],
    controllers: [aController({ ports: 4, mostPixelsPerPort: 680 })],
  });
  expect(found(show)[0]!.message).toContain(
    'it takes 1,200 pixels, and the free ports drive at most 680 (A1)',
  );
  const next = press(show, /^Split into 2 runs, on A1, A2$/);
  expect(planShow(next).ports.map(({ places }) => places)).toEqual([600, 600]);
});

it('offers the limit of the kind with what that stands on', () => {
  const type = SHIPPED_CONTROLLER_TYPES.find(({ id }) => id === 'ethernet-4')!;
  const show = {
    ...aShow({
      props: [aLine('rail', 900)],
      controllers: [aController({ ports: 4, mostPixelsPerPort: 500, typeId: type.id })],
    }),
    controllerTypes: [type],
  };
  const next = press(
    show,
    /^Let Box A drive 1,024 pixels a port \(4 ports, Ethernet: .*manual.*\), and put it on A1$/,
  );
  expect(next.controllers[0]!.mostPixelsPerPort).toBe(1024);
});

it('does not send panels to ports of strings', () => {
  const type = SHIPPED_CONTROLLER_TYPES.find(({ id }) => id === 'ethernet-4')!;
  const show = {
    ...aShow({
      props: [aWall],
      controllers: [aController({ ports: 4, mostPixelsPerPort: 100_000, typeId: type.id })],
    }),
    controllerTypes: [type],
  };
  expect(found(show)[0]!.message).toContain('panels need a card or a player for panels');
  press(show, /^Add a controller: /);
});
