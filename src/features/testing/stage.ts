import type { Stage } from '../stages/stage';

export const testing: Stage = {
  id: 'test',
  label: 'Test',
  purpose: 'Send tests, find faults',
  subjects: ['prop', 'pixel'],
  load: async () => (await import('./parts')).parts,
};
