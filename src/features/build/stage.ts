import type { Stage } from '../stages/stage';

export const build: Stage = {
  id: 'build',
  label: 'Build',
  purpose: 'Measure props',
  subjects: ['prop', 'pixel'],
  load: async () => (await import('./parts')).parts,
};
