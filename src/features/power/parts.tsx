import { fetched } from '@/ui/fetched';
import { isPanelled } from '@/core/props/registry';
import type { StageParts } from '../sheets/stageParts';
import { PowerPanel } from './PowerPanel';
import { PowerPicture } from './PowerPicture';
import { propAt } from '@/core/plan/records';

const SuppliesSheet = fetched(async () => (await import('./SuppliesSheet')).SuppliesSheet);
const CompareSheet = fetched(async () => (await import('./CompareSheet')).CompareSheet);
const DrawSheet = fetched(async () => (await import('./DrawSheet')).DrawSheet);
const ScheduleSheet = fetched(async () => (await import('./ScheduleSheet')).ScheduleSheet);
const BrightnessSheet = fetched(async () => (await import('./BrightnessSheet')).BrightnessSheet);
const DataWiresSheet = fetched(async () => (await import('./DataWiresSheet')).DataWiresSheet);
const ReadingsSheet = fetched(async () => (await import('./ReadingsSheet')).ReadingsSheet);
const OpenFusesSheet = fetched(async () => (await import('./OpenFusesSheet')).OpenFusesSheet);
const WallFeedsSheet = fetched(async () => (await import('./WallFeedsSheet')).WallFeedsSheet);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const whole = [
      { id: 'draw', label: 'Draw', wide: true, wholeShow: true, content: () => <DrawSheet plan={plan} /> },
      {
        id: 'schedule',
        label: 'Schedule',
        wide: true,
        wholeShow: true,
        content: () => <ScheduleSheet plan={plan} />,
      },
      {
        id: 'brightness',
        label: 'Brightness',
        wide: true,
        wholeShow: true,
        content: () => <BrightnessSheet plan={plan} />,
      },
      {
        id: 'data',
        label: 'Data wires',
        wide: true,
        wholeShow: true,
        content: () => <DataWiresSheet plan={plan} />,
      },
    ];
    if (plan.show.feeds.length > 0)
      whole.push({
        id: 'fuses',
        label: 'One fuse open',
        wide: true,
        wholeShow: true,
        content: () => <OpenFusesSheet plan={plan} />,
      });
    const index = selection.prop;
    const readings = {
      id: 'readings',
      label: 'Readings',
      wide: true,
      content: () => <ReadingsSheet plan={plan} prop={index ?? null} />,
    };
    if (index === undefined)
      return {
        label: 'Views of the feeds',
        sheets: [
          { id: 'supplies', label: 'Supplies', content: () => <SuppliesSheet plan={plan} /> },
          readings,
          ...whole,
        ],
      };
    const prop = propAt(plan, index);
    const { id, name } = prop;
    return {
      label: `Feeds of ${name}`,
      sheets: isPanelled(prop)
        ? [
            {
              id: 'picture',
              label: 'Panels',
              content: () => <WallFeedsSheet key={id} plan={plan} prop={index} />,
            },
            readings,
            ...whole,
          ]
        : [
            {
              id: 'picture',
              label: 'Picture',
              content: () => <PowerPicture key={id} plan={plan} prop={index} selection={selection} />,
            },
            {
              id: 'compare',
              label: 'Compare feeds',
              wide: true,
              content: () => <CompareSheet key={id} plan={plan} prop={index} />,
            },
            readings,
            ...whole,
          ],
    };
  },
  Panel: PowerPanel,
};
