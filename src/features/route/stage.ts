import type { Stage } from '../stages/stage';

export const route: Stage = {
  id: 'route',
  label: 'Route',
  purpose: 'The data’s path through each prop',
  subjects: ['prop', 'pixel'],
  load: async () => (await import('./parts')).parts,
};
