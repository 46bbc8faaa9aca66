import { fetched } from '@/ui/fetched';
import type { StageParts } from '../stages/stage';
import { ProvePanel } from './ProvePanel';

const BenchSheet = fetched(async () => (await import('./BenchSheet')).BenchSheet);
const FindSheet = fetched(async () => (await import('./FindSheet')).FindSheet);
const BringUpSheet = fetched(async () => (await import('./BringUpSheet')).BringUpSheet);
const BringUpOverview = fetched(async () => (await import('./BringUpOverview')).BringUpOverview);
const HelpSheet = fetched(async () => (await import('./HelpSheet')).HelpSheet);
const RigSheet = fetched(async () => (await import('./RigSheet')).RigSheet);
const TrafficSheet = fetched(async () => (await import('./TrafficSheet')).TrafficSheet);
const NothingToTest = fetched(async () => (await import('./NothingToTest')).NothingToTest);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const index = selection.prop;
    const whole = [
      { id: 'rig', label: 'Rig', wide: true, wholeShow: true, content: () => <RigSheet plan={plan} /> },
      {
        id: 'traffic',
        label: 'Traffic',
        wide: true,
        wholeShow: true,
        content: () => <TrafficSheet plan={plan} />,
      },
    ];
    const of = index === undefined ? null : plan.show.props[index]!;
    return {
      label: of ? `Tests of ${of.name}` : 'Tests',
      sheets: [
        {
          id: 'bench',
          label: of ? 'Bench' : 'Whole site',
          content: () =>
            plan.pixelCount === 0 ? (
              <NothingToTest />
            ) : (
              <BenchSheet key={of?.id ?? 'site'} plan={plan} prop={index ?? null} />
            ),
        },
        ...(index === undefined
          ? [
              {
                id: 'bring-up',
                label: 'Bring-up',
                wide: true,
                content: () => <BringUpOverview plan={plan} />,
              },
            ]
          : [
              {
                id: 'bring-up',
                label: 'Bring-up',
                wide: true,
                content: () => <BringUpSheet key={of!.id} plan={plan} prop={index} />,
              },
              {
                id: 'find',
                label: 'Find the fault',
                wide: true,
                content: () => <FindSheet key={of!.id} plan={plan} prop={index} />,
              },
            ]),
        {
          id: 'help',
          label: 'Bench help',
          wide: true,
          content: () => <HelpSheet key={of?.id ?? 'site'} plan={plan} prop={index ?? null} />,
        },
        ...whole,
      ],
    };
  },
  Panel: ProvePanel,
};
