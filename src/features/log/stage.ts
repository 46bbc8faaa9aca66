import type { Stage } from '../stages/stage';

export const log: Stage = {
  id: 'log',
  label: 'Log',
  purpose: 'What was measured, seen, decided and changed, and the states that have a name',
  subjects: ['prop', 'pixel', 'port', 'controller'],
  load: async () => (await import('./parts')).parts,
};
