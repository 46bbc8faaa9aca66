import { Facts, type Fact, type Note } from '../show/facts';
import { rigFaults, rigNote } from './rigFacts';
import type { Fault } from './faults/registry';

const FAULT: Fault = { kind: 'noPower', controllerId: 'a' };
let facts = 0;
const noted = (note: Note): Fact => ({ ...note, id: `f${(facts += 1)}`, at: '2026-11-26T20:00:00Z' });

it('takes the place of what came with the file of a show, and is gone once all of it is mended', () => {
  const came = new Facts([noted({ ...rigNote(new Facts([]), 'as-it-was-called', [FAULT]) })]);
  expect(rigFaults(came)).toEqual([FAULT]);
  const other: Fault = { kind: 'notReached', controllerId: 'a' };
  const changed = came.with([noted(rigNote(came, 'as-it-is-called', [other]))]);
  expect(rigFaults(changed)).toEqual([other]);
  const mended = changed.with([noted(rigNote(changed, 'as-it-is-called', []))]);
  expect(rigFaults(mended)).toEqual([]);
  expect(mended.all).toEqual([]);
});
