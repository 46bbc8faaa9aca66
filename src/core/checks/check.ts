import type { Plan } from '../plan/planned';
import { isOf, type PropKindName, type PropOf } from '../props/registry';
import type { Edit } from '../show/edits/registry';
import type { Facts } from '../show/facts';
import type { StageId } from '../stages/stages';
import type { Rank } from './rank';

/** Something that wants attention. */
export interface Finding {
  check: string;
  /** Severity; null for a step of the work that has not been done yet. */
  rank: Rank | null;
  /** The stage of the work where it is fixed. */
  stage: StageId;
  propId?: string;
  /** The other prop of two that are at odds: it is said on the page of either. */
  otherPropId?: string;
  controllerId?: string;
  /** The supply that it is about, which may feed many things. */
  supplyId?: string;
  /** The problem and its thing, in whole sentences. */
  message: string;
  mends: Mend[];
}

/** A way out, as a button: its words and the edit behind it. */
export interface Mend {
  label: string;
  edit: Edit;
}

export interface Check {
  id: string;
  /** Purpose of the check, in one line. */
  meaning: string;
  /** Whether it looks at what was noted on site as well as at the plan. */
  readsFacts: boolean;
  find: (plan: Plan, facts: Facts) => Finding[];
}

/** Lets each check write its findings without repeating what they have in common. */
export function defineCheck(
  id: string,
  meaning: string,
  find: (plan: Plan) => Omit<Finding, 'check'>[],
): Check {
  return { ...defineFactsCheck(id, meaning, find), readsFacts: false };
}

/** A check of what only one kind of prop has. */
export function defineKindCheck<Kind extends PropKindName>(
  id: string,
  kind: Kind,
  meaning: string,
  /** @param index of the prop in the show */
  find: (prop: PropOf<Kind>, index: number, plan: Plan) => Omit<Finding, 'check'>[],
): Check {
  return defineCheck(id, meaning, (plan) =>
    plan.show.props.flatMap((prop, index) => (isOf(prop, kind) ? find(prop, index, plan) : [])),
  );
}

/** A check of what was noted on site against the plan. */
export function defineFactsCheck(
  id: string,
  meaning: string,
  find: (plan: Plan, facts: Facts) => Omit<Finding, 'check'>[],
): Check {
  return {
    id,
    meaning,
    readsFacts: true,
    find: (plan, facts) => find(plan, facts).map((finding) => ({ check: id, ...finding })),
  };
}
