'use client';

import type { PropOf } from '@/core/props/registry';
import { LengthField, WholeField, WholeListField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit } from '../show/ShowProvider';

type GridShape = PropOf<'grid'>['shape'];

const NONE: number[] = [];

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
          isSpacing
          label="Between columns"
          what="The spacing"
          value={shape.columnSpacingMm}
          onCommit={(columnSpacingMm) => set({ columnSpacingMm })}
        />
        <LengthField
          {...spacing}
          isSpacing
          label="Between rows"
          what="The spacing"
          value={shape.rowSpacingMm}
          onCommit={(rowSpacingMm) => set({ rowSpacingMm })}
        />
      </Row>
      <Row>
        <SeamsField
          label="Seams after columns"
          side={shape.columns}
          value={shape.seamsAfterColumns ?? NONE}
          onCommit={(seams) => set({ seamsAfterColumns: seams.length > 0 ? seams : undefined })}
        />
        <SeamsField
          label="Seams after rows"
          side={shape.rows}
          value={shape.seamsAfterRows ?? NONE}
          onCommit={(seams) => set({ seamsAfterRows: seams.length > 0 ? seams : undefined })}
        />
      </Row>
      <Hint>
        Seams are where it comes apart for storage, such as 10 or 7, 14: columns counted from the left as seen
        from the front, rows from the top.
      </Hint>
      <Hint>From the middle of one pixel to the middle of the next. Write 33 mm, 2 in or 1.2 m.</Hint>
    </Stack>
  );
}

interface SeamsFieldProps {
  label: string;
  side: number;
  value: number[];
  onCommit: (seams: number[]) => boolean;
}

function SeamsField({ side, ...rest }: SeamsFieldProps) {
  return (
    <WholeListField
      what="Seams"
      least={1}
      most={Math.max(1, side - 1)}
      mostNumbers={100}
      placeholder="none"
      {...rest}
    />
  );
}
