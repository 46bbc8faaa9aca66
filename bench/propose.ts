// How near proposals are to the best possible, by an exact solver, and how long a large one takes.
import { GOALS, propose } from '../src/core/patch/propose';
import { exactProposal, randomProposal } from '../tests/unit/exactProposal';

async function main() {
  console.log(
    '| goal | instances | at the best | gap in all | worst gap | 400 runs on 320 ports ms | goal |',
  );
  console.log('| --- | --- | --- | --- | --- | --- | --- |');
  for (const goal of GOALS) {
    let [instances, best, found, exactSum, worst] = [0, 0, 0, 0, 1];
    for (let seed = 100; seed < 130; seed += 1) {
      const input = randomProposal(seed, 12, 3, 3, goal);
      const exact = await exactProposal(input);
      if (exact === null) continue;
      const made = propose(input);
      const value = { fewestPorts: made.portsUsed, leastCable: made.cableMm, evenLoad: made.fullestShare }[
        goal
      ];
      instances += 1;
      if (value <= exact * (1 + 1e-9)) best += 1;
      found += value;
      exactSum += exact;
      worst = Math.max(worst, value / exact);
    }
    const large = randomProposal(7, 400, 20, 16, goal);
    const times = Array.from({ length: 5 }, () => {
      const start = performance.now();
      propose(large);
      return performance.now() - start;
    }).sort((a, b) => a - b);
    const percent = (ratio: number) => `${((ratio - 1) * 100).toFixed(1)} %`;
    console.log(
      `| ${goal} | ${instances} | ${best} | ${percent(found / exactSum)} | ${percent(worst)} | ${times[2]!.toFixed(0)} | ≤ 1,000 ms |`,
    );
  }
}

void main();
