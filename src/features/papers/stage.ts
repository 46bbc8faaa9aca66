import type { Stage } from '../stages/stage';

export const papers: Stage = {
  id: 'papers',
  label: 'Papers',
  purpose: 'Sheets, labels and parts lists: what is in the hand when the laptop is not',
  subjects: ['prop', 'pixel', 'port', 'controller'],
  load: async () => (await import('./parts')).parts,
};
