import type { Stage } from '../stages/stage';

export const patch: Stage = {
  id: 'patch',
  label: 'Patch',
  purpose: 'Put runs on ports and see their addresses',
  subjects: ['prop', 'port', 'controller'],
  wholeShow: true,
  load: async () => (await import('./parts')).parts,
};
