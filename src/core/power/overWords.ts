import { isSoldClosed, supplyFor } from '../catalogue/supply';
import { capOn } from './budget';
import type { LoadedSupply } from './report';

/** Fixes for a supply with too much on it: never just that it is too small, but which would carry it, and how bright this one can be. */
export function overWords(volts: number, { wantedAmps, darkAmps, carriesAmps }: LoadedSupply): string {
  const rating = supplyFor(volts, wantedAmps);
  const { percent } = capOn(carriesAmps, { otherAmps: 0, idleAmps: darkAmps, whiteAmps: wantedAmps });
  const carrier =
    rating === null
      ? 'No usual one carries that: part it into zones with a supply each, their grounds joined'
      : `One of ${rating} A carries it${isSoldClosed(volts, rating) ? '' : ', as do several closed ones with a zone each'}`;
  return `${carrier}; this one carries it up to ${percent} %, if a limiter in the device keeps it there.`;
}
