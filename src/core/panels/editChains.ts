import type { Chain, ChainedPanel, Turn } from './chains';
import { itemAt } from '../units/there';

/** Changes to chains that somebody makes by hand. Each gives new chains; those without panels are left out. */

type Place = { card: number; output: number };

const samePanel = (a: { column: number; row: number }, b: { column: number; row: number }) =>
  a.column === b.column && a.row === b.row;

/**
 * Strings panels onto an output in the order of a path. They are taken from wherever they were; where the first of them was on
 * that output already, the path goes in at its place, otherwise at the end.
 */
export function stringTogether(
  chains: readonly Chain[],
  to: Place,
  path: readonly { column: number; row: number }[],
): Chain[] {
  const turnOf = (cell: { column: number; row: number }): Turn =>
    chains.flatMap((chain) => chain.panels).find((panel) => samePanel(panel, cell))?.turnDeg ?? 0;
  const inPath = (panel: ChainedPanel) => path.some((cell) => samePanel(cell, panel));
  const target = chains.find((chain) => chain.card === to.card && chain.output === to.output);
  const firstAt = target?.panels.findIndex((panel) => samePanel(panel, itemAt(path, 0))) ?? -1;
  const before =
    firstAt === -1
      ? (target?.panels.filter((panel) => !inPath(panel)).length ?? 0)
      : target!.panels.slice(0, firstAt).filter((panel) => !inPath(panel)).length;
  const rest = chains.map((chain) => ({ ...chain, panels: chain.panels.filter((panel) => !inPath(panel)) }));
  const strung = path.map(({ column, row }): ChainedPanel => ({
    column,
    row,
    turnDeg: turnOf({ column, row }),
  }));
  const onTarget = (chain: Chain) => chain.card === to.card && chain.output === to.output;
  const next = rest.some(onTarget)
    ? rest.map((chain) =>
        onTarget(chain)
          ? { ...chain, panels: [...chain.panels.slice(0, before), ...strung, ...chain.panels.slice(before)] }
          : chain,
      )
    : [...rest, { ...to, panels: strung }];
  return sorted(next);
}

export function turnPanel(
  chains: readonly Chain[],
  cell: { column: number; row: number },
  turnDeg: Turn,
): Chain[] {
  return chains.map((chain) => ({
    ...chain,
    panels: chain.panels.map((panel) => (samePanel(panel, cell) ? { ...panel, turnDeg } : panel)),
  }));
}

/** Moves a panel to a place in an output, counted from 0 after it has been taken out. */
export function movePanel(
  chains: readonly Chain[],
  cell: { column: number; row: number },
  to: Place & { place: number },
): Chain[] {
  const panel = chains.flatMap((chain) => chain.panels).find((each) => samePanel(each, cell)) ?? {
    ...cell,
    turnDeg: 0 as const,
  };
  const rest = chains.map((chain) => ({
    ...chain,
    panels: chain.panels.filter((each) => !samePanel(each, cell)),
  }));
  const onTarget = (chain: Chain) => chain.card === to.card && chain.output === to.output;
  const next = rest.some(onTarget) ? rest : [...rest, { card: to.card, output: to.output, panels: [] }];
  return sorted(
    next.map((chain) =>
      onTarget(chain)
        ? { ...chain, panels: [...chain.panels.slice(0, to.place), panel, ...chain.panels.slice(to.place)] }
        : chain,
    ),
  );
}

function sorted(chains: Chain[]): Chain[] {
  return chains
    .filter((chain) => chain.panels.length > 0)
    .sort((a, b) => a.card - b.card || a.output - b.output);
}
