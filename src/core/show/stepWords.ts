import type { DeviceStep } from './facts';

/** The meaning of each step of bringing a device up: four different things. */
export const STEP_WORDS: Readonly<Record<DeviceStep, string>> = {
  set: 'typed into its page',
  saved: 'stored, so that it keeps them without power',
  restarted: 'started anew with them, as many devices ask for',
  seen: 'the right lights came on',
};
