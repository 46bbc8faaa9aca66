import type { Stage } from '../stages/stage';

export const prove: Stage = {
  id: 'prove',
  label: 'Prove',
  purpose: 'Tests: what they show, what lights, and what is the matter',
  subjects: ['prop', 'pixel'],
  load: async () => (await import('./parts')).parts,
};
