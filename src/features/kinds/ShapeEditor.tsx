import type { Prop } from '@/core/props/registry';
import { faceOf } from './registry';

/** What is measured of a prop. */
export function ShapeEditor({ prop }: { prop: Prop }) {
  const Editor = faceOf(prop).ShapeEditor;
  return <Editor propId={prop.id} shape={prop.shape} />;
}
