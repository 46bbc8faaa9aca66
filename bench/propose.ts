// How near proposals are to the best possible, by an exact solver, and how long a large one takes.
import { GOALS } from '../src/core/answers/ports/assignment';
import { propose } from '../src/core/answers/ports/propose';
import { exactProposal, randomProposal } from '../tests/unit/exactProposal';

const SEEDS = Array.from({ length: 30 }, (_, i) => 100 + i);

async function main() {
  console.log(
    '| ports filled | goal | solvable | all runs placed | at the best | gap in all | worst gap | 400 runs on 320 ports ms | goal |',
  );
  console.log('| --- | --- | --- | --- | --- | --- | --- | --- | --- |');
  for (const fill of [0.5, 0.7, 0.85])
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
      const times = Array.from({ length: 5 }, () => {
        const start = performance.now();
        propose(large);
        return performance.now() - start;
      }).sort((a, b) => a - b);
      const percent = (ratio: number) => `${((ratio - 1) * 100).toFixed(1)} %`;
      console.log(
        `| ${fill * 100} % | ${goal} | ${solvable} of ${SEEDS.length} | ${placed} | ${best} | ${percent(found / exactSum)} | ${percent(worst)} | ${times[2]!.toFixed(0)} | ≤ 1,000 ms |`,
      );
    }
}

void main();
