import type { ComponentType } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { Facts } from '@/core/show/facts';
import type { Sheet } from '../sheets/SheetFrame';
import type { Selection } from '../view/selection';

/** What a view can be about. */
export type SubjectKind = 'prop' | 'pixel' | 'port' | 'controller';

/** What a stage is shown of. */
interface StageView {
  plan: Plan;
  selection: Selection;
  facts: Facts;
}

/** What a stage is made of; it is fetched when the stage is first gone to. */
export interface StageParts {
  /** What can be looked at in the middle, and what these tabs are called; null shows the first steps of an empty show. */
  sheets: (view: StageView) => { label: string; sheets: readonly Sheet[] };
  /** What can be set and what follows from it, on the right, below the findings. */
  Panel: ComponentType<{ plan: Plan; selection: Selection }>;
}

/** A stage of work: one folder of the interface. */
export interface Stage {
  /** In addresses and in findings. */
  id: string;
  label: string;
  /** What is done there, in a line. */
  purpose: string;
  /** What it can show. What it cannot is looked at on another stage. */
  subjects: readonly SubjectKind[];
  /** It looks at the whole show, whatever is chosen: its sheets and its findings stay when another thing is chosen. */
  wholeShow?: boolean;
  load: () => Promise<StageParts>;
}
