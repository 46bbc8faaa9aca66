import type { Stage } from '../stages/stage';

export const print: Stage = {
  id: 'print',
  label: 'Print',
  purpose: 'Sheets, labels, shopping list',
  subjects: ['prop', 'pixel', 'port', 'controller'],
  load: async () => (await import('./parts')).parts,
};
