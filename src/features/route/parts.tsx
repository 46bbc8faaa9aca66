import { Button } from '@mantine/core';
import type { Plan } from '@/core/plan/planned';
import { Hint, Section } from '@/ui/Panel';
import { faceOf } from '../kinds/registry';
import { PropPicture } from '../picture/PropPicture';
import { ShowTotals } from '../picture/ShowTotals';
import { siteSheets } from '../site/siteSheets';
import { useShow } from '../show/ShowProvider';
import type { StageParts } from '../sheets/stageParts';
import type { Selection } from '../view/selection';
import { useGoTo } from '../view/useView';
import { RoutePanel } from './RoutePanel';
import { fetched } from '@/ui/fetched';
import { propAt } from '@/core/plan/records';

const BuildSheetView = fetched(async () => (await import('./BuildSheetView')).BuildSheetView);
const CompareSheet = fetched(async () => (await import('./CompareSheet')).CompareSheet);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const index = selection.prop;
    if (index === undefined) return siteSheets(plan);
    const prop = propAt(plan, index);
    const label = `Views of ${prop.name}`;
    const own = faceOf(prop).threadSheets?.(plan, index);
    if (own) return { label, sheets: own };
    return {
      label,
      sheets: [
        {
          id: 'picture',
          label: 'Picture',
          content: () => <PropPicture plan={plan} prop={index} selection={selection} />,
        },
        {
          id: 'compare',
          label: 'Compare schemes',
          wide: true,
          content: () => <CompareSheet key={prop.id} plan={plan} prop={index} />,
        },
        {
          id: 'build-sheet',
          label: 'Build sheet',
          wide: true,
          content: () => <BuildSheetView plan={plan} prop={index} />,
        },
      ],
    };
  },
  Panel: ThreadSide,
};

function ThreadSide({ plan, selection }: { plan: Plan; selection: Selection }) {
  const goTo = useGoTo();
  const planned = selection.prop === undefined ? undefined : plan.show.props[selection.prop];
  const prop = useShow((state) => planned && state.show.props.find((each) => each.id === planned.id));
  if (!prop)
    return (
      <>
        <Section title="Route">
          <Hint>Choose a prop on the left to say where data enters it and which way it goes.</Hint>
        </Section>
        <ShowTotals plan={plan} />
      </>
    );
  return (
    <>
      <RoutePanel prop={prop} />
      <Button mt="lg" fullWidth onClick={() => goTo({ stage: 'patch' })}>
        Put it on a port
      </Button>
    </>
  );
}
