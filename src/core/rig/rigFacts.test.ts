import { Facts, type Fact, type Note } from '../show/facts';
import { AS_PLANNED, rigNote, rigSetup, type RigSetup } from './rigFacts';
import type { Fault } from './faults/registry';

const FAULT: Fault = { kind: 'noPower', controllerId: 'a' };
const withFault = (fault: Fault): RigSetup => ({ faults: [fault], devices: [] });
let facts = 0;
const noted = (note: Note): Fact => ({ ...note, id: `f${(facts += 1)}`, at: '2026-11-26T20:00:00Z' });

it('takes the place of what came with the file of a show, and is gone once all of it is mended', () => {
  const came = new Facts([noted({ ...rigNote(new Facts([]), 'as-it-was-called', withFault(FAULT)) })]);
  expect(rigSetup(came)).toEqual(withFault(FAULT));
  const other: Fault = { kind: 'notReached', controllerId: 'a' };
  const changed = came.with([noted(rigNote(came, 'as-it-is-called', withFault(other)))]);
  expect(rigSetup(changed)).toEqual(withFault(other));
  const mended = changed.with([noted(rigNote(changed, 'as-it-is-called', AS_PLANNED))]);
  expect(rigSetup(mended)).toEqual(AS_PLANNED);
  expect(mended.all).toEqual([]);
});
