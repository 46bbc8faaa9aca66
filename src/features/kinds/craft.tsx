import { fetched } from '@/ui/fetched';
import { useShow } from '../show/ShowProvider';
import { CraftThreading } from '../editors/threadingEditors';
import type { KindFace } from '../faces/face';
import { propAt } from '@/core/plan/records';

const CraftBoard = fetched(async () => (await import('../editors/CraftBoard')).CraftBoard);
const RolesSheet = fetched(async () => (await import('../editors/RolesSheet')).RolesSheet);

export const craft: KindFace<'craft'> = {
  ShapeEditor: fetched(async () => (await import('../editors/CraftShapeEditor')).CraftShapeEditor),
  ThreadingEditor: CraftThreading,
  Board: LatestBoard,
  moreBuildSheets: (plan, index) => [
    {
      id: 'roles',
      label: 'Roles',
      wide: true,
      content: () => <RolesSheet key={propAt(plan, index).id} plan={plan} prop={index} />,
    },
  ],
};

/** The board as it is edited, ahead of its plan. */
function LatestBoard({ propId }: { propId: string }) {
  const prop = useShow((state) => state.show.props.find((each) => each.id === propId));
  return prop?.kind === 'craft' ? <CraftBoard prop={prop} /> : null;
}
