import type { ComponentType } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { Facts } from '@/core/show/facts';
import type { Sheet } from './SheetFrame';
import type { Selection } from '../view/selection';

/** What a stage is shown of. */
interface StageView {
  plan: Plan;
  selection: Selection;
  facts: Facts;
}

/** The parts of a stage; they are fetched when the stage is first gone to. */
export interface StageParts {
  /** What can be looked at in the middle, and what these tabs are called; null shows the first steps of an empty show. */
  sheets: (view: StageView) => { label: string; sheets: readonly Sheet[] };
  /** What can be set and what follows from it, on the right, below the findings. */
  Panel: ComponentType<{ plan: Plan; selection: Selection }>;
}
