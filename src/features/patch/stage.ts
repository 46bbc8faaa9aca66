import type { Stage } from '../stages/stage';

export const patch: Stage = {
  id: 'patch',
  label: 'Patch',
  purpose: 'Ports, universes, channels',
  subjects: ['prop', 'port', 'controller'],
  wholeShow: true,
  load: async () => (await import('./parts')).parts,
};
