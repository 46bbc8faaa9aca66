import {
  CHAIN_STYLES,
  STYLE_WORDS,
  chainsOf,
  entryWords,
  type Chain,
  type Chaining,
  type WallCells,
} from './chains';
import { cardsOf, outputsPerCard, refreshHz, type Driver } from './driver';
import { powerLeads } from './powerLeads';
import { ribbonsOf } from './ribbons';
import type { Corner } from '../threading/view';

/** A way to chain a wall, with what it costs. */
export interface ChainScheme {
  chaining: Chaining;
  words: string;
  isCurrent: boolean;
  chains: Chain[];
  outputs: number;
  longestChain: number;
  shortestChain: number;
  /** From the driver to the first panel of each chain; how long they are depends on where it hangs. */
  leadRibbons: number;
  stockRibbons: number;
  longRibbons: number;
  longestRibbonMm: number;
  ribbonMm: number;
  turnedPanels: number;
  refreshHz: number;
  powerLeads: number;
  /** Outputs and chains are within the driver's limits. */
  fits: boolean;
}

export function measureChains(
  wall: WallCells,
  driver: Driver,
  chaining: Chaining,
): Omit<ChainScheme, 'words' | 'isCurrent'> {
  const chains = chainsOf(wall, driver, chaining);
  const ribbons = ribbonsOf(chains, wall.panel);
  const counts = chains.map((chain) => chain.panels.length);
  const longestChain = Math.max(0, ...counts);
  const long = ribbons.filter((ribbon) => !ribbon.isOfTheBox);
  const perCard = cardsOf(driver, wall.columns, wall.rows).map(
    (_, card) => chains.filter((chain) => chain.card === card).length,
  );
  return {
    chaining,
    chains,
    outputs: chains.length,
    longestChain,
    shortestChain: counts.length === 0 ? 0 : Math.min(...counts),
    leadRibbons: chains.length,
    stockRibbons: ribbons.length - long.length,
    longRibbons: long.length,
    longestRibbonMm: Math.max(0, ...ribbons.map((ribbon) => ribbon.lengthMm)),
    ribbonMm: ribbons.reduce((sum, ribbon) => sum + ribbon.lengthMm, 0),
    turnedPanels: chains.reduce(
      (sum, chain) => sum + chain.panels.filter((panel) => panel.turnDeg !== 0).length,
      0,
    ),
    refreshHz: refreshHz(longestChain, wall.panel, driver.depthBits),
    powerLeads: powerLeads(wall).length,
    fits:
      longestChain <= driver.mostPanelsPerOutput.value &&
      perCard.every((outputs) => outputs <= outputsPerCard(driver)),
  };
}

/**
 * Every style along rows and along columns from one corner, and the chains as they are now. Styles that come out the same on this wall
 * are one.
 */
export function compareChains(
  wall: WallCells,
  driver: Driver,
  current: Chaining,
  entry: Corner,
): ChainScheme[] {
  const designs = CHAIN_STYLES.flatMap((style) =>
    (['rows', 'columns'] as const).map((along): Chaining => ({ by: 'design', style, along, entry })),
  );
  const same = (a: Chaining) => JSON.stringify(a) === JSON.stringify(current);
  const all = designs.some(same) ? designs : [current, ...designs];
  const seen = new Set<string>();
  const schemes = all
    .map((chaining): ChainScheme => ({
      ...measureChains(wall, driver, chaining),
      words: chainingWords(chaining),
      isCurrent: same(chaining),
    }))
    // The one in use is kept of those that come out the same.
    .sort((a, b) => Number(b.isCurrent) - Number(a.isCurrent))
    .filter((scheme) => {
      const key = JSON.stringify(scheme.chains);
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
  return schemes.sort(
    (a, b) =>
      Number(b.fits) - Number(a.fits) ||
      a.longRibbons - b.longRibbons ||
      a.longestChain - b.longestChain ||
      a.turnedPanels - b.turnedPanels ||
      a.ribbonMm - b.ribbonMm,
  );
}

function chainingWords(chaining: Chaining): string {
  if (chaining.by === 'hand') return 'drawn by hand';
  return `${STYLE_WORDS[chaining.style].replace('line', chaining.along === 'rows' ? 'row' : 'column').replace('lines', chaining.along)}, ${entryWords(chaining.entry, chaining.along)}`;
}
