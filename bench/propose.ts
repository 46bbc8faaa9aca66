// The distance of proposals from the best possible, by an exact solver, and the time of a large one.
import { GOALS } from '../src/core/answers/ports/assignment';
import { propose } from '../src/core/answers/ports/propose';
import { goal as goalWords, sized, table } from './report';
import { exactProposal, randomProposal } from '../tests/unit/exactProposal';

const SEEDS = Array.from({ length: sized(30, 1) }, (_, i) => 100 + i);

async function main() {
  const rows = [];
  for (const fill of sized([0.5, 0.7, 0.85], [0.5]))
    for (const goal of GOALS) {
      let [solvable, placed, best, found, exactSum, worst] = [0, 0, 0, 0, 0, 1];
      for (const seed of SEEDS) {
        const input = randomProposal(seed, 16, 3, 3, goal, fill);
        const exact = await exactProposal(input);
        if (exact === null) continue;
        solvable += 1;
        const made = propose(input);
        if (made.portOf.includes(-1)) continue;
        placed += 1;
        const value = { fewestPorts: made.portsUsed, leastCable: made.cableMm, evenLoad: made.fullestShare }[
          goal
        ];
        if (value <= exact * (1 + 1e-9)) best += 1;
        found += value;
        exactSum += exact;
        worst = Math.max(worst, value / exact);
      }
      const large = randomProposal(7, 400, 20, 16, goal, fill);
      const times = Array.from({ length: sized(5, 1) }, () => {
        const start = performance.now();
        propose(large);
        return performance.now() - start;
      }).sort((a, b) => a - b);
      const middle = times[times.length >> 1]!;
      const percent = (ratio: number) => `${((ratio - 1) * 100).toFixed(1)} %`;
      rows.push({
        'ports filled': `${fill * 100} %`,
        'wanted most': goal,
        solvable: `${solvable} of ${SEEDS.length}`,
        'all runs placed': placed,
        'at the best': best,
        'gap in all': percent(found / exactSum),
        'worst gap': percent(worst),
        '400 runs on 320 ports ms': middle.toFixed(0),
        goal: goalWords('≤ 1,000 ms', middle <= 1000),
      });
    }
  table('propose', rows);
}

void main();
