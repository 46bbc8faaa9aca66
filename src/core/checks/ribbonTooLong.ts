import { outputName } from '../panels/chains';
import { ribbonsOf } from '../panels/ribbons';
import { formatLength } from '../units/length';
import { defineCheck } from './check';
import { eachWall } from './walls';

/** Ribbon signals degrade with length; beyond this, ghost pixels and flicker are usual. */
const MOST_RIBBON_MM = 800;

export const ribbonTooLong = defineCheck(
  'ribbon-too-long',
  'Ribbons between panels are short: their signals degrade with length.',
  (plan) =>
    eachWall(plan, ({ laid, finding, layAnew }) => {
      const long = ribbonsOf(laid.chains, laid.wall.panel)
        .filter((ribbon) => ribbon.lengthMm > MOST_RIBBON_MM)
        .sort((a, b) => b.lengthMm - a.lengthMm);
      const worst = long[0];
      if (!worst) return [];
      const zigzag = layAnew('Zigzag with short ribbons', 'zigzag', (after) =>
        ribbonsOf(after.chains, after.wall.panel).every((ribbon) => ribbon.lengthMm < worst.lengthMm - 1),
      );
      return [
        finding(
          'worthKnowing',
          `the ribbon after panel ${worst.from + 1} of output ${outputName(laid.chains[worst.chain]!, laid.cards.length)} is ${formatLength(Math.round(worst.lengthMm))} long${long.length > 1 ? `, and ${long.length - 1} more are over ${formatLength(MOST_RIBBON_MM)}` : ''}. Long ribbons flicker and show ghost pixels.`,
          zigzag,
        ),
      ];
    }),
);
