'use client';

import type { Prop } from '@/core/props/registry';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit } from '../show/ShowProvider';

type GridShape = Extract<Prop, { kind: 'grid' }>['shape'];

export function GridShapeEditor({ propId, shape }: { propId: string; shape: GridShape }) {
  const edit = useEdit();
  const set = (change: Partial<GridShape>) =>
    edit({ type: 'setShape', propId, shape: { ...shape, ...change } });
  const count = { least: 1, most: 1000 };
  const spacing = { leastMm: 1, mostMm: 5000 };
  return (
    <Stack>
      <Row>
        <WholeField
          {...count}
          label="Columns"
          what="The number of columns"
          value={shape.columns}
          onCommit={(columns) => set({ columns })}
        />
        <WholeField
          {...count}
          label="Rows"
          what="The number of rows"
          value={shape.rows}
          onCommit={(rows) => set({ rows })}
        />
      </Row>
      <Row>
        <LengthField
          {...spacing}
          label="Between columns"
          what="The spacing"
          value={shape.columnSpacingMm}
          onCommit={(columnSpacingMm) => set({ columnSpacingMm })}
        />
        <LengthField
          {...spacing}
          label="Between rows"
          what="The spacing"
          value={shape.rowSpacingMm}
          onCommit={(rowSpacingMm) => set({ rowSpacingMm })}
        />
      </Row>
      <Hint>From the middle of one pixel to the middle of the next. Write 33 mm, 2 in or 1.2 m.</Hint>
    </Stack>
  );
}
