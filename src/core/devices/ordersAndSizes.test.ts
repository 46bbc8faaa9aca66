import { DEVICE_SETTINGS } from './settings/registry';
import { settingWords } from './settings/typed';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { foundExactly } from '../../../tests/unit/foundExactly';
import { planShow } from '../plan/plan';
import { tile } from '../props/tile';
import type { Show } from '../show/schema';
import { coloursOfBothEnds } from './bothEnds';
import { differences } from './differences';
import { deviceSettings } from './deviceSettings';
import { colourPlan } from './colourOrders';
import type { FoundSettings } from './found';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import type { UNIVERSE_SIZES } from '../catalogue/controllers/telling';
import { channelsToType } from './universeSizes';

describe('colour orders', () => {
  const grb = (coloursAt: 'controller' | 'sender') => {
    const show = aShow({ props: [aLine('rail', 10)], controllers: [aController({ coloursAt })] });
    show.pixelTypes[0]!.colourOrder = 'GRB';
    return planShow(onPorts(show, ['rail', 1, 1]));
  };
  const looked = (where: FoundSettings['where'], colourOrder: string): FoundSettings => ({
    controllerId: 'a',
    where,
    foundAt: 'on Friday',
    ports: [{ port: 1, colourOrder }],
  });

  it('are told to one end only', () => {
    expect(colourPlan(grb('controller'), 0)).toMatchObject({ controller: 'GRB', sender: 'RGB' });
    expect(colourPlan(grb('sender'), 0)).toMatchObject({ controller: 'RGB', sender: 'GRB' });
  });
  it('are right where each end is as planned, whichever corrects', () => {
    for (const at of ['controller', 'sender'] as const) {
      const { controller, sender } = colourPlan(grb(at), 0);
      expect(differences(grb(at), looked('controller', controller))).toEqual([]);
      expect(differences(grb(at), looked('sender', sender))).toEqual([]);
      expect(coloursOfBothEnds(grb(at), looked('controller', controller), looked('sender', sender))).toEqual(
        [],
      );
    }
  });
  it('come out right where the other end corrects than is planned, and are exchanged where both do', () => {
    const plan = grb('controller');
    expect(coloursOfBothEnds(plan, looked('controller', 'RGB'), looked('sender', 'GRB'))).toMatchObject([
      { isRight: true },
    ]);
    expect(coloursOfBothEnds(plan, looked('controller', 'GRB'), looked('sender', 'GRB'))).toMatchObject([
      { isRight: false, words: expect.stringContaining('red shows as green') as string },
    ]);
  });
  it('say what the device’s own red looks like where it is set to RGB and GRB is right', () => {
    expect(differences(grb('controller'), looked('controller', 'RGB'))).toMatchObject([
      { planned: 'GRB', symptom: 'red shows as green and green shows as red' },
    ]);
  });
});

it('tells of each universe what its packing holds: 512 for whole RGBW pixels, 150 where that is said, nothing under DDP', () => {
  const told = (show: Show) => deviceSettings(planShow(show), 0).channelsPerUniverse;
  const show = onPorts(aShow({ props: [aLine('rail', 300)], controllers: [aController()] }), ['rail', 1, 1]);
  expect(told(show)).toBe(510);
  expect(told({ ...show, props: [{ ...show.props[0]!, pixelTypeId: 'rgbw' }] })).toBe(512);
  const small = { kind: 'custom' as const, channelsPerUniverse: 150 };
  expect(told({ ...show, patch: [{ ...show.patch[0]!, packing: small }] })).toBe(150);
  expect(told({ ...show, props: [{ ...show.props[0]!, packing: small }] })).toBe(150);
  expect(told({ ...show, controllers: [aController({ portOptions: [{ port: 1, packing: small }] })] })).toBe(
    150,
  );
  expect(told({ ...show, controllers: [aController({ protocol: 'ddp' })] })).toBeNull();
  // Tiles end their universes earlier in the show's count; the device counts whole pixels all the same.
  const tiles = onPorts(
    { ...show, props: [aLine('deck', 1, { kind: 'tile', ...tile.starter() } as never)] },
    ['deck', 1, 1],
  );
  expect(told(tiles)).toBe(510);
  const two = onPorts(
    { ...show, props: [aLine('rail', 170), aLine('arch', 100, { pixelTypeId: 'rgbw' })] },
    ['rail', 1, 1],
    ['arch', 1, 2],
  );
  // No port goes on from one universe to the next: one number does.
  expect(told(two)).toBe(512);
  const kind = (value: (typeof UNIVERSE_SIZES)[number]) => ({
    ...two,
    controllers: [aController({ typeId: 'kind' })],
    controllerTypes: [
      {
        ...SHIPPED_CONTROLLER_TYPES[0]!,
        id: 'kind',
        universeSizes: { value, basis: 'typed' as const },
        order: 'a0',
      },
    ],
  });
  expect(told(kind('each'))).toBe('510 in U1 and 512 in U2');
  expect(told(kind('wholePixels'))).toBe('whole pixels');
  expect(told(kind('fixed512'))).toBeNull();
});

