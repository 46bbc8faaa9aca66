import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { LETTERS, readCode } from '@/core/papers/labels/code';
import { Tries } from './tries';
import { placeInProcess } from '../process';

/** A phone that was let in. */
interface Phone {
  id: string;
  /** The name that it gives itself. */
  name: string;
  /** ISO 8601. */
  since: string;
  seen: string;
}

interface KeptPhone extends Phone {
  /** SHA-256 of what its cookie says; the cookie itself is kept by the phone alone. */
  token: string;
}

/** The answer to a phone that asks to be let in. */
type Entered =
  | { is: 'let in'; token: string }
  | { is: 'wrong' }
  /** Its code was not looked at. */
  | { is: 'slowed'; waitMs: number };

/** As much of a connection as is needed to end it. */
interface Connection {
  destroy: () => void;
  once: (event: 'close', listener: () => void) => void;
}

const CODE_LETTERS = 8;
const MOST_PHONES = 50;
/** A phone that was not seen for so long is to enter the code again. */
export const LET_IN_DAYS = 60;
const DAY_MS = 24 * 60 * 60 * 1000;

/**
 * The devices that may come in from the network at home: phones that entered the code once. Kept beside the database, so that a phone
 * on a ladder need not enter it again when the program was started anew.
 */
export class Access {
  private readonly file: string;
  private kept: { code: string; phones: KeptPhone[] };
  private readonly tries: Tries;
  private readonly connections = new Map<string, Set<Connection>>();

  /**
   * @param addresses under which phones reach this machine, with the port
   * @throws when the folder cannot be written
   */
  constructor(
    folder: string,
    readonly addresses: readonly string[],
    private readonly now: () => number = Date.now,
  ) {
    this.file = path.join(folder, 'phones.json');
    this.tries = new Tries(now);
    this.kept = readKept(this.file) ?? { code: newCode(), phones: [] };
    this.keep();
  }

  /** As it is written and typed: `K7QF-2MTR`. */
  get code(): string {
    return `${this.kept.code.slice(0, 4)}-${this.kept.code.slice(4)}`;
  }

  get phones(): Phone[] {
    return this.kept.phones.map(({ id, name, since, seen }) => ({ id, name, since, seen }));
  }

  /** The phone whose cookie this is; null for none that may come in. */
  phoneWith(token: string | null): Phone | null {
    if (token === null) return null;
    const hash = hashOf(token);
    const phone = this.kept.phones.find((each) => timingSafeEqual(hash, Buffer.from(each.token, 'hex')));
    const now = this.now();
    if (!phone || now - Date.parse(phone.seen) > LET_IN_DAYS * DAY_MS) return null;
    // Not at every picture that it asks for.
    if (now - Date.parse(phone.seen) > DAY_MS / 24) {
      phone.seen = new Date(now).toISOString();
      this.keep();
    }
    return phone;
  }

  /** @param address where it comes from @param agent what it says that it is */
  enter(typed: string, address: string, agent: string): Entered {
    const waitMs = this.tries.waitMs(address);
    if (waitMs > 0) return { is: 'slowed', waitMs };
    if (!timingSafeEqual(hashOf(readCode(typed)), hashOf(this.kept.code))) {
      this.tries.noteWrong(address);
      return { is: 'wrong' };
    }
    this.tries.noteRight(address);
    const token = randomBytes(32).toString('base64url');
    const at = new Date(this.now()).toISOString();
    this.kept.phones.push({
      id: randomBytes(8).toString('hex'),
      name: nameOfAgent(agent),
      since: at,
      seen: at,
      token: hashOf(token).toString('hex'),
    });
    // The one that was not seen for longest makes room.
    this.kept.phones.sort((a, b) => b.seen.localeCompare(a.seen));
    for (const gone of this.kept.phones.splice(MOST_PHONES)) this.end(gone.id);
    this.keep();
    return { is: 'let in', token };
  }

  /** Notes a connection of a phone, which ends when the phone is sent away. */
  hold(phoneId: string, connection: Connection): void {
    const own = this.connections.get(phoneId) ?? new Set();
    this.connections.set(phoneId, own);
    if (own.has(connection)) return;
    own.add(connection);
    connection.once('close', () => own.delete(connection));
  }

  /** Sends a phone away, in the middle of whatever it does. @returns false where there is no such phone */
  sendAway(phoneId: string): boolean {
    const at = this.kept.phones.findIndex(({ id }) => id === phoneId);
    if (at === -1) return false;
    this.kept.phones.splice(at, 1);
    this.keep();
    this.end(phoneId);
    return true;
  }

  /** Another code, which every phone has to enter anew. */
  renew(): void {
    const gone = this.kept.phones;
    this.kept = { code: newCode(), phones: [] };
    this.keep();
    for (const { id } of gone) this.end(id);
  }

  private end(phoneId: string): void {
    for (const connection of this.connections.get(phoneId) ?? []) connection.destroy();
    this.connections.delete(phoneId);
  }

  /** Whole or not at all, and for nobody else on this machine to read. */
  private keep(): void {
    const beside = `${this.file}.${process.pid}`;
    fs.writeFileSync(beside, JSON.stringify(this.kept), { mode: 0o600 });
    fs.renameSync(beside, this.file);
  }
}

function newCode(): string {
  return Array.from({ length: CODE_LETTERS }, () => LETTERS[randomInt(LETTERS.length)]).join('');
}

function hashOf(text: string): Buffer {
  return createHash('sha256').update(text).digest();
}

/** Phones let in so far; null where none were kept, or nothing can be read: then everybody enters a new code. */
function readKept(file: string): { code: string; phones: KeptPhone[] } | null {
  try {
    const kept = JSON.parse(fs.readFileSync(file, 'utf8')) as { code: unknown; phones: unknown };
    const isCode = typeof kept.code === 'string' && kept.code.length === CODE_LETTERS;
    const isPhone = (each: unknown): each is KeptPhone =>
      typeof each === 'object' &&
      each !== null &&
      ['id', 'name', 'since', 'seen'].every((key) => typeof (each as never)[key] === 'string') &&
      /^[0-9a-f]{64}$/.test(String((each as KeptPhone).token));
    return isCode && Array.isArray(kept.phones) && kept.phones.every(isPhone)
      ? { code: kept.code as string, phones: kept.phones }
      : null;
  } catch {
    return null;
  }
}

/** The kind of a browser in two words, from its `User-Agent`. */
function nameOfAgent(agent: string): string {
  const find = (words: readonly string[]) => words.find((each) => agent.includes(each));
  const system = find(SYSTEMS) ?? 'A device';
  const browser = find(BROWSERS);
  return browser ? `${system}, ${BROWSER_NAMES[browser] ?? browser}` : system;
}

// Each says that it is those behind it as well.
const SYSTEMS = ['iPhone', 'iPad', 'Android', 'Windows', 'Mac OS X', 'Linux'];
const BROWSERS = ['FxiOS', 'Firefox', 'Edg', 'CriOS', 'Chrome', 'Safari'];
const BROWSER_NAMES: Record<string, string> = {
  FxiOS: 'Firefox',
  Edg: 'Edge',
  CriOS: 'Chrome',
};

const place = placeInProcess<Access>('access');

/** Opens the door to the network for this process. */
export function openAccess(access: Access): void {
  place.kept = access;
}

/** The guard for requests from the network; null while nobody can come in, the default. */
export function openedAccess(): Access | null {
  return place.kept ?? null;
}
