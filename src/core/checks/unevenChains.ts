import { defineWallCheck } from './walls';

export const unevenChains = defineWallCheck(
  'uneven-chains',
  'Panels are spread evenly over the outputs of a wall: the longest chain sets the refresh of all.',
  ({ prop, laid, finding, layAnew }) => {
    const counts = laid.chains.map((chain) => chain.panels.length);
    const [longest, shortest] = [Math.max(0, ...counts), Math.min(...counts)];
    if (prop.threading.chaining.by !== 'hand' || longest - shortest < 2) return [];
    const mends = layAnew(
      'Spread them evenly',
      'zigzag',
      (after) => Math.max(...after.chains.map((chain) => chain.panels.length)) < longest,
    );
    // Long lines cannot be more even.
    if (mends.length === 0) return [];
    return [
      finding(
        'worthKnowing',
        `one output has ${longest} panels and another ${shortest}. The longest chain sets the refresh of the whole wall.`,
        mends,
      ),
    ];
  },
);