it('says by how many pixels a picture is shifted, whatever they are made of', () => {
  const show = onPorts(
    aShow({ props: [aLine('rail', 30, { pixelTypeId: 'rgbw' })], controllers: [aController()] }),
    ['rail', 1, 1],
  );
  const plan = planShow(show);
  const found = foundExactly(deviceSettings(plan, 0));
  const shifted = (channel: number) =>
    differences(plan, { ...found, ports: [{ ...found.ports[0]!, channel }] })[0]!.symptom;
  expect(shifted(9)).toBe('the picture is shifted by 2 pixels');
  expect(shifted(4)).toMatch(/colours rotate/);
});

it('counts bytes of a flat space from 0 to the last one in use, and no universes', () => {
  const show = onPorts(
    aShow({
      props: [aLine('rail', 100), aLine('arch', 50, { pixelTypeId: 'rgbw' })],
      controllers: [aController({ protocol: 'ddp' })],
    }),
    ['rail', 1, 1],
    ['arch', 1, 2],
  );
  const settings = deviceSettings(planShow(show), 0);
  expect(settings).toMatchObject({
    firstUniverse: null,
    lastUniverse: null,
    universes: null,
    channelsPerUniverse: null,
    bytes: 500,
  });
  expect(settings.ports).toMatchObject([
    { startByte: 0, endByte: 299, universe: null, channel: null, deviceChannel: null },
    { startByte: 300, endByte: 499, endUniverse: null, endChannel: null, deviceEndChannel: null },
  ]);
});

it('says in a few words which universes hold which sizes', () => {
  const sizes = (...counts: number[]) => new Map(counts.map((channels, i) => [i + 1, channels]));
  expect(channelsToType(sizes(510, 510, 510, 512))).toBe('510 in U1–U3 and 512 in U4');
  expect(channelsToType(sizes(510, 510, 512), 'port-address ')).toBe(
    '510 in port-address 1–2 and 512 in port-address 3',
  );
  // A gap parts a stretch, as another size does.
  expect(
    channelsToType(
      new Map([
        [1, 510],
        [2, 510],
        [4, 510],
        [5, 512],
      ]),
    ),
  ).toBe('510 in U1–U2, 510 in U4 and 512 in U5');
  expect(channelsToType(sizes(510, 512, 510, 512, 510))).toBe('510 and 512, by universe');
  expect(channelsToType(sizes(510, 512, 510, 512))).toBe('510 in U1, 512 in U2, 510 in U3 and 512 in U4');
  expect(channelsToType(new Map())).toBeNull();
});

it('calls universes what the protocol calls them, one and several', () => {
  const setting = DEVICE_SETTINGS.find(({ field }) => field === 'universes')!;
  expect(settingWords(setting, { protocol: 'e131' })).toBe('number of universes');
  expect(settingWords(setting, { protocol: 'artnet' })).toBe('number of port-addresses');
  const first = DEVICE_SETTINGS.find(({ field }) => field === 'firstUniverse')!;
  expect(settingWords(first, { protocol: 'artnet' })).toBe('first port-address');
});
