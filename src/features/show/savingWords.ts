import type { Saving } from './showState';

/** Whether what was done here is on the server. */
export const SAVING_WORDS: Record<Saving, string> = {
  saved: 'saved',
  saving: 'saving…',
  unreachable: 'not saved: the server cannot be reached, trying again',
  clash: 'not saved: changed elsewhere',
  removed: 'this show was removed',
};
