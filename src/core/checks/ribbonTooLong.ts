import { outputName } from '../panels/chains';
import { ribbonsOf } from '../panels/ribbons';
import { formatLength } from '../units/length';
import { defineWallCheck } from './walls';
import { itemAt } from '../units/there';

/** Ribbon signals degrade with length; beyond this, ghost pixels and flicker are usual. */
const MOST_RIBBON_MM = 800;

export const ribbonTooLong = defineWallCheck(
  'ribbon-too-long',
  'Ribbons between panels are short: their signals degrade with length.',
  ({ laid, finding, layAnew }, { show: { lengths } }) => {
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
        `the ribbon after panel ${worst.from + 1} of output ${outputName(itemAt(laid.chains, worst.chain), laid.cards.length)} is ${formatLength(Math.round(worst.lengthMm), lengths)} long${long.length > 1 ? `, and ${long.length - 1} more are over ${formatLength(MOST_RIBBON_MM, lengths)}` : ''}. Long ribbons flicker and show ghost pixels.`,
        zigzag,
      ),
    ];
  },
);
