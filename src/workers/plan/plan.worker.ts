import { expose, transfer } from 'comlink';
import { findingSteps } from '@/core/checks/registry';
import { PlanCache } from '@/core/plan/cache';
import { pixelsOfLaid, planShow } from '@/core/plan/plan';
import type { Plan, PlannedProp } from '@/core/plan/planned';
import { Facts, type Fact } from '@/core/show/facts';
import type { Show } from '@/core/show/schema';
import { inSteps } from './inSteps';
import { buffersOfMessage, packPlan } from './planMessage';
import { answer, type Answer, type Asked, type Question } from './questions';
import { ShowReceiver, type SentShow } from './sentShows';

const cache = new PlanCache();
const shows = new ShowReceiver();
/** For as long as the show is kept. */
const plans = new WeakMap<Show, Plan>();
let latest: Show | null = null;
let sentProps: readonly PlannedProp[] = [];
let findingsAsked = 0;

/** A plan whose table of pixels may have been handed over: enough for all that looks at no single pixel. */
function laidOf(show: Show, progress?: (part: number) => void): Plan {
  let plan = plans.get(show);
  if (!plan) plans.set(show, (plan = planShow(show, cache, progress)));
  return plan;
}

function planOf(show: Show, progress?: (part: number) => void): Plan {
  let plan = laidOf(show, progress);
  if (plan.pixels.run.length < plan.pixelCount)
    plans.set(show, (plan = { ...plan, pixels: pixelsOfLaid(plan, cache) }));
  return plan;
}

const planner = {
  plan(sent: SentShow, progress: (part: number) => void) {
    latest = shows.receive(sent);
    const plan = planOf(latest, progress);
    const message = packPlan(plan, sentProps);
    sentProps = plan.props;
    return transfer(message, buffersOfMessage(message));
  },
  /**
   * @param facts what was noted on site
   * @returns null when a newer plan or newer findings were asked for meanwhile
   */
  findings(sent: SentShow, facts: readonly Fact[]) {
    const show = shows.receive(sent);
    const turn = (findingsAsked += 1);
    return inSteps(
      findingSteps(planOf(show), new Facts(facts)),
      () => turn !== findingsAsked || show !== latest,
    );
  },
  /** @param edited the show as edited, where it is shown already */
  ask<Name extends Question>(
    name: Name,
    asked: Asked<Name>,
    sent: SentShow,
    edited: SentShow | null,
    progress: ((part: number) => void) | null,
  ): Answer<Name> {
    const [show, after] = [shows.receive(sent), edited && shows.receive(edited)];
    return answer(
      name,
      {
        plan: laidOf(show),
        edited: after && laidOf(after),
        whole: () => planOf(show),
        cache,
        progress: progress ?? (() => {}),
      },
      asked,
    );
  },
};

export type PlanWorker = typeof planner;

expose(planner);
