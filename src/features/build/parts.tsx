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
import { BuildPanel } from './BuildPanel';
import { fetched } from '@/ui/fetched';
import { propAt } from '@/core/plan/records';

const RangesSheet = fetched(async () => (await import('./RangesSheet')).RangesSheet);
const SettingOutSheet = fetched(async () => (await import('./SettingOutSheet')).SettingOutSheet);
const StockSheet = fetched(async () => (await import('./StockSheet')).StockSheet);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const index = selection.prop;
    if (index === undefined) return siteSheets(plan);
    const prop = propAt(plan, index);
    const { id, name } = prop;
    const label = `Views of ${name}`;
    const face = faceOf(prop);
    if (face.buildSheets) return { label, sheets: face.buildSheets(plan, index) };
    return {
      label,
      sheets: [
        {
          id: 'picture',
          label: 'Picture',
          content: () =>
            face.Board ? (
              <face.Board key={id} propId={id} />
            ) : (
              <PropPicture plan={plan} prop={index} selection={selection} />
            ),
        },
        {
          id: 'setting-out',
          label: 'Setting out',
          wide: true,
          content: () => <SettingOutSheet key={id} plan={plan} prop={index} />,
        },
        {
          id: 'stock',
          label: 'Stock and batches',
          wide: true,
          content: () => <StockSheet key={id} plan={plan} prop={index} />,
        },
        {
          id: 'ranges',
          label: 'Ranges',
          wide: true,
          content: () => <RangesSheet key={id} plan={plan} prop={index} />,
        },
        ...(face.moreBuildSheets?.(plan, index) ?? []),
      ],
    };
  },
  Panel: BuildSide,
};

function BuildSide({ plan, selection }: { plan: Plan; selection: Selection }) {
  const goTo = useGoTo();
  const planned = selection.prop === undefined ? undefined : plan.show.props[selection.prop];
  const prop = useShow((state) => planned && state.show.props.find((each) => each.id === planned.id));
  if (!prop)
    return (
      <>
        <Section title="Build">
          <Hint>
            Choose a prop on the left to measure it, or add one. What you measure here is typed once:
            threading, ports and addresses follow from it.
          </Hint>
        </Section>
        <ShowTotals plan={plan} />
      </>
    );
  return (
    <>
      <BuildPanel prop={prop} />
      <Button mt="lg" fullWidth onClick={() => goTo({ stage: 'route' })}>
        Route it
      </Button>
    </>
  );
}
