import { Select } from '@mantine/core';
import type { FeedEnd } from '@/core/catalogue/feed';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { WholeField } from '@/ui/fields/fields';
import { Row } from '@/ui/Panel';
import { useShow } from '../show/ShowProvider';
import { byId } from '@/core/units/there';

interface EndFieldsProps {
  plan: Plan;
  label: string;
  end: FeedEnd;
  onCommit: (end: FeedEnd) => void;
}

/** End of a piece of a feed: a pixel of a run, a panel, or a board. */
export function EndFields({ plan, label, end, onCommit }: EndFieldsProps) {
  const { props, controllers } = useShow((state) => state.show);
  const isBoard = end.kind === 'controller';
  const index = isBoard ? -1 : plan.show.props.findIndex((prop) => prop.id === end.propId);
  const planned = plan.props[index];
  const run = end.kind === 'pixel' && planned ? plan.runs[planned.firstRun + end.run - 1] : undefined;
  return (
    <>
      <Select
        label={label}
        allowDeselect={false}
        searchable
        value={isBoard ? `board ${end.controllerId}` : `prop ${end.propId}`}
        data={[
          { group: 'Props', items: props.map(({ id, name }) => ({ value: `prop ${id}`, label: name })) },
          {
            group: 'Boards',
            items: controllers.map(({ id, name }) => ({ value: `board ${id}`, label: name })),
          },
        ]}
        onChange={(value) => {
          if (!value) return;
          const id = value.slice(value.indexOf(' ') + 1);
          if (value.startsWith('board ')) return onCommit({ kind: 'controller', controllerId: id });
          const prop = byId(props, id);
          onCommit(
            kindOf(prop).panelPower
              ? { kind: 'panel', propId: id, column: 1, row: 1 }
              : { kind: 'pixel', propId: id, run: 1, pixel: 1 },
          );
        }}
      />
      {end.kind === 'pixel' && (
        <Row>
          <WholeField
            label="Run"
            what="The run"
            least={1}
            most={Math.max(1, planned?.runCount ?? 1)}
            value={end.run}
            onCommit={(number) => onCommit({ ...end, run: number })}
          />
          <WholeField
            label="Pixel"
            what="The pixel"
            least={1}
            most={Math.max(1, run?.pixelCount ?? 1)}
            value={end.pixel}
            onCommit={(pixel) => onCommit({ ...end, pixel })}
          />
        </Row>
      )}
      {end.kind === 'panel' && (
        <Row>
          <WholeField
            label="Panel across"
            what="The column"
            least={1}
            most={256}
            value={end.column}
            onCommit={(column) => onCommit({ ...end, column })}
          />
          <WholeField
            label="Panel down"
            what="The row"
            least={1}
            most={256}
            value={end.row}
            onCommit={(row) => onCommit({ ...end, row })}
          />
        </Row>
      )}
    </>
  );
}
