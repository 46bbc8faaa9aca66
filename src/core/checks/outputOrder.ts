import { defineWallCheck } from './walls';

export const outputOrder = defineWallCheck(
  'output-order',
  'Cards that insist on it have their outputs used in order from the first.',
  ({ prop, laid, finding, rethread }) => {
    const { driver, chaining } = prop.threading;
    if (driver.kind !== 'cards' || !driver.inOrder || chaining.by !== 'hand') return [];
    for (const [card] of laid.cards.entries()) {
      const used = [
        ...new Set(laid.chains.filter((chain) => chain.card === card).map((chain) => chain.output)),
      ].sort((a, b) => a - b);
      const gap = used.findIndex((output, i) => output !== i + 1);
      if (gap === -1) continue;
      return [
        finding(
          'willLookWrong',
          `card ${card + 1} uses output ${used[gap]} but not output ${gap + 1}. These cards count outputs from the first on, so everything after the gap shows another part of the picture.`,
          [
            rethread('Move the chains up to the first outputs', {
              chaining: {
                by: 'hand',
                chains: chaining.chains.map((chain) =>
                  chain.card === card && used.includes(chain.output)
                    ? { ...chain, output: used.indexOf(chain.output) + 1 }
                    : chain,
                ),
              },
            }),
          ],
        ),
      ];
    }
    return [];
  },
);
