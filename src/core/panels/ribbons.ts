import { flowsRight, type Chain, type ChainedPanel } from './chains';
import type { PanelType } from './panelType';
import { itemAt } from '../units/there';

/** A ribbon cable from one panel of a chain to the next. */
interface Ribbon {
  /** Index of the chain, and of the panel that it leaves, from 0. */
  chain: number;
  from: number;
  lengthMm: number;
  /** The ribbon that comes with a panel reaches so far. */
  isOfTheBox: boolean;
}

/** The ribbon that comes with a panel reaches so far beyond the gap between two neighbours. */
const STOCK_RIBBON_MM = 200;
/** Sine and cosine of a turn round off, so that a ribbon of just the reach may come out a hair longer. */
const TOLERANCE_MM = 0.5;
/** Ribbon between two sockets is never taut. */
const SLACK_MM = 40;
/** Sockets sit this part of the width in from the edge. */
const INSET = 0.12;

/** Places of the data socket and the outgoing socket of a panel on the wall, seen from the front; y down. */
function sockets(
  panel: PanelType,
  { column, row, turnDeg }: ChainedPanel,
): { in: [number, number]; out: [number, number] } {
  const [width, height] = [panel.columns * panel.pitchMm, panel.rows * panel.pitchMm];
  const [cx, cy] = [(column + 0.5) * width, (row + 0.5) * height];
  const reach = (0.5 - INSET) * width * (flowsRight(panel) ? 1 : -1);
  const turn = (turnDeg * Math.PI) / 180;
  const [dx, dy] = [reach * Math.cos(turn), reach * Math.sin(turn)];
  return { in: [cx - dx, cy - dy], out: [cx + dx, cy + dy] };
}

/** Every ribbon between panels, from socket to socket in a straight line with some slack. */
export function ribbonsOf(chains: readonly Chain[], panel: PanelType): Ribbon[] {
  const reachMm = stockReachMm(panel);
  return chains.flatMap((chain, index) =>
    chain.panels.slice(1).map((next, from) => {
      const [outX, outY] = sockets(panel, itemAt(chain.panels, from)).out;
      const [inX, inY] = sockets(panel, next).in;
      const lengthMm = Math.hypot(inX - outX, inY - outY) + SLACK_MM;
      return { chain: index, from, lengthMm, isOfTheBox: lengthMm <= reachMm + TOLERANCE_MM };
    }),
  );
}

/** Neighbours in a row, sockets facing each other: the shortest that any ribbon of this panel has. */
function neighbourRibbonMm(panel: PanelType): number {
  return 2 * INSET * panel.columns * panel.pitchMm + SLACK_MM;
}

/** Reach of a ribbon from the box: from neighbour to neighbour in a row or a column. */
function stockReachMm(panel: PanelType): number {
  const [width, height] = [panel.columns * panel.pitchMm, panel.rows * panel.pitchMm];
  // From a row to the next one of a zigzag the sockets lie straight above each other.
  return Math.max(STOCK_RIBBON_MM, neighbourRibbonMm(panel), Math.min(width, height) + SLACK_MM);
}
