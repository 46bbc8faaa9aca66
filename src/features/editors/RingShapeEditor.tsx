'use client';

import { Button, Group, SegmentedControl } from '@mantine/core';
import { IconPlus } from '@tabler/icons-react';
import type { PropOf } from '@/core/props/registry';
import { MOST_PIXELS_PER_RING, MOST_RINGS, RING_MM, type OneRing } from '@/core/props/ring';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit } from '../show/ShowProvider';
import { useView } from '../view/useView';
import { DegreesField } from './DegreesField';
import { Part } from './Part';
import { itemAt } from '@/core/units/there';

type RingShape = PropOf<'ring'>['shape'];

/** The rings about one middle, and the way round in which their pixels are numbered. */
export function RingShapeEditor({ propId, shape }: { propId: string; shape: RingShape }) {
  const edit = useEdit();
  const { side } = useView();
  const set = (change: Partial<RingShape>) =>
    edit({ type: 'setShape', propId, shape: { ...shape, ...change } });
  const setRing = (index: number, change: Partial<OneRing>) =>
    set({ rings: shape.rings.map((ring, i) => (i === index ? { ...ring, ...change } : ring)) });
  const last = itemAt(shape.rings, shape.rings.length - 1);
  // From the back, what runs clockwise from the front runs counter-clockwise.
  const seen = (direction: RingShape['direction']): RingShape['direction'] =>
    side === 'front' ? direction : direction === 'clockwise' ? 'counterclockwise' : 'clockwise';

  return (
    <Stack>
      {shape.rings.map((ring, i) => (
        <Part
          key={i}
          title={`Ring ${i + 1}`}
          onRemove={
            shape.rings.length > 1 ? () => set({ rings: shape.rings.filter((_, k) => k !== i) }) : undefined
          }
        >
          <Row>
            <LengthField
              label="Diameter"
              what="The diameter"
              leastMm={RING_MM.least}
              mostMm={RING_MM.most}
              value={ring.diameterMm}
              onCommit={(diameterMm) => setRing(i, { diameterMm })}
            />
            <WholeField
              label="Pixels"
              what="The number of pixels on a ring"
              least={1}
              most={MOST_PIXELS_PER_RING}
              value={ring.pixels}
              onCommit={(pixels) => setRing(i, { pixels })}
            />
          </Row>
        </Part>
      ))}
      <Group>
        <Button
          variant="default"
          size="compact-md"
          fullWidth
          leftSection={<IconPlus size={15} />}
          disabled={shape.rings.length >= MOST_RINGS}
          onClick={() =>
            set({
              rings: [
                ...shape.rings,
                {
                  diameterMm: Math.max(RING_MM.least, Math.round(last.diameterMm * 0.75)),
                  pixels: Math.max(1, Math.round(last.pixels * 0.75)),
                },
              ],
            })
          }
        >
          Add a ring inside
        </Button>
      </Group>
      <Row>
        <DegreesField
          label="Part of a circle"
          what="An arc"
          least={1}
          most={360}
          value={shape.arcDeg}
          onCommit={(arcDeg) => set({ arcDeg })}
        />
        <DegreesField
          label="First pixel at"
          what="A direction"
          least={-360}
          most={360}
          value={shape.firstAngleDeg}
          onCommit={(firstAngleDeg) => set({ firstAngleDeg })}
        />
      </Row>
      <SegmentedControl
        fullWidth
        size="xs"
        aria-label={`Way round, seen from the ${side}`}
        value={seen(shape.direction)}
        onChange={(value) =>
          set({ direction: seen(value === 'clockwise' ? 'clockwise' : 'counterclockwise') })
        }
        data={[
          { value: 'clockwise', label: 'Clockwise' },
          { value: 'counterclockwise', label: 'Counter-clockwise' },
        ]}
      />
      <Hint>
        The way round is as seen from the {side}. The first pixel’s place is as seen from the front: 0° is the
        top, 90° the right, 180° the bottom. The diameter goes through the middles of the pixels.
      </Hint>
    </Stack>
  );
}
