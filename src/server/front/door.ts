import os from 'node:os';

/** Names of this machine for itself. */
const HOME_NAMES: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * Whether a connection comes from this very machine. What counts is the address that it was made to: no other machine can reach this one
 * under an address of its own loop (RFC 1122, 3.2.1.3), while what a connection says about where it comes from is its maker's.
 */
export function isAtHome(localAddress: string | undefined): boolean {
  return localAddress !== undefined && ['127.0.0.1', '::1', '::ffff:127.0.0.1'].includes(localAddress);
}

/** The names under which a connection may ask for this server. */
export function namesFor(localAddress: string | undefined): ReadonlySet<string> {
  if (isAtHome(localAddress) || localAddress === undefined) return HOME_NAMES;
  const address = localAddress.replace(/^::ffff:/, '');
  const name = os.hostname().toLowerCase();
  return new Set([address.includes(':') ? `[${address}]` : address, name, `${name}.local`]);
}

/** Addresses to listen on for the network at home: all, or one of this machine. @throws Error for what is no such wish */
export function networkHost(wish: string): string {
  if (['1', 'yes', 'true', 'on', ''].includes(wish)) return '0.0.0.0';
  const own = Object.values(os.networkInterfaces()).flatMap((each) => each ?? []);
  const isOwn = wish.startsWith('127.') || own.some(({ address }) => address === wish);
  if (isOwn && !isAtHome(wish)) return wish;
  throw new Error(
    `“${wish.slice(0, 60)}” is no address of this machine in a network: --lan alone listens on all of them, which are ${own
      .filter(({ address }) => !isAtHome(address))
      .map(({ address }) => address)
      .join(', ')}.`,
  );
}

/** Addresses under which phones may reach this machine, those of home networks first. @param host that is listened on */
export function addressesFor(host: string): string[] {
  if (host !== '0.0.0.0') return [host];
  const own = Object.values(os.networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
  return own.toSorted((a, b) => Number(isPrivate(b)) - Number(isPrivate(a)));
}

/** Addresses that are given out at home and lead nowhere beyond (RFC 1918). */
function isPrivate(address: string): boolean {
  return /^(10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.)/.test(address);
}
