import type { ComponentType } from 'react';
import type { Plan } from '@/core/plan/planned';

/** A page for the phone: what is done with one hand at the device. */
export interface BenchPage {
  /** In the address. */
  id: string;
  label: string;
  /** @param controller index of the device that is worked at */
  Page: ComponentType<{ plan: Plan; controller: number }>;
}
