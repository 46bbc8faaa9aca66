import type { WhiteBy } from '@/core/show/schema';

export const WHITE_WORDS: Record<WhiteBy, string> = {
  all: 'the three colours and the white light',
  white: 'the white light alone',
  colours: 'the three colours alone',
};
