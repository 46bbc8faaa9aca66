import { fetched } from '@/ui/fetched';
import type { StageParts } from '../stages/stage';
import { ProvePanel } from './ProvePanel';

const BenchSheet = fetched(async () => (await import('./BenchSheet')).BenchSheet);
const ChooseProp = fetched(async () => (await import('./ChooseProp')).ChooseProp);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const index = selection.prop;
    if (index === undefined)
      return {
        label: 'Tests',
        sheets: [{ id: 'bench', label: 'Bench', content: () => <ChooseProp plan={plan} /> }],
      };
    const { id, name } = plan.show.props[index]!;
    return {
      label: `Tests of ${name}`,
      sheets: [
        {
          id: 'bench',
          label: 'Bench',
          content: () => <BenchSheet key={id} plan={plan} prop={index} />,
        },
      ],
    };
  },
  Panel: ProvePanel,
};
