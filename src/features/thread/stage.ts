import type { Stage } from '../stages/stage';

export const thread: Stage = {
  id: 'thread',
  label: 'Thread',
  purpose: 'Say which way the data goes',
  subjects: ['prop', 'pixel'],
  load: async () => (await import('./parts')).parts,
};
