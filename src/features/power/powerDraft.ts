import { create } from 'zustand';
import type { PropPowerPlan } from '@/core/power/powerProp';

/** The plan of power that is looked at and not in the show yet: the picture marks its injections and cuts. */
export const usePowerDraft = create<{ propId: string | null; draft: PropPowerPlan | null }>(() => ({
  propId: null,
  draft: null,
}));
