'use client';

import { Button } from '@mantine/core';
import { IconPhoto, IconTable, IconVector } from '@tabler/icons-react';
import type { PropOf } from '@/core/props/registry';
import { Hint, Stack } from '@/ui/Panel';
import { usePointsImport } from './importPoints';

/** Source of the points of a free-form prop. */
export function FreeformShapeEditor({
  propId,
  shape,
}: {
  propId: string;
  shape: PropOf<'freeform'>['shape'];
}) {
  const open = usePointsImport((state) => state.open);
  return (
    <Stack>
      <Button variant="default" leftSection={<IconTable size={16} />} onClick={() => open(propId, 'csv')}>
        Points from a CSV…
      </Button>
      <Button variant="default" leftSection={<IconVector size={16} />} onClick={() => open(propId, 'svg')}>
        Along an SVG drawing…
      </Button>
      <Button variant="default" leftSection={<IconPhoto size={16} />} onClick={() => open(propId, 'photo')}>
        {shape.backdrop ? 'Trace on over the photo…' : 'Trace over a photo…'}
      </Button>
      <Hint>
        {shape.xMm.length === 0
          ? 'No points yet. A CSV has x, y and perhaps z a line, in the order of the data; a drawing is followed at an even spacing; over a photo you click the pixels, with one length that you know as its scale.'
          : 'New points replace those that are there. Ctrl Z brings the old ones back.'}
      </Hint>
    </Stack>
  );
}
