import { propOfKind } from '@/core/plan/records';
import { fetched } from '@/ui/fetched';
import type { KindFace } from '../faces/face';

const CutsSheet = fetched(async () => (await import('../screen/CutsSheet')).CutsSheet);
const NumbersSheet = fetched(async () => (await import('../screen/NumbersSheet')).NumbersSheet);
const ZonesSheet = fetched(async () => (await import('../screen/ZonesSheet')).ZonesSheet);
const PreviewSheet = fetched(async () => (await import('../screen/PreviewSheet')).PreviewSheet);
const SourceSheet = fetched(async () => (await import('../screen/SourceSheet')).SourceSheet);
const WalkSheet = fetched(async () => (await import('../screen/WalkSheet')).WalkSheet);
const LagSheet = fetched(async () => (await import('../screen/LagSheet')).LagSheet);

export const screen: KindFace<'screen'> = {
  ShapeEditor: fetched(async () => (await import('../screen/ScreenShapeEditor')).ScreenShapeEditor),
  moreBuildSheets: (plan, index) => {
    const prop = propOfKind(plan, index, 'screen');
    return [
      {
        id: 'cuts',
        label: 'Strip and cuts',
        wide: true,
        content: () => <CutsSheet plan={plan} index={index} prop={prop} />,
      },
      {
        id: 'numbers',
        label: 'Numbers to type',
        wide: true,
        content: () => <NumbersSheet prop={prop} />,
      },
      { id: 'zones', label: 'Zones', wide: true, content: () => <ZonesSheet prop={prop} /> },
      { id: 'preview', label: 'Preview', wide: true, content: () => <PreviewSheet prop={prop} /> },
      { id: 'lag', label: 'Lag', wide: true, content: () => <LagSheet plan={plan} prop={prop} /> },
      { id: 'source', label: 'What feeds it', wide: true, content: () => <SourceSheet prop={prop} /> },
      {
        id: 'walk',
        label: 'Index walk',
        wide: true,
        content: () => <WalkSheet plan={plan} index={index} prop={prop} />,
      },
    ];
  },
};
