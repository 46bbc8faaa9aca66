import {
  careOf,
  currentFacts,
  Facts,
  firmwareFound,
  isCaredFor,
  stepOf,
  tickOf,
  type Fact,
  type Note,
} from './facts';

let id = 0;
const noted = (...notes: Note[]): Facts =>
  new Facts(
    currentFacts(notes.map((note): Fact => ({ ...note, id: `f${(id += 1)}`, at: '2026-11-27T18:00:00Z' }))),
  );

const VALUES = [['port.1.pixels', 50]];
const typed = tickOf('a', 'port.1.pixels', '50');
const saved = stepOf('a', 'saved', VALUES);
const firmware = (version: string, was: string | null) =>
  firmwareFound('a', version, was === null ? null : { version: was, was: null });

describe('firmware of a device', () => {
  it('opens what was ticked and done before, once it is another', () => {
    const facts = noted(firmware('2.0', null), typed, saved, firmware('2.1', '2.0'));
    expect(facts.firmwareOf('a')).toEqual({ version: '2.1', was: '2.0' });
    expect(facts.isTyped('a', 'port.1.pixels', '50')).toBe(false);
    expect(facts.isStepDone('a', 'saved', VALUES)).toBe(false);
  });
  it('lets stand what was ticked after it, and what is of other devices', () => {
    const other = { ...typed, recordId: 'b' };
    const facts = noted(other, firmware('2.0', null), firmware('2.1', '2.0'), typed, saved);
    expect(facts.isTyped('a', 'port.1.pixels', '50')).toBe(true);
    expect(facts.isStepDone('a', 'saved', VALUES)).toBe(true);
    expect(facts.isTyped('b', 'port.1.pixels', '50')).toBe(true);
  });
  it('opens nothing when it is looked at for the first time: nobody knows that it is another', () => {
    const facts = noted(typed, saved, firmware('2.0', null));
    expect(facts.isTyped('a', 'port.1.pixels', '50')).toBe(true);
    expect(facts.isStepDone('a', 'saved', VALUES)).toBe(true);
  });
});

it('keeps that the password was changed, and takes it back', () => {
  expect(isCaredFor(noted(careOf('a', 'passwordChanged', true)), 'a', 'passwordChanged')).toBe(true);
  expect(
    isCaredFor(
      noted(careOf('a', 'passwordChanged', true), careOf('a', 'passwordChanged', false)),
      'a',
      'passwordChanged',
    ),
  ).toBe(false);
  expect(isCaredFor(noted(careOf('a', 'passwordChanged', true)), 'a', 'updatesFrozen')).toBe(false);
});
