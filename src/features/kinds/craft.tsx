import { CraftBoard } from '../build/CraftBoard';
import { CraftShapeEditor } from '../build/CraftShapeEditor';
import { RolesSheet } from '../build/RolesSheet';
import { useShow } from '../show/ShowProvider';
import { CraftThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const craft: KindFace<'craft'> = {
  ShapeEditor: CraftShapeEditor,
  ThreadingEditor: CraftThreading,
  Board: LatestBoard,
  moreBuildSheets: (plan, index) => [
    {
      id: 'roles',
      label: 'Roles',
      wide: true,
      content: () => <RolesSheet key={plan.show.props[index]!.id} plan={plan} prop={index} />,
    },
  ],
};

/** The board as it is edited, ahead of its plan. */
function LatestBoard({ propId }: { propId: string }) {
  const prop = useShow((state) => state.show.props.find((each) => each.id === propId));
  return prop?.kind === 'craft' ? <CraftBoard prop={prop} /> : null;
}
