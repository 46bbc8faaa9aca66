/** `lan`: where to listen for the network at home, `1` for everywhere, or an address; null for nowhere. */
export function serverArgs(how: {
  port: number | string;
  hostname?: string;
  dev?: boolean;
  lan?: string | null;
}): string[];
