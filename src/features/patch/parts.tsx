import type { StageParts } from '../sheets/stageParts';
import { PatchPanel } from './PatchPanel';
import { patchSheets } from './sheets/patchSheets';

export const parts: StageParts = {
  sheets: ({ plan, selection, facts }) => ({
    label: 'Views of the patch',
    sheets: patchSheets(plan, selection, facts),
  }),
  Panel: PatchPanel,
};
