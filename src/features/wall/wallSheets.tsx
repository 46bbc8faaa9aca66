import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import type { Sheet } from '../sheets/SheetFrame';
import { useShow } from '../show/ShowProvider';
import type { Stage } from '../view/address';
import { ChainsDesigner } from './ChainsDesigner';
import { CompareChainsSheet } from './CompareChainsSheet';
import { FieldSheet } from './FieldSheet';
import { PictureMapSheet } from './PictureMapSheet';
import { TestPictureSheet } from './TestPictureSheet';
import { WallPicture } from './WallPicture';

/** What can be looked at of a panel wall on a stage. Panels and chains are drawn as edited, ahead of the plan. */
export function wallSheets(plan: Plan, index: number, stage: Stage): Sheet[] {
  const planned = plan.show.props[index] as PropOf<'wall'>;
  const { id } = planned;
  const latest = (Content: (props: { prop: PropOf<'wall'> }) => React.ReactNode) =>
    function content() {
      return <LatestWall key={id} id={id} content={(prop) => <Content prop={prop} />} />;
    };
  if (stage === 'build') return [{ id: 'picture', label: 'Picture', content: latest(WallPicture) }];
  return [
    { id: 'chains', label: 'Chains', content: latest(ChainsDesigner) },
    { id: 'compare', label: 'Compare styles', wide: true, content: latest(CompareChainsSheet) },
    {
      id: 'picture-map',
      label: 'Picture map',
      wide: true,
      content: () => (
        <LatestWall id={id} content={(prop) => <PictureMapSheet plan={plan} prop={prop} index={index} />} />
      ),
    },
    {
      id: 'field-sheet',
      label: 'Field sheet',
      wide: true,
      content: () => (
        <LatestWall id={id} content={(prop) => <FieldSheet plan={plan} prop={prop} index={index} />} />
      ),
    },
    { id: 'test-picture', label: 'Test picture', wide: true, content: latest(TestPictureSheet) },
  ];
}

function LatestWall({ id, content }: { id: string; content: (prop: PropOf<'wall'>) => React.ReactNode }) {
  const prop = useShow((state) => state.show.props.find((each) => each.id === id));
  return prop?.kind === 'wall' ? content(prop) : null;
}
