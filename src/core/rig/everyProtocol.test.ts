import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { PATTERNS, painted } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { planShow } from '../plan/plan';
import type { Source, StreamPacket } from '../protocols/protocol';
import { PROTOCOLS, universesOf } from '../protocols/registry';
import { Inbox } from './inbox';
import { Outgoing } from './outgoing';
import { lightOfReceived, lightOfSent, plannedRig } from './rig';
import { PLANNED_SENDER, send } from './sending';

const SOURCE: Source = { cid: new Uint8Array(16).fill(7), name: 'the quay' };

describe.each(PROTOCOLS.map((protocol) => [protocol.name, protocol] as const))('%s', (_, protocol) => {
  // More than one universe, and more than one packet of the longest.
  const plan = planShow(
    onPorts(aShow({ props: [aLine('rail', 700)], controllers: [aController({ protocol: protocol.id })] }), [
      'rail',
      1,
      1,
    ]),
  );
  const wantedAt = (frame: number) =>
    painted(PATTERNS[frame % PATTERNS.length]!, {
      plan,
      stretches: stretchesOf(plan, { on: 'show' }),
      timeS: frame / 40,
      step: null,
      level: 1,
      colour: [10, 20, 30, 40],
    });
  const sentAt = (frame: number) => send(plan, PLANNED_SENDER, wantedAt(frame));
  const begin = (isSynced = false) => {
    const outgoing = new Outgoing(plan, sentAt(0), { isSynced, mostGroups: 0 });
    const packetsAt = (frame: number, isLast = false) => {
      outgoing.write(sentAt(frame), frame, isLast);
      return outgoing.packets.map(({ payload }) => Uint8Array.from(payload));
    };
    return { outgoing, packetsAt, inbox: new Inbox(plan, 0) };
  };
  const lightIn = (inbox: Inbox) => lightOfReceived(plannedRig(plan), () => inbox.sent);

  it.each([false, true])(
    'lights what was sent, picture after picture, past the end of its count (synchronised: %s)',
    (isSynced) => {
      const { inbox, packetsAt } = begin(isSynced);
      for (let frame = 0; frame < 300; frame += 1) {
        for (const payload of packetsAt(frame)) inbox.hear(payload, 25 * frame);
        if (frame % 60 === 0) expect(lightIn(inbox)).toEqual(lightOfSent(plannedRig(plan), wantedAt(frame)));
      }
      // A device that holds only once it has heard of it has nothing to show the first time.
      const early = isSynced && protocol.holdsOnceShown ? 1 : 0;
      expect([inbox.malformed, inbox.others, inbox.lost]).toEqual([0, early, 0]);
      expect(lightIn(inbox)).toEqual(lightOfSent(plannedRig(plan), wantedAt(299)));
    },
  );

  it('goes to its own port, and no packet carries more than it says', () => {
    for (const { toPort, payload } of begin().outgoing.packets) {
      expect(toPort).toBe(protocol.port);
      expect(payload.length).toBeLessThanOrEqual(protocol.headerBytes + protocol.mostDataBytes);
    }
  });

  it('has counts that it hears again, none of which says that nobody counts', () => {
    const { counts, hear, sequence } = protocol;
    if (counts.kind === 'bytes') return;
    const packet: StreamPacket = counts.packetOf(counts.most, new Uint8Array([1, 2, 3, 4]), SOURCE, false);
    const heard = Array.from({ length: 600 }, (_, frame) => {
      packet.write(new Uint8Array([frame % 200, 2, 3, 4]), frame, false);
      return hear(Uint8Array.from(packet.payload));
    });
    heard.forEach((each, frame) => {
      expect(each).toMatchObject({ kind: 'universe', told: counts.most, isLast: false });
      if (each?.kind !== 'universe') return;
      expect([...each.slots]).toEqual([frame % 200, 2, 3, 4]);
      expect(each.sequence).not.toBeNull();
    });
    const numbers = new Set(heard.map((each) => (each?.kind === 'universe' ? each.sequence : null)));
    expect([Math.min(...[...numbers].map(Number)), Math.max(...[...numbers].map(Number))]).toEqual([
      sequence.first,
      sequence.last,
    ]);
  });

  it('counts what is missing, and leaves late packets aside where it does', () => {
    if (!universesOf({ protocol: protocol.id })) return;
    const { first, last, dropsLate } = protocol.sequence;
    const numbers = last - first + 1;
    const { inbox, packetsAt } = begin();
    const hearAt = (frame: number) => inbox.hear(packetsAt(frame)[0]!, 0);
    hearAt(100);
    hearAt(103);
    expect([inbox.lost, inbox.others]).toEqual([2, 0]);
    // The same once more, one behind, and the farthest behind that is late.
    for (const behind of [0, 1, 19]) hearAt(103 - behind);
    if (dropsLate) expect([inbox.lost, inbox.others]).toEqual([2, 3]);
    else expect(inbox.others).toBe(0);
    const { lost } = inbox;
    hearAt(103);
    // A sender that began anew is farther behind than any late packet.
    hearAt(103 - 20);
    if (dropsLate) expect([inbox.lost - lost, inbox.others]).toEqual([numbers - 21, 4]);
  });

  it('asks a device who it is, and understands its answer, where it has such a question', () => {
    const { poll, counts } = protocol;
    if (!poll || counts.kind === 'bytes') return;
    expect(poll.isQuestion(poll.question())).toBe(true);
    expect(poll.read(poll.question())).toBeNull();
    const answer = poll.answer('Quay box', [0x123, 0x124, 0x130]);
    expect(poll.isQuestion(answer)).toBe(false);
    // Only outputs of one net and sub-net fit an answer.
    expect(poll.read(answer)).toMatchObject({ shortName: 'Quay box', outputs: [0x123, 0x124] });
    expect(poll.outputWords(0x123)).toBe('1.2.3');
  });
});
