import { STAGES } from './registry';
import type { Stage, SubjectKind } from './stage';

/** The stage with an id; the first one where there is none. */
export function stageOf(id: string | undefined): Stage {
  return STAGES.find((stage) => stage.id === id) ?? STAGES[0]!;
}

/** Where a thing is looked at: on the stage one is on, if that can show it, else on the nearest before it, else on the first that can. */
export function stageShowing(subject: SubjectKind, current: string): Stage {
  const shows = (stage: Stage) => stage.subjects.includes(subject);
  const at = STAGES.findIndex((stage) => stage.id === current);
  return STAGES.slice(0, at + 1).findLast(shows) ?? STAGES.find(shows) ?? STAGES[0]!;
}

/** The key that leads to a stage: its place in the order. */
export function keyOf(stage: Stage): string {
  return String(STAGES.indexOf(stage) + 1);
}
