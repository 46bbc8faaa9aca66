import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { addressOf } from './lookup';
import { planShow } from '../plan/plan';
import type { Controller } from '../catalogue/controller';
import type { Packing } from '../catalogue/packing';
import { e131Words, numberingsOf, strandWords } from './numberings';

function plan(
  controller: Partial<Controller> = {},
  packing: Packing = { kind: 'wholePixels' },
  pixelTypeId = 'rgb',
) {
  const show = aShow({
    props: [aLine('rail', 400, { pixelTypeId })],
    controllers: [aController(controller)],
    addressing: { packing, newUniverse: 'controller' },
  });
  return planShow(onPorts(show, ['rail', 1, 1]));
}
const words = (planned: ReturnType<typeof plan>, pixel: number) =>
  Object.fromEntries(numberingsOf(addressOf(planned, pixel)).map(({ name, value }) => [name, value]));

it('says the channels of a pixel as a stretch', () => {
  expect(e131Words(addressOf(plan(), 1).wire!.e131!)).toBe('U1 ch 4–6');
});

it('says both universes of a pixel that straddles them', () => {
  const planned = plan({}, { kind: 'full512' });
  expect(e131Words(addressOf(planned, 170).wire!.e131!)).toBe('U1 ch 511 – U2 ch 1');
  expect(words(planned, 170)['Show channel']).toBe('511');
});

it('says one channel of a light that has one', () => {
  const planned = plan({}, { kind: 'wholePixels' }, 'white');
  expect(words(planned, 4)).toMatchObject({ 'E1.31': 'U1 ch 5', 'Show channel': '5' });
});

it('says each numbering system in its own way of counting', () => {
  expect(words(plan({ firstUniverse: 20, firstLedIndex: 1, artNetOffset: 0 }), 399)).toEqual({
    'Port and place': 'A1 400',
    'Chain position of run': '1',
    'Show channel': '1,198–1,200',
    'E1.31': 'U22 ch 178–180',
    'Art-Net': '0.1.6 ch 178',
    DDP: 'byte 1,197',
    'LED index': '400',
  });
});

it('leaves out what there is not', () => {
  expect(Object.keys(words(plan({ protocol: 'ddp' }), 0))).toEqual([
    'Port and place',
    'Chain position of run',
    'Show channel',
    'DDP',
    'LED index',
  ]);
  // Past the last universe there is a wire, but no address.
  expect(words(plan({ firstUniverse: 63_999 }), 399)).toEqual({
    'Port and place': 'A1 400',
    'Chain position of run': '1',
    DDP: 'byte 1,197',
    'LED index': '399',
  });
  expect(numberingsOf(addressOf(planShow(aShow({ props: [aLine('rail', 2)] })), 0))).toEqual([]);
});

it('says where on the prop a pixel is', () => {
  expect(strandWords(addressOf(plan(), 17), 'leg')).toBe('leg 1, pixel 18');
});
