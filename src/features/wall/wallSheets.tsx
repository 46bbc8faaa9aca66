import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import type { Sheet } from '../sheets/SheetFrame';
import { useShow } from '../show/ShowProvider';
import { fetched } from '@/ui/fetched';
import { propAt } from '@/core/plan/records';

const ChainsDesigner = fetched(async () => (await import('./ChainsDesigner')).ChainsDesigner);
const CompareChainsSheet = fetched(async () => (await import('./CompareChainsSheet')).CompareChainsSheet);
const FieldSheet = fetched(async () => (await import('./FieldSheet')).FieldSheet);
const PictureMapSheet = fetched(async () => (await import('./PictureMapSheet')).PictureMapSheet);
const TestPictureSheet = fetched(async () => (await import('./TestPictureSheet')).TestPictureSheet);
const WallPicture = fetched(async () => (await import('./WallPicture')).WallPicture);

/** Sheets of a panel wall on Build. Panels are drawn as edited, ahead of the plan. */
export function wallBuildSheets(plan: Plan, index: number): Sheet[] {
  return [{ id: 'picture', label: 'Picture', content: latest(plan, index, WallPicture) }];
}

/** The same on Route, with its chains. */
export function wallThreadSheets(plan: Plan, index: number): Sheet[] {
  const { id } = propAt(plan, index);
  return [
    { id: 'chains', label: 'Chains', content: latest(plan, index, ChainsDesigner) },
    { id: 'compare', label: 'Compare styles', wide: true, content: latest(plan, index, CompareChainsSheet) },
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
    { id: 'test-picture', label: 'Test picture', wide: true, content: latest(plan, index, TestPictureSheet) },
  ];
}

function latest(plan: Plan, index: number, Content: (props: { prop: PropOf<'wall'> }) => React.ReactNode) {
  const { id } = propAt(plan, index);
  return function content() {
    return <LatestWall key={id} id={id} content={(prop) => <Content prop={prop} />} />;
  };
}

function LatestWall({ id, content }: { id: string; content: (prop: PropOf<'wall'>) => React.ReactNode }) {
  const prop = useShow((state) => state.show.props.find((each) => each.id === id));
  return prop?.kind === 'wall' ? content(prop) : null;
}
