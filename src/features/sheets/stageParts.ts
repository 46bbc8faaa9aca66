import type { ComponentType } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { Facts } from '@/core/show/facts';
import type { Sheet } from './SheetFrame';
import type { Selection } from '../view/selection';

/** The subject of a stage. */
interface StageView {
  plan: Plan;
  selection: Selection;
  facts: Facts;
}

/** The parts of a stage; they are fetched when the stage is first gone to. */
export interface StageParts {
  /** Sheets in the middle, and the name of their tabs; null shows the first steps of an empty show. */
  sheets: (view: StageView) => { label: string; sheets: readonly Sheet[] };
  /** Settings and their results, on the right, below the findings. */
  Panel: ComponentType<{ plan: Plan; selection: Selection }>;
}
