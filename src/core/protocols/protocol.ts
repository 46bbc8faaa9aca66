/** The one that sends, as its packets say it. */
export interface Source {
  /** Component identifier: 16 bytes that are the source’s own. */
  cid: Uint8Array;
  name: string;
}

/** A packet that is made once, and written anew for each picture. */
export interface StreamPacket {
  payload: Uint8Array;
  /**
   * Writes another picture of the same size into it; without one it just counts on.
   *
   * @param frame counts pictures; sequence numbers go by it
   * @param isLast it ends the stream, where the protocol can say so
   */
  write: (data: Uint8Array | null, frame: number, isLast: boolean) => void;
}

/** A message that was heard, in the terms that all protocols share. */
export type Heard =
  | {
      kind: 'universe';
      /** As the protocol counts it: the port-address under Art-Net. */
      told: number;
      slots: Uint8Array;
      /** Null where the sender does not count. */
      sequence: number | null;
      /** Whose it is, where several may send the same universe; empty where the protocol does not say. */
      source: string;
      /** The highest of several sources counts. */
      priority: number;
      /** The source ends it. */
      isLast: boolean;
      /** Shown only by the message that shows what was sent. */
      isHeld: boolean;
    }
  | { kind: 'bytes'; offset: number; data: Uint8Array; isLast: boolean }
  /** Data sent up to here is shown. */
  | { kind: 'show' }
  /** Well formed, and nothing that a device shows. */
  | { kind: 'other' };

/** A number of a universe in three parts, all counted from 0. */
export interface UniverseParts {
  net: number;
  subNet: number;
  universe: number;
}

/** `0.1.4`: net, sub-net, universe. */
export function partsWords({ net, subNet, universe }: UniverseParts): string {
  return `${net}.${subNet}.${universe}`;
}

/** A protocol that sends a device its channels universe by universe. */
export interface UniverseCount {
  kind: 'universes';
  /** Its word for a universe: `universe`, `port-address`. */
  word: string;
  /** In front of a number: `U`, `port-address `. */
  short: string;
  /** The lowest and the highest number of one, as it is told to a device. */
  least: number;
  most: number;
  /** Whether each device has an offset between numbers of the show and those that it is told. */
  hasOffset: boolean;
  /** The parts in which menus take a number, where they do: net, sub-net, universe. A number past the last has none. */
  partsOf: ((told: number) => UniverseParts | null) | null;
  /** The group that packets of a universe go to where its devices listen to groups; null where it has none. */
  groupOf: ((told: number) => string) | null;
  /** Words for the target of packets that are for more than one device. */
  sharedWords: (told: number) => string;
  /** Packets of one universe. @param slots at most 512 */
  packetOf: (told: number, slots: Uint8Array, source: Source, isSynced: boolean) => StreamPacket;
}

/** A protocol that sends a device bytes of its own flat space. */
export interface ByteCount {
  kind: 'bytes';
  /** Packets of one picture in order; each is written with its own part of a later one. */
  packetsOf: (picture: Uint8Array) => StreamPacket[];
}

/** A published protocol that carries pictures over a network: all that tells it from the others. */
export interface WireProtocol<Id extends string = string> {
  /** As show files call it. */
  id: Id;
  name: string;
  /** UDP port on which devices listen. */
  port: number;
  /** Bytes before the data of a packet. */
  headerBytes: number;
  /** Data of one packet; a universe is sent whole, also where its last slots are not used. */
  mostDataBytes: number;
  counts: UniverseCount | ByteCount;
  /** The packet that shows what was sent before it, where there is one. */
  syncPacket?: (source: Source) => StreamPacket;
  /** Contents of a datagram; null for one that is no well-formed packet. Data is a view into it. */
  hear: (payload: Uint8Array) => Heard | null;
  /** Sequence numbers run from `first` to `last` and around; packets that are late by them are dropped, or shown all the same. */
  sequence: { first: number; last: number; dropsLate: boolean };
  /** From the first packet that shows what was sent, devices hold all that comes until the next. */
  holdsOnceShown: boolean;
  /** The question who a device is, where the protocol has one. */
  poll?: DevicePoll;
}

/** Name and outputs in the answer of a device. */
export interface DeviceReply {
  shortName: string;
  longName: string;
  /** Numbers of its outputs, as the protocol counts universes. */
  outputs: readonly number[];
}

/** A question that any device of a protocol answers. */
export interface DevicePoll {
  question: () => Uint8Array;
  isQuestion: (payload: Uint8Array) => boolean;
  /** @param told numbers of its outputs, in ascending order */
  answer: (name: string, told: readonly number[]) => Uint8Array;
  /** Null for what is no answer. */
  read: (payload: Uint8Array) => DeviceReply | null;
  /** The form of the number of an output. */
  outputWords: (told: number) => string;
}
