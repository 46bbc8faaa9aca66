import { fetched } from '@/ui/fetched';
import { TileThreading } from '../editors/threadingEditors';
import { propOfKind } from '@/core/plan/records';
import type { KindFace } from '../faces/face';

const TilesSheet = fetched(async () => (await import('../editors/TilesSheet')).TilesSheet);

export const tile: KindFace<'tile'> = {
  ShapeEditor: fetched(async () => (await import('../editors/TileShapeEditor')).TileShapeEditor),
  ThreadingEditor: TileThreading,
  moreBuildSheets: (plan, index) => [
    {
      id: 'tiles',
      label: 'Tiles',
      wide: true,
      content: () => <TilesSheet plan={plan} prop={propOfKind(plan, index, 'tile')} index={index} />,
    },
  ],
};
