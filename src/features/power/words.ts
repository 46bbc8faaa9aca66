import type { PowerLack } from '@/core/power/powerProp';
import type { Reach } from '@/core/power/proposeFeeds';
import type { WhiteBy } from '@/core/show/schema';

export const WHITE_WORDS: Record<WhiteBy, string> = {
  all: 'the three colours and the white light',
  white: 'the white light alone',
  colours: 'the three colours alone',
};

export const REACH_WORDS: Record<Reach, string> = {
  ends: 'the ends of its runs',
  loops: 'every loop between strands',
  ground: 'loops that are reached from the ground',
  any: 'any pixel',
};

/** Sentences for what keeps a plan of power from being enough. */
export const LACK_WORDS: Record<PowerLack, string> = {
  volts:
    'The farthest pixels would get too few volts on a hot evening. Inject at any pixel, take thicker wire, or bring the supply nearer.',
  rail: 'The prop’s own wires would carry more than they may. Inject at any pixel.',
  fuse: 'For one lead or more no fuse fits. Take thicker wire, or inject at any pixel.',
  supply: 'This supply does not carry it for hours. Take new ones.',
};
