'use client';

import type { ComponentType } from 'react';
import type { Prop, PropKindName } from '@/core/props/registry';
import { GridShapeEditor } from './GridShapeEditor';
import { LineShapeEditor } from './LineShapeEditor';
import { RingShapeEditor } from './RingShapeEditor';

type Editors = {
  [Kind in PropKindName]: ComponentType<{ propId: string; shape: Extract<Prop, { kind: Kind }>['shape'] }>;
};

/** What is measured, by kind of prop. */
const EDITORS: Editors = { line: LineShapeEditor, grid: GridShapeEditor, ring: RingShapeEditor };

export function ShapeEditor({ prop }: { prop: Prop }) {
  // The shape suits the editor, since both are found by the kind.
  const Editor = EDITORS[prop.kind] as ComponentType<{ propId: string; shape: Prop['shape'] }>;
  return <Editor propId={prop.id} shape={prop.shape} />;
}
