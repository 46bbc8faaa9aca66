import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { PLANNED_SENDER, send } from './sending';

describe('a sender that counts otherwise', () => {
  // Two universes of 170 pixels; each channel holds its number, counted through both.
  const plan = planShow(
    aShow({
      props: [aLine('rail', 340)],
      controllers: [aController({ firstUniverse: 5 })],
      patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
    }),
  );
  const wanted = Uint8Array.from({ length: 4 * 340 }, (_, i) =>
    i % 4 === 3 ? 0 : 1 + ((3 * (i >> 2) + (i % 4)) % 250),
  );
  const byteAt = (channel: number) => 1 + (channel % 250);
  const sentBy = (change: object) => send(plan, { ...PLANNED_SENDER, ...change }, wanted).universes;

  it('sends every universe one lower, whole', () => {
    const planned = sentBy({});
    const lower = sentBy({ universeShift: new Map([[0, -1]]) });
    expect([...lower.keys()]).toEqual([4, 5]);
    expect(lower.get(4)).toEqual(planned.get(5));
    expect(lower.get(5)).toEqual(planned.get(6));
  });

  it('sends all channels three lower: the first pixel ends the universe before, and the second begins', () => {
    const lower = sentBy({ channelShift: new Map([[0, -3]]) });
    const size = sentBy({}).get(5)!.length;
    expect([...lower.keys()].sort()).toEqual([4, 5, 6]);
    expect([...lower.get(4)!.subarray(size - 3)]).toEqual([0, 1, 2].map(byteAt));
    expect([...lower.get(5)!.subarray(0, 3)]).toEqual([3, 4, 5].map(byteAt));
    expect([...lower.get(5)!.subarray(size - 3)]).toEqual([size, size + 1, size + 2].map(byteAt));
    expect([...lower.get(6)!.subarray(size - 3)]).toEqual([0, 0, 0]);
  });

  it('sends all channels three higher: the first pixel of a universe is the last of the one before', () => {
    const higher = sentBy({ channelShift: new Map([[0, 3]]) });
    const size = sentBy({}).get(5)!.length;
    expect([...higher.get(5)!.subarray(0, 6)]).toEqual([0, 0, 0, ...[0, 1, 2].map(byteAt)]);
    expect([...higher.get(6)!.subarray(0, 3)]).toEqual([size - 3, size - 2, size - 1].map(byteAt));
  });
});
