import { bringUpOf } from '../bringUp/bringUp';
import { progressOf } from '../bringUp/record';
import { deviceSettings } from '../devices/deviceSettings';
import { keptValues } from '../devices/settings/typed';
import type { Finding } from '../checks/check';
import { isProblem } from '../checks/rank';
import type { Plan } from '../plan/planned';
import type { Facts } from '../show/facts';
import { STAGES, type StageId } from '../stages/stages';
import { countOf } from '../units/number';
import { totalsOf } from './totals';

export type StandingState = 'done' | 'open' | 'again';

/** Progress of a stage of work. */
export interface Standing {
  stage: StageId;
  label: string;
  state: StandingState;
  /** In a few words. */
  words: string;
}

/** Steps of bringing up are told prop by prop; of more props than this that takes longer than a look may. */
const MOST_PROPS = 60;

/**
 * The standing of a show: what of each stage is done, open, or to be done again after a change.
 *
 * @param findings what the checks found; null where they were not made, and then no stage of the plan is called done
 */
export function standingOf(
  plan: Plan,
  facts: Facts,
  findings: readonly Pick<Finding, 'stage' | 'rank'>[] | null,
): Standing[] {
  return stagesOf(plan, facts).map((standing) => {
    if (standing.state !== 'done' || standing.stage === 'print') return standing;
    if (findings === null)
      return { ...standing, state: 'open', words: `${standing.words}, not checked here` };
    const problems = findings.filter(({ stage, rank }) => stage === standing.stage && isProblem(rank)).length;
    return problems === 0
      ? standing
      : { ...standing, state: 'open', words: `${standing.words}, ${countOf(problems, 'problem')}` };
  });
}

type Own = Pick<Standing, 'state' | 'words'>;

/** Progress of each stage; null for one that is never done. */
const OWN: Record<StageId, ((plan: Plan, facts: Facts) => Own) | null> = {
  build: ({ show }) => ({ state: 'done', words: countOf(show.props.length, 'prop') }),
  route: ({ props, runs }) => ({
    state: props.every(({ runCount }) => runCount > 0) ? 'done' : 'open',
    words: countOf(runs.length, 'run'),
  }),
  patch: patchStanding,
  power: powerStanding,
  test: testStanding,
  print: (_, facts) =>
    facts.all.some(({ kind, field }) => kind === 'told' && field === 'printed')
      ? { state: 'done', words: 'printed' }
      : { state: 'open', words: 'nothing printed' },
  log: null,
};

function stagesOf(plan: Plan, facts: Facts): Standing[] {
  const isEmpty = plan.show.props.length === 0;
  return STAGES.flatMap(({ id, label }) => {
    const own = OWN[id];
    if (!own) return [];
    const standing: Own = isEmpty ? { state: 'open', words: 'nothing yet' } : own(plan, facts);
    return [{ stage: id, label, ...standing }];
  });
}

function patchStanding(plan: Plan, facts: Facts): Own {
  const { show } = plan;
  const { runs, runsOnPorts } = totalsOf(plan);
  if (runsOnPorts < runs)
    return { state: 'open', words: `${runsOnPorts} of ${countOf(runs, 'run')} on ports` };
  const again = show.tasks.filter((task) => !facts.isTyped(task.controllerId, task.field, task.new)).length;
  if (again > 0) return { state: 'again', words: `${countOf(again, 'value')} to type again` };
  const used = show.controllers.flatMap((controller, index) => {
    const settings = deviceSettings(plan, index);
    return settings.ports.length > 0 ? [{ id: controller.id, kept: keptValues(settings) }] : [];
  });
  const typed = used.filter(({ id, kept }) => facts.isStepDone(id, 'set', kept)).length;
  const begun = used.some(
    ({ id, kept }) =>
      !facts.isStepDone(id, 'set', kept) && facts.find('deviceStep', 'controllers', id, 'set'),
  );
  return {
    state: typed === used.length ? 'done' : begun ? 'again' : 'open',
    words: `${typed} of ${countOf(used.length, 'device')} typed`,
  };
}

function powerStanding({ show }: Plan): Own {
  const fed = new Set(
    show.feeds.flatMap(({ pieces }) =>
      pieces.flatMap(({ to }) => (to.kind === 'controller' ? [] : [to.propId])),
    ),
  );
  return {
    state: show.props.every(({ id }) => fed.has(id)) ? 'done' : 'open',
    words: `leads to ${fed.size} of ${countOf(show.props.length, 'prop')}`,
  };
}

function testStanding(plan: Plan, facts: Facts): Own {
  const onPorts = plan.show.props.flatMap((_, prop) =>
    plan.runs.some((run) => run.prop === prop && run.wire !== null && run.pixelCount > 0) ? [prop] : [],
  );
  if (onPorts.length > MOST_PROPS) return { state: 'open', words: 'see its first power-up' };
  const steps = new Map(
    onPorts
      .flatMap((prop) => bringUpOf(plan, prop))
      .map((step) => [`${step.thing.recordId} ${step.id}`, step]),
  );
  const { done, all, isAgain, isWrong } = progressOf(facts, [...steps.values()]);
  return {
    state: isAgain || isWrong ? 'again' : all > 0 && done === all ? 'done' : 'open',
    words: `${done} of ${countOf(all, 'step')}`,
  };
}
