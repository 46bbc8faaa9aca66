import type { ReactNode } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { Show } from '@/core/show/schema';
import { useShow } from '@/features/show/ShowProvider';
import { openShow } from './openShow';

/** Opens a sheet that is drawn anew with each plan, as it is in the frame. */
export function openSheet(show: Show, content: (plan: Plan) => ReactNode) {
  function Latest() {
    const plan = useShow((state) => state.plan);
    return plan && content(plan);
  }
  return openShow(show, <Latest />);
}
