import { fetched } from '@/ui/fetched';
import type { StageParts } from '../sheets/stageParts';
import { TestPanel } from './TestPanel';
import { propAt } from '@/core/plan/records';

const LiveTestSheet = fetched(async () => (await import('../liveTest/LiveTestSheet')).LiveTestSheet);
const FindSheet = fetched(async () => (await import('../finding/FindSheet')).FindSheet);
const FirstPowerUpSheet = fetched(
  async () => (await import('../firstPowerUp/FirstPowerUpSheet')).FirstPowerUpSheet,
);
const FirstPowerUpOverview = fetched(
  async () => (await import('../firstPowerUp/FirstPowerUpOverview')).FirstPowerUpOverview,
);
const QuickChecksSheet = fetched(async () => (await import('../finding/QuickChecksSheet')).QuickChecksSheet);
const SimulatorSheet = fetched(async () => (await import('../liveTest/SimulatorSheet')).SimulatorSheet);
const TrafficSheet = fetched(async () => (await import('../liveTest/TrafficSheet')).TrafficSheet);
const NothingToTest = fetched(async () => (await import('./NothingToTest')).NothingToTest);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const index = selection.prop;
    const whole = [
      {
        id: 'simulator',
        label: 'Simulator',
        wide: true,
        wholeShow: true,
        content: () => <SimulatorSheet plan={plan} />,
      },
      {
        id: 'traffic',
        label: 'Traffic',
        wide: true,
        wholeShow: true,
        content: () => <TrafficSheet plan={plan} />,
      },
    ];
    const of = index === undefined ? null : propAt(plan, index);
    return {
      label: of ? `Tests of ${of.name}` : 'Tests',
      sheets: [
        {
          id: 'live-test',
          label: of ? 'Live test' : 'Whole site',
          content: () =>
            plan.pixelCount === 0 ? (
              <NothingToTest />
            ) : (
              <LiveTestSheet key={of?.id ?? 'site'} plan={plan} prop={index ?? null} />
            ),
        },
        ...(index === undefined
          ? [
              {
                id: 'first-power-up',
                label: 'First power-up',
                wide: true,
                content: () => <FirstPowerUpOverview plan={plan} />,
              },
            ]
          : [
              {
                id: 'first-power-up',
                label: 'First power-up',
                wide: true,
                content: () => <FirstPowerUpSheet key={of!.id} plan={plan} prop={index} />,
              },
              {
                id: 'find',
                label: 'Find the fault',
                wide: true,
                content: () => <FindSheet key={of!.id} plan={plan} prop={index} />,
              },
            ]),
        {
          id: 'quick-checks',
          label: 'Quick checks',
          wide: true,
          content: () => <QuickChecksSheet key={of?.id ?? 'site'} plan={plan} prop={index ?? null} />,
        },
        ...whole,
      ],
    };
  },
  Panel: TestPanel,
};
