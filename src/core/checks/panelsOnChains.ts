import { cellsWords, defineWallCheck } from './walls';

export const panelsOnChains = defineWallCheck(
  'panels-on-chains',
  'Every panel of a wall is at one place of one chain, turned as its shape allows.',
  ({ prop, laid, finding, layAnew, rethread }) => {
    const { chaining } = prop.threading;
    const { columns, panel } = prop.shape;
    const found = [];
    if (laid.unchained.length > 0)
      found.push(
        finding(
          'willNotLight',
          `panel ${cellsWords(laid.unchained, columns)} (row.column from the front) is on no output, so it stays dark or shows what output 1 shows.`,
          layAnew('Lay the chains anew', 'zigzag', (after) => after.unchained.length === 0),
        ),
      );
    if (laid.twice.length > 0)
      found.push(
        finding(
          'willLookWrong',
          `panel ${cellsWords(laid.twice, columns)} is at two places of the chains; it can be plugged in only once.`,
          layAnew('Lay the chains anew', 'zigzag', (after) => after.twice.length === 0),
        ),
      );
    const sideways = laid.chains.flatMap((chain) =>
      chain.panels.filter((each) => panel.columns !== panel.rows && each.turnDeg % 180 !== 0),
    );
    if (sideways.length > 0 && chaining.by === 'hand')
      found.push(
        finding(
          'willLookWrong',
          `panel ${cellsWords(
            sideways.map((each) => each.row * columns + each.column),
            columns,
          )} is turned a quarter, but at ${panel.columns} × ${panel.rows} pixels it does not fit its place that way.`,
          [
            rethread('Turn them upright', {
              chaining: {
                by: 'hand',
                chains: chaining.chains.map((chain) => ({
                  ...chain,
                  panels: chain.panels.map((each) =>
                    each.turnDeg % 180 === 0 ? each : { ...each, turnDeg: 0 as const },
                  ),
                })),
              },
            }),
          ],
        ),
      );
    return found;
  },
);
