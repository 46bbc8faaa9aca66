import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { Facts, tickOf, type Fact } from '../show/facts';
import type { Show } from '../show/schema';
import { codeOfThing, readCode } from './labels/code';
import { LABEL_KINDS, labelsOf, labelsWithCode } from './labels/labels';
import { changesSince, markedSheets, markOf, readMark, sheetWithMark } from './mark';
import { sheetsOf } from './sheets';

const HERE = { origin: 'http://127.0.0.1:3000', showId: 'quay' };
const show = onPorts(
  aShow({ props: [aLine('rail', 30), aLine('gate', 20)], controllers: [aController()] }),
  ['rail', 1, 1],
  ['gate', 1, 2],
);
const sheet = (of: Show, id: string) => markedSheets(planShow(of), HERE).get(id)!;
const longer: Show = {
  ...show,
  props: show.props.map((prop) => (prop.id === 'gate' ? aLine('gate', 25) : prop)),
};

it('keeps the letters of a sheet as long as nothing on it changes', () => {
  const before = markOf(sheet(show, 'build.rail'), 3);
  expect(before).toMatch(/^3-[2-9A-Z]{5}$/);
  // Another prop got longer: this sheet says the same, that of the device does not.
  expect(markOf(sheet(longer, 'build.rail'), 9)).toBe(before.replace('3-', '9-'));
  expect(markOf(sheet(longer, 'device.a'), 3)).not.toBe(markOf(sheet(show, 'device.a'), 3));
  // The address in a code changes no mark.
  expect(markOf(sheet({ ...show, papers: { host: 'lantern.local' } }, 'labels-ports'), 1)).toBe(
    markOf(sheet(show, 'labels-ports'), 1),
  );
});

it('does not mind what is ticked after printing', () => {
  const tick: Fact = { ...tickOf('a', 'port.1.pixels', '30'), id: 'x', at: '2026-11-27T18:00:00Z' };
  const ticked = sheetsOf(planShow(show), new Facts([tick]), HERE).find(({ id }) => id === 'device.a')!;
  expect(markOf(sheet(show, 'device.a'), 1)).toBe(markOf(ticked, 1));
});

it('finds a sheet by its mark, and tells line by line what is otherwise now', () => {
  const { letters } = readMark(markOf(sheet(show, 'device.a'), 3))!;
  expect(sheetWithMark(planShow(show), HERE, letters)!.id).toBe('device.a');
  expect(sheetWithMark(planShow(longer), HERE, letters)).toBeNull();
  const changes = changesSince(sheet(show, 'device.a'), sheet(longer, 'device.a'));
  expect(changes.filter((line) => line.startsWith('no more: A2'))).toHaveLength(1);
  expect(changes.filter((line) => line.startsWith('now: A2 · 25'))).toHaveLength(1);
  expect(changes.filter((line) => line.includes('A1'))).toEqual([]);
});

it.each([
  ['41-K7QF2', { revision: 41, letters: 'K7QF2' }],
  [' 41 – k7qf2 ', { revision: 41, letters: 'K7QF2' }],
  ['0K7QF2', { revision: 0, letters: 'K7QF2' }],
])('reads the mark %s', (text, mark) => expect(readMark(text)).toEqual(mark));
it.each(['', '41', 'K7QF2', '41-K7', 'nothing', '-1-K7QF2'])('takes “%s” for no mark', (text) =>
  expect(readMark(text)).toBeNull(),
);

it('gives every label of any show a code of its own, by which it is found', () => {
  fc.assert(
    fc.property(anyBusyShow, (any) => {
      const plan = planShow(any);
      const labels = LABEL_KINDS.flatMap((kind) => [...labelsOf(plan, kind)]);
      expect(new Set(labels.map(({ code }) => code)).size).toBe(labels.length);
      for (const label of labels.slice(0, 10)) {
        expect(readCode(` ${label.code.toLowerCase()} `)).toBe(label.code);
        expect(labelsWithCode(plan, label.code).map(({ thing }) => thing)).toEqual([label.thing]);
      }
    }),
    { numRuns: tries(30) },
  );
});

it('keeps the code of a thing whatever it is called', () => {
  const renamed = { ...show, props: show.props.map((prop) => ({ ...prop, name: `New ${prop.name}` })) };
  const codes = (of: Show) => [...labelsOf(planShow(of), 'strands')].map(({ code }) => code);
  expect(codes(renamed)).toEqual(codes(show));
  expect(codeOfThing({ list: 'props', recordId: 'rail', part: 'strand 1' })).toMatch(/^[2-9A-Z]{6}$/);
});
