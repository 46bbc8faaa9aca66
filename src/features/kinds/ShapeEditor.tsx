import type { Prop } from '@/core/props/registry';
import { Fetched } from '@/ui/fetched';
import { faceOf } from './registry';

/** Editor of the measures of a prop. */
export function ShapeEditor({ prop }: { prop: Prop }) {
  const Editor = faceOf(prop).ShapeEditor;
  return (
    <Fetched>
      <Editor propId={prop.id} shape={prop.shape} />
    </Fetched>
  );
}
