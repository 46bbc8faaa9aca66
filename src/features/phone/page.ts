import type { ComponentType } from 'react';
import type { Plan } from '@/core/plan/planned';

/** A page for the phone: what is done with one hand at the display. */
export interface PhonePage {
  /** In the address. */
  id: string;
  label: string;
  /** Its subject, which is chosen above it. */
  about: 'device' | 'prop' | 'anything' | 'nothing';
  /** Tests are sent from it, so that it shows what is being sent. */
  sends?: boolean;
  /**
   * @param controller index of the device that is worked at; -1 where the show has none
   * @param prop index of the prop that is worked at; -1 where the show has none
   */
  Page: ComponentType<{ plan: Plan; controller: number; prop: number }>;
}
