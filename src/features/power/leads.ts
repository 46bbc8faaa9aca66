import type { Feed } from '@/core/catalogue/feed';
import type { Show } from '@/core/show/schema';
import { itemAt } from '@/core/units/there';

/** The leads that go to a prop. */
export function leadsOfProp(show: Show, propId: string): Feed[] {
  return show.feeds.filter(({ pieces }) =>
    pieces.some(({ to }) => to.kind !== 'controller' && to.propId === propId),
  );
}

/** A length to start from: a round one in the units of the show. */
export function usualLeadMm({ lengths }: Pick<Show, 'lengths'>): number {
  return lengths === 'imperial' ? 3048 : 3000;
}

interface FedPixel {
  run: number;
  pixel: number;
}

/**
 * The place where one more lead does most: the start of the first run that has none, then an end, then the middle of the longest stretch between
 * two leads. Null where every pixel has one.
 *
 * @param runs with their numbers and pixels, in their order
 * @param taken where leads go already
 */
export function nextPlace(
  runs: readonly { number: number; pixelCount: number }[],
  taken: readonly FedPixel[],
): FedPixel | null {
  const has = (run: number, pixel: number) => taken.some((each) => each.run === run && each.pixel === pixel);
  const filled = runs.filter((run) => run.pixelCount > 0);
  const start = filled.find(({ number }) => !has(number, 1));
  if (start) return { run: start.number, pixel: 1 };
  const end = filled.find(({ number, pixelCount }) => !has(number, pixelCount));
  if (end) return { run: end.number, pixel: end.pixelCount };
  let longest = 1;
  let place: FedPixel | null = null;
  for (const { number } of filled) {
    const pixels = taken.flatMap(({ run, pixel }) => (run === number ? [pixel] : [])).sort((a, b) => a - b);
    for (let i = 1; i < pixels.length; i += 1) {
      const apart = itemAt(pixels, i) - itemAt(pixels, i - 1);
      if (apart <= longest) continue;
      longest = apart;
      place = { run: number, pixel: itemAt(pixels, i - 1) + Math.floor(apart / 2) };
    }
  }
  return place;
}
