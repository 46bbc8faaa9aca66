import type { Stage } from '../stages/stage';

export const power: Stage = {
  id: 'power',
  label: 'Power',
  purpose: 'Supplies, injection, fuses',
  subjects: ['prop', 'pixel'],
  load: async () => (await import('./parts')).parts,
};
