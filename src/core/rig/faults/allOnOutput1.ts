import { nowAndThen } from '../prior';
import { wallOf } from '../../props/registry';
import type { Plan } from '../../plan/planned';
import { runIndex, type OnRun } from '../fault';
import { panelsOf, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

const chainsOf = (plan: Plan, place: OnRun) => {
  const prop = plan.show.props[plan.runs[runIndex(plan, place)]?.prop ?? -1];
  return prop ? (wallOf(prop)?.chains ?? []) : [];
};

export const allOnOutput1 = runFault(
  'allOnOutput1',
  {
    name: 'All panels left on output 1',
    layer: 'place',
    prior: nowAndThen('as a new list of panels comes'),
    sentence: (run) => `All chains of ${run} are set to output 1: each shows the picture of the first.`,
  },
  (rig, place) => {
    const panels = panelsOf(rig.plan, place);
    const run = rig.plan.runs[runIndex(rig.plan, place)];
    const [first, ...others] = chainsOf(rig.plan, place);
    if (!panels || !run?.wire || !first) return rig;
    const [from, to]: [number[], number[]] = [[], []];
    const { panel, indexOf } = panels;
    for (const chain of others)
      chain.panels.forEach((own, i) => {
        const like = first.panels[i];
        if (!like) return;
        for (let y = 0; y < panel.rows; y += 1)
          for (let x = 0; x < panel.columns; x += 1) {
            from.push(run.firstPixel + indexOf(like.column, like.row, x, y));
            to.push(run.firstPixel + indexOf(own.column, own.row, x, y));
          }
      });
    const { controller } = run.wire;
    return {
      ...rig,
      copies: [...rig.copies, { controller, from: Int32Array.from(from), to: Int32Array.from(to) }],
    };
  },
  (plan) => wallRunsOf(plan).filter((place) => chainsOf(plan, place).length > 1),
);
