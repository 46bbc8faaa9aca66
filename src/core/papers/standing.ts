import { bringUpOf } from '../bringUp/bringUp';
import { progressOf } from '../bringUp/record';
import { deviceSettings } from '../devices/deviceSettings';
import { keptValues } from '../devices/settings/typed';
import type { Finding } from '../checks/check';
import { isProblem } from '../checks/rank';
import type { Plan } from '../plan/planned';
import type { Facts } from '../show/facts';
import { countOf } from '../units/number';
import { totalsOf } from './totals';

export type StandingState = 'done' | 'open' | 'again';

/** How far a stage of work is. */
export interface Standing {
  stage: 'build' | 'route' | 'patch' | 'power' | 'test' | 'print';
  label: string;
  state: StandingState;
  /** In a few words. */
  words: string;
}

/** Steps of bringing up are told prop by prop; of more props than this that takes longer than a look may. */
const MOST_PROPS = 60;

/**
 * Where a show stands: what of each stage is done, open, or to be done again after a change.
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

function stagesOf(plan: Plan, facts: Facts): Standing[] {
  const { show } = plan;
  const count = countOf(show.props.length, 'prop');
  if (show.props.length === 0) {
    const open = (stage: Standing['stage'], label: string): Standing => ({
      stage,
      label,
      state: 'open',
      words: 'nothing yet',
    });
    return [
      open('build', 'Build'),
      open('route', 'Route'),
      open('patch', 'Patch'),
      open('power', 'Power'),
      open('test', 'Test'),
      open('print', 'Print'),
    ];
  }
  const runs = countOf(plan.runs.length, 'run');
  return [
    { stage: 'build', label: 'Build', state: 'done', words: count },
    {
      stage: 'route',
      label: 'Route',
      state: plan.props.every(({ runCount }) => runCount > 0) ? 'done' : 'open',
      words: runs,
    },
    patchStanding(plan, facts),
    feedStanding(plan),
    proveStanding(plan, facts),
    facts.all.some(({ kind, field }) => kind === 'told' && field === 'printed')
      ? { stage: 'print', label: 'Print', state: 'done', words: 'printed' }
      : { stage: 'print', label: 'Print', state: 'open', words: 'nothing printed' },
  ];
}

function patchStanding(plan: Plan, facts: Facts): Standing {
  const { show } = plan;
  const is = { stage: 'patch', label: 'Patch' } as const;
  const { runs, runsOnPorts } = totalsOf(plan);
  if (runsOnPorts < runs)
    return { ...is, state: 'open', words: `${runsOnPorts} of ${countOf(runs, 'run')} on ports` };
  const again = show.tasks.filter((task) => !facts.isTyped(task.controllerId, task.field, task.new)).length;
  if (again > 0) return { ...is, state: 'again', words: `${countOf(again, 'value')} to type again` };
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
    ...is,
    state: typed === used.length ? 'done' : begun ? 'again' : 'open',
    words: `${typed} of ${countOf(used.length, 'device')} typed`,
  };
}

function feedStanding({ show }: Plan): Standing {
  const fed = new Set(
    show.feeds.flatMap(({ pieces }) =>
      pieces.flatMap(({ to }) => (to.kind === 'controller' ? [] : [to.propId])),
    ),
  );
  return {
    stage: 'power',
    label: 'Power',
    state: show.props.every(({ id }) => fed.has(id)) ? 'done' : 'open',
    words: `leads to ${fed.size} of ${countOf(show.props.length, 'prop')}`,
  };
}

function proveStanding(plan: Plan, facts: Facts): Standing {
  const is = { stage: 'test', label: 'Test' } as const;
  const onPorts = plan.show.props.flatMap((_, prop) =>
    plan.runs.some((run) => run.prop === prop && run.wire !== null && run.pixelCount > 0) ? [prop] : [],
  );
  if (onPorts.length > MOST_PROPS) return { ...is, state: 'open', words: 'see its first power-up' };
  const steps = new Map(
    onPorts
      .flatMap((prop) => bringUpOf(plan, prop))
      .map((step) => [`${step.thing.recordId} ${step.id}`, step]),
  );
  const { done, all, isAgain, isWrong } = progressOf(facts, [...steps.values()]);
  return {
    ...is,
    state: isAgain || isWrong ? 'again' : all > 0 && done === all ? 'done' : 'open',
    words: `${done} of ${countOf(all, 'step')}`,
  };
}
