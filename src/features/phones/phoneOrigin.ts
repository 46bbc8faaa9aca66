import { useEffect, useState } from 'react';
import { phonesSchema } from '@/core/show/phones';

/** Whether this page is open on the machine on which the program runs: there it is said who may come in. */
export function isAtTheLaptop(): boolean {
  return ['127.0.0.1', 'localhost', '[::1]'].includes(window.location.hostname);
}

let known: Promise<string> | null = null;

/** The address under which phones reach the program, as the server prints it; it does not change while the program runs. */
function phoneOrigin(): Promise<string> {
  return (known ??= asked());
}

async function asked(): Promise<string> {
  const { origin } = window.location;
  if (!isAtTheLaptop()) return origin;
  try {
    const answer = await fetch('/api/access');
    const [address] = phonesSchema.parse(await answer.json()).addresses;
    return address ? `http://${address}` : origin;
  } catch {
    // Asked again when the next sheet is looked at.
    known = null;
    return origin;
  }
}

/** Under which address a phone reads what is printed: that of the network, where phones can come in at all. */
export function usePhoneOrigin(): string {
  const [origin, setOrigin] = useState(window.location.origin);
  useEffect(() => {
    let left = false;
    void phoneOrigin().then((found) => left || setOrigin(found));
    return () => {
      left = true;
    };
  }, []);
  return origin;
}
