'use client';

import type { ComponentType } from 'react';
import type { Prop, PropKindName, PropOf } from '@/core/props/registry';
import { CraftShapeEditor } from './CraftShapeEditor';
import { FreeformShapeEditor } from './FreeformShapeEditor';
import { GridShapeEditor } from './GridShapeEditor';
import { LineShapeEditor } from './LineShapeEditor';
import { RingShapeEditor } from './RingShapeEditor';
import { TileShapeEditor } from './TileShapeEditor';
import { TreeShapeEditor } from './TreeShapeEditor';
import { WallShapeEditor } from '../wall/WallShapeEditor';

type Editors = {
  [Kind in PropKindName]: ComponentType<{ propId: string; shape: PropOf<Kind>['shape'] }>;
};

/** What is measured, by kind of prop. */
const EDITORS: Editors = {
  line: LineShapeEditor,
  ring: RingShapeEditor,
  tree: TreeShapeEditor,
  grid: GridShapeEditor,
  wall: WallShapeEditor,
  tile: TileShapeEditor,
  craft: CraftShapeEditor,
  freeform: FreeformShapeEditor,
};

export function ShapeEditor({ prop }: { prop: Prop }) {
  // The shape suits the editor, since both are found by the kind.
  const Editor = EDITORS[prop.kind] as ComponentType<{ propId: string; shape: Prop['shape'] }>;
  return <Editor propId={prop.id} shape={prop.shape} />;
}
