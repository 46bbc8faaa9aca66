// An edit in a large show: planned anew, checked, and foreseen. 2,000 props, 250,000 pixels, some 1,500 universes.
import { foresee } from '../src/core/devices/foresight';
import { findingsOf } from '../src/core/checks/registry';
import { PlanCache } from '../src/core/plan/cache';
import { planShow } from '../src/core/plan/plan';
import type { Plan } from '../src/core/plan/planned';
import { applyEdit, type Edit } from '../src/core/show/edits/registry';
import { PROPS, manyProps } from './manyProps';
import { goal, middleMs, sized, table } from './report';

const show = manyProps();

const TIMES = sized(9, 1);

const longer = (turn: number): Edit => ({
  type: 'setShape',
  propId: 'prop-3',
  shape: { legs: [{ lengthMm: 7000, headingDeg: 0, pixels: { by: 'count', count: 126 + turn } }] },
});

const cache = new PlanCache();
const plan = planShow(show, cache);
const universes = plan.spaces.length;
const editMs = middleMs(TIMES, (turn) => applyEdit(show, longer(turn)));
const edited = Array.from({ length: TIMES }, (_, turn) => applyEdit(show, longer(turn)));
const plans: Plan[] = [];
const planMs = middleMs(TIMES, (turn) => (plans[turn] = planShow(edited[turn]!, cache)));
const checkMs = middleMs(TIMES, (turn) => findingsOf(plans[turn]!));
const before = planShow(show, cache);
// The show as edited is planned already when it is asked what that moves.
const foreseeMs = middleMs(TIMES, (turn) => foresee(before, longer(turn), plans[turn]!, '2026-12-01', cache));
const together = editMs + planMs + checkMs;
table('patch', [
  {
    props: PROPS.toLocaleString('en'),
    pixels: plan.pixelCount.toLocaleString('en'),
    universes: universes.toLocaleString('en'),
    'edit ms': editMs.toFixed(0),
    'replan ms': planMs.toFixed(0),
    'checks ms': checkMs.toFixed(0),
    together: together.toFixed(0),
    'foresight, both ways ms': foreseeMs.toFixed(0),
    goal: `${goal('together ≤ 250 ms', together <= 250)}, ${goal('foresight ≤ 100 ms', foreseeMs <= 100)}`,
  },
]);
