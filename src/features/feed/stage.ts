import type { Stage } from '../stages/stage';

export const feed: Stage = {
  id: 'feed',
  label: 'Feed',
  purpose: 'Supplies, leads and fuses, and the volts at every pixel',
  subjects: ['prop', 'pixel'],
  load: async () => (await import('./parts')).parts,
};
