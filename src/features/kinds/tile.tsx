import { TileShapeEditor } from '../build/TileShapeEditor';
import { TilesSheet } from '../build/TilesSheet';
import { TileThreading } from '../thread/threadingEditors';
import type { PropOf } from '@/core/props/registry';
import type { KindFace } from './face';

export const tile: KindFace<'tile'> = {
  ShapeEditor: TileShapeEditor,
  ThreadingEditor: TileThreading,
  moreBuildSheets: (plan, index) => [
    {
      id: 'tiles',
      label: 'Tiles',
      wide: true,
      content: () => <TilesSheet plan={plan} prop={plan.show.props[index] as PropOf<'tile'>} index={index} />,
    },
  ],
};
