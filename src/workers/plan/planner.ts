import type { Finding } from '@/core/checks/check';
import type { Plan, PlannedProp } from '@/core/plan/planned';
import type { Fact } from '@/core/show/facts';
import type { Show } from '@/core/show/schema';
import { startThread } from '../thread';
import type { PlanWorker } from './plan.worker';
import { unpackPlan } from './planMessage';
import { LONG_QUESTIONS } from './longQuestions';
import type { Answer, Asked, Question } from './questions';
import { ShowSender } from './sentShows';

/** Plans shows and tells what follows from the plans; `stop` ends whatever it runs on. */
export interface Planner {
  /** @param progress told how much is done, from 0 to 1 */
  plan: (show: Show, progress: (part: number) => void) => Promise<Plan>;
  /**
   * Findings about the plan of a show.
   *
   * @param facts what was noted on site
   * @returns null where a newer show overtook it
   */
  findings: (show: Show, facts: readonly Fact[]) => Promise<readonly Finding[] | null>;
  /**
   * Answers that take other plans.
   *
   * @throws a sentence where it could not be worked out
   */
  ask: <Name extends Question>(
    name: Name,
    show: Show,
    asked: Asked<Name>,
    more?: AskMore,
  ) => Promise<Answer<Name>>;
  stop: () => void;
}

interface AskMore {
  /** The show as edited, where it is shown already. */
  edited?: Show;
  /** Told how much is done, from 0 to 1. */
  progress?: (part: number) => void;
}

const startThreadOfPlans = () => ({
  thread: startThread<PlanWorker>(
    new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }),
  ),
  shows: new ShowSender(),
});

/** A planner in a thread of its own, so that planning never holds up the interface; what takes long to answer holds up no plan. */
export function startPlanner(): Planner {
  const plans = startThreadOfPlans();
  const {
    shows,
    thread: { remote, answer, answerInParts },
  } = plans;
  let long: typeof plans | null = null;
  let received: readonly PlannedProp[] = [];
  return {
    plan: async (show, progress) => {
      const message = await answerInParts(progress, (told) => remote.plan(shows.send(show), told));
      const plan = unpackPlan(message, show, received);
      received = plan.props;
      return plan;
    },
    findings: (show, facts) => answer(remote.findings(shows.send(show), facts)),
    ask: (name, show, asked, { edited, progress } = {}) => {
      // Only who asks something long has a second thread.
      const of = LONG_QUESTIONS.has(name) ? (long ??= startThreadOfPlans()) : plans;
      const sent = of.shows.send(show);
      const sentEdited = edited ? of.shows.send(edited) : null;
      const ask = (told: typeof progress | null) =>
        of.thread.remote.ask(name, asked, sent, sentEdited, told ?? null) as Promise<never>;
      return progress ? of.thread.answerInParts(progress, ask) : of.thread.answer(ask(null));
    },
    stop: () => {
      plans.thread.stop();
      long?.thread.stop();
    },
  };
}
