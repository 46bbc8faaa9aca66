import { planShow } from '../plan/plan';
import { isProblem } from '../checks/rank';
import { findingsOf } from '../checks/registry';
import { applyEdit } from './edits/registry';
import { FIRST_STEPS, firstStep } from './firstSteps';
import { readShow, writeShowText } from './read';
import { emptyShow } from './schema';

it.each(FIRST_STEPS.map((step) => [step.label, step] as const))(
  '%s is a prop that is fed and has nothing to mend',
  (_, step) => {
    const show = emptyShow('Harbour');
    const { edit, propId } = firstStep(show, step);
    const next = applyEdit(show, edit);
    readShow(JSON.parse(writeShowText(next)));
    expect(next.props.map(({ id }) => id)).toEqual([propId]);
    const plan = planShow(next);
    expect(plan.pixelCount).toBeGreaterThan(0);
    const problems = findingsOf(plan).filter(({ rank }) => isProblem(rank));
    // Several kinds of devices drive a screen: which one it is, is asked.
    if (step.kind === 'screen') {
      expect(next.controllers).toEqual([]);
      expect(findingsOf(plan).find(({ check }) => check === 'run-on-no-port')?.mends).toHaveLength(3);
      return;
    }
    expect(plan.runs.every((run) => run.wire)).toBe(true);
    expect(problems).toEqual([]);
  },
);
