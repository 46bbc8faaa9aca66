import type { Stage } from '../stages/stage';

export const log: Stage = {
  id: 'log',
  label: 'Log',
  purpose: 'Notes, photos, versions',
  subjects: ['prop', 'pixel', 'port', 'controller'],
  load: async () => (await import('./parts')).parts,
};
