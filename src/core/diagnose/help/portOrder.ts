import { valueIn } from '../../units/there';
/** Strands seen when each port lights as many pixels as its number: which strand, by its label, shows how many. */
interface PortSeen {
  /** The port whose plug this strand is to be on. */
  planned: number;
  /** Lights that are lit on it; 0 where it is dark. */
  lit: number;
}

interface PortOrder {
  /** Strands that are on another port: where they are, and where they belong. */
  moved: { planned: number; at: number }[];
  /** Ports whose strand stays dark. */
  dark: number[];
  /** Two strands that show the same number: one was counted wrong, or a wire is split. */
  doubled: number[];
  /** Ports whose plugs are exchanged, one pair after another, until all is right; the fewest there are. */
  swaps: [one: number, other: number][];
  /** The planned port of what is plugged into each, for who leaves the plugs and changes the map. */
  remap: ReadonlyMap<number, number>;
}

/** Which plugs are exchanged, and both ways to put it right: other plugs, or another map. */
export function portOrderOf(seen: readonly PortSeen[]): PortOrder {
  const lit = seen.filter((each) => each.lit > 0);
  const counts = new Map<number, number>();
  for (const each of lit) counts.set(each.lit, (counts.get(each.lit) ?? 0) + 1);
  const doubled = [...counts].filter(([, times]) => times > 1).map(([port]) => port);
  const at = new Map(
    lit.filter((each) => !doubled.includes(each.lit)).map((each) => [each.planned, each.lit]),
  );
  const moved = [...at]
    .filter(([planned, now]) => planned !== now)
    .map(([planned, now]) => ({ planned, at: now }));
  // A cycle of n plugs takes n - 1 exchanges.
  const swaps: [number, number][] = [];
  const now = new Map(at);
  for (const planned of [...now.keys()].sort((a, b) => a - b)) {
    const there = valueIn(now, planned);
    if (there === planned) continue;
    const inItsPlace = [...now].find(([, port]) => port === planned);
    swaps.push([planned, there]);
    now.set(planned, planned);
    if (inItsPlace) now.set(inItsPlace[0], there);
  }
  return {
    moved,
    dark: seen.filter((each) => each.lit === 0).map((each) => each.planned),
    doubled,
    swaps,
    remap: new Map([...at].map(([planned, port]) => [port, planned])),
  };
}
