import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Access, LET_IN_DAYS } from './access';
import { addressesFor, isAtHome, namesFor, networkHost } from './door';
import { tokenIn } from './strangers';
import { Tries } from './tries';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;

/** A clock that stands until it is moved. */
function clock() {
  let nowMs = Date.parse('2026-11-27T18:00:00Z');
  return {
    now: () => nowMs,
    pass: (ms: number) => {
      nowMs += ms;
    },
  };
}

const folders: string[] = [];
afterAll(() => folders.forEach((folder) => fs.rmSync(folder, { recursive: true, force: true })));

function opened() {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-access-'));
  folders.push(folder);
  const time = clock();
  const open = () => new Access(folder, ['127.0.0.2:4180'], time.now);
  return { folder, time, open, access: open() };
}

const PHONE = 'Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36';

/** The token of a phone that comes in. */
function letIn(access: Access, typed = access.code): string {
  const entered = access.enter(typed, '127.0.0.9', PHONE);
  if (entered.is !== 'let in') throw new Error(entered.is);
  return entered.token;
}

describe('the access code', () => {
  it('is read however it is written', () => {
    const { access } = opened();
    expect(access.code).toMatch(/^[2-9A-Z]{4}-[2-9A-Z]{4}$/);
    letIn(access, access.code.toLowerCase().replace('-', ' '));
    expect(access.phones).toMatchObject([{ name: 'Android, Chrome' }]);
  });

  it('is kept, with the phones that are let in, and no token of theirs', () => {
    const { access, folder, open } = opened();
    const token = letIn(access);
    const again = open();
    expect(again.code).toBe(access.code);
    expect(again.phoneWith(token)?.name).toBe('Android, Chrome');
    const file = path.join(folder, 'phones.json');
    expect(fs.readFileSync(file, 'utf8')).not.toContain(token);
    expect(fs.statSync(file).mode & 0o077).toBe(0);
  });

  it.each(['', '{', '{"code":"AB"}', '{"code":"ABCDEFGH","phones":[{"id":"x"}]}', '[]', 'null'])(
    'is another one where what was kept cannot be read: %s',
    (text) => {
      const { folder, open, access } = opened();
      const token = letIn(access);
      fs.writeFileSync(path.join(folder, 'phones.json'), text);
      expect(open().phoneWith(token)).toBeNull();
      expect(open().code).toMatch(/^\S{4}-\S{4}$/);
    },
  );
});

describe('a phone', () => {
  it.each([null, '', 'x', 'A'.repeat(43), '__proto__'])('is not let in with the cookie %s', (token) => {
    const { access } = opened();
    letIn(access);
    expect(access.phoneWith(token)).toBeNull();
  });

  it('is forgotten when it was not seen for long, and not while it comes', () => {
    const { access, time } = opened();
    const token = letIn(access);
    for (let i = 0; i < 4; i += 1) {
      time.pass((LET_IN_DAYS - 1) * DAY_MS);
      expect(access.phoneWith(token)).not.toBeNull();
    }
    time.pass((LET_IN_DAYS + 1) * DAY_MS);
    expect(access.phoneWith(token)).toBeNull();
  });

  it('is sent away in the middle of what it does, and others are not', () => {
    const { access } = opened();
    const [one, other] = [letIn(access), letIn(access)];
    const ended: string[] = [];
    const hold = (token: string, name: string) =>
      access.hold(access.phoneWith(token)!.id, { destroy: () => ended.push(name), once: () => {} });
    hold(one, 'one');
    hold(other, 'other');
    expect(access.sendAway(access.phoneWith(one)!.id)).toBe(true);
    expect(ended).toEqual(['one']);
    expect(access.phoneWith(one)).toBeNull();
    expect(access.phoneWith(other)).not.toBeNull();
    expect(access.sendAway('nobody')).toBe(false);
  });

  it('enters another code anew', () => {
    const { access } = opened();
    const [token, code] = [letIn(access), access.code];
    access.renew();
    expect(access.phoneWith(token)).toBeNull();
    expect(access.phones).toEqual([]);
    expect(access.enter(code, '127.0.0.9', PHONE).is).toBe('wrong');
    letIn(access);
  });

  it('finds its cookie among others, of its own port alone', () => {
    expect(tokenIn('a=b; rapid-lantern-4180=abc; c=d', 4180)).toBe('abc');
    expect(tokenIn('rapid-lantern-4181=abc', 4180)).toBeNull();
    expect(tokenIn(undefined, 4180)).toBeNull();
  });
});

describe('wrong codes', () => {
  it('are slowed from the fifth on, and the right one with them', () => {
    const { access, time } = opened();
    const guess = (code = 'WRNG-CODE') => access.enter(code, '127.0.0.9', PHONE);
    for (let i = 0; i < 4; i += 1) expect(guess().is).toBe('wrong');
    const waits: number[] = [];
    for (let i = 0; i < 10; i += 1) {
      const slowed = guess();
      if (slowed.is !== 'slowed') throw new Error(`guess ${i} was ${slowed.is}`);
      waits.push(slowed.waitMs / 1000);
      // Not even the right one is looked at before its time.
      expect(guess(access.code).is).toBe('slowed');
      time.pass(slowed.waitMs);
      expect(guess().is).toBe('wrong');
    }
    expect(waits).toEqual([1, 2, 4, 8, 16, 32, 60, 60, 60, 60]);
    time.pass(MINUTE_MS);
    expect(guess(access.code).is).toBe('let in');
  });

  it('of one do not slow another, until all together are too many', () => {
    const time = clock();
    const tries = new Tries(time.now);
    for (let i = 0; i < 8; i += 1) tries.noteWrong('a');
    expect(tries.waitMs('a')).toBeGreaterThan(0);
    expect(tries.waitMs('b')).toBe(0);
    for (let i = 0; i < 60; i += 1) tries.noteWrong(`address ${i}`);
    expect(tries.waitMs('b')).toBeGreaterThan(0);
    time.pass(MINUTE_MS);
    expect(tries.waitMs('b')).toBe(0);
  });
});

describe('the door', () => {
  it('knows this machine by the address that was connected to', () => {
    expect(['127.0.0.1', '::1', '::ffff:127.0.0.1'].map(isAtHome)).toEqual([true, true, true]);
    expect(['127.0.0.2', '192.168.1.20', '::', undefined].map(isAtHome)).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });

  it('answers the network under its own address and name, and under none of this machine’s for itself', () => {
    const names = namesFor('192.168.1.20');
    expect(names.has('192.168.1.20')).toBe(true);
    expect(names.has(os.hostname().toLowerCase())).toBe(true);
    for (const other of ['localhost', '127.0.0.1', '192.168.1.21', 'evil.example'])
      expect(names.has(other)).toBe(false);
    expect(namesFor('::ffff:192.168.1.20').has('192.168.1.20')).toBe(true);
    expect(namesFor('fe80::1').has('[fe80::1]')).toBe(true);
  });

  it('listens where it is asked to, and says what it could', () => {
    expect(networkHost('1')).toBe('0.0.0.0');
    expect(networkHost('127.0.0.2')).toBe('127.0.0.2');
    for (const other of ['203.0.113.9', '127.0.0.1', 'quay'])
      expect(() => networkHost(other)).toThrow(`“${other}” is no address of this machine in a network`);
    expect(addressesFor('127.0.0.2')).toEqual(['127.0.0.2']);
  });
});
