import { useSelection, useGoTo } from '../view/useView';
import { useShow } from '../show/ShowProvider';

/** The selected pixel of a craft by its number on the wire, from 0 (-1 for none), and a way to select another. */
export function useCraftPixel(propId: string): readonly [number, (at: number) => void] {
  const plan = useShow((state) => state.plan);
  const { prop, pixel } = useSelection();
  const goTo = useGoTo();
  const planned = plan && prop !== undefined ? plan.props[prop] : undefined;
  const mine = planned && plan?.show.props[prop!]?.id === propId;
  const at = mine && pixel !== undefined ? pixel - planned.firstPixel : -1;
  const select = (next: number) => {
    // Which run a pixel is in follows from the plan, which may not have it yet; run 1 holds all of most crafts.
    const run = plan?.runs
      .slice(planned?.firstRun ?? 0, (planned?.firstRun ?? 0) + (planned?.runCount ?? 0))
      .find(({ firstPixel, pixelCount }) => planned && next < firstPixel - planned.firstPixel + pixelCount);
    const number = run?.number ?? Math.max(1, planned?.runCount ?? 1);
    const before = run && planned ? run.firstPixel - planned.firstPixel : 0;
    goTo(
      {
        subject:
          next < 0
            ? { kind: 'prop', propId }
            : { kind: 'prop', propId, run: number, pixel: next - before + 1 },
      },
      'replace',
    );
  };
  return [at, select];
}
