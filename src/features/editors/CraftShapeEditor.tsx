'use client';

import { ActionIcon, Button, Chip, Group, Switch, Tooltip } from '@mantine/core';
import { IconArrowDown, IconArrowUp, IconTrash } from '@tabler/icons-react';
import { CRAFT_LIMITS, FACINGS, boardNumber, type CraftPixel, type CraftShape } from '@/core/props/craft';
import { capitalised } from '@/core/units/words';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Choice } from '@/ui/fields/Choice';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit } from '../show/ShowProvider';
import { useCraftPixel } from './useCraftPixel';
import { Part } from './Part';

/** The board of a craft, and the pixel that is selected on it. */
export function CraftShapeEditor({ propId, shape }: { propId: string; shape: CraftShape }) {
  const edit = useEdit();
  const set = (change: Partial<CraftShape>) =>
    edit({ type: 'setShape', propId, shape: { ...shape, ...change } });
  const board = { least: 1, most: CRAFT_LIMITS.cells };
  return (
    <Stack>
      <SelectedPixel propId={propId} shape={shape} onChange={set} />
      <Row>
        <WholeField
          {...board}
          label="Cells, left to right"
          what="The number of cells"
          value={shape.columns}
          onCommit={(columns) => set({ columns })}
        />
        <WholeField
          {...board}
          label="Cells, nose to tail"
          what="The number of cells"
          value={shape.rows}
          onCommit={(rows) => set({ rows })}
        />
      </Row>
      <Row>
        <LengthField
          label="One cell"
          what="The size of a cell"
          leastMm={1}
          mostMm={1000}
          value={shape.cellMm}
          onCommit={(cellMm) => set({ cellMm })}
        />
        <WholeField
          label="Board drives"
          what="The number of pixels that the board drives"
          least={1}
          most={CRAFT_LIMITS.pixels}
          value={shape.mostPixels}
          onCommit={(mostPixels) => set({ mostPixels })}
        />
      </Row>
      <Choice
        label="Its board calls the first pixel"
        value={String(shape.countsFrom ?? 1)}
        onChange={(first) => set({ countsFrom: first === '0' ? 0 : 1 })}
        data={['0', '1'].map((value) => ({ value, label: value }))}
      />
      <Switch
        label="A spare data lead behind the last pixel"
        checked={shape.spareLead === true}
        onChange={(event) => {
          const { spareLead: _, ...rest } = shape;
          edit({
            type: 'setShape',
            propId,
            shape: event.currentTarget.checked ? { ...rest, spareLead: true } : rest,
          });
        }}
      />
      <Hint>
        Click the cells of the drawing in the order of the wire. With a pixel selected, the next click comes
        after it, and the numbers behind move up.
      </Hint>
    </Stack>
  );
}

interface SelectedPixelProps {
  propId: string;
  shape: CraftShape;
  onChange: (change: Partial<CraftShape>) => boolean;
}

function SelectedPixel({ propId, shape, onChange }: SelectedPixelProps) {
  const [at, select] = useCraftPixel(propId);
  const pixel = shape.pixels[at];
  if (!pixel) return null;
  const change = (part: Partial<CraftPixel>) =>
    onChange({ pixels: shape.pixels.map((each, i) => (i === at ? { ...each, ...part } : each)) });
  const move = (by: 1 | -1) => {
    const pixels = [...shape.pixels];
    pixels.splice(at, 1);
    pixels.splice(at + by, 0, pixel);
    if (onChange({ pixels })) select(at + by);
  };
  return (
    <Part
      title={`Pixel ${boardNumber(shape, at)}`}
      onRemove={() => {
        if (onChange({ pixels: shape.pixels.filter((_, i) => i !== at) })) select(at - 1);
      }}
    >
      <Choice
        label="It faces"
        value={pixel.facing}
        onChange={(facing) => change({ facing: FACINGS.find((each) => each === facing)! })}
        data={FACINGS.map((facing) => ({
          value: facing,
          label: capitalised(facing),
        }))}
      />
      {shape.roles.length > 0 && (
        <Chip.Group multiple value={pixel.roles} onChange={(roles) => change({ roles })}>
          <Group gap={6}>
            {shape.roles.map((role) => (
              <Chip key={role} value={role} size="xs" variant="outline">
                {role}
              </Chip>
            ))}
          </Group>
        </Chip.Group>
      )}
      <Group gap={6}>
        <Tooltip label="Earlier on the wire">
          <ActionIcon
            variant="default"
            aria-label="Earlier on the wire"
            disabled={at === 0}
            onClick={() => move(-1)}
          >
            <IconArrowUp size={15} />
          </ActionIcon>
        </Tooltip>
        <Tooltip label="Later on the wire">
          <ActionIcon
            variant="default"
            aria-label="Later on the wire"
            disabled={at === shape.pixels.length - 1}
            onClick={() => move(1)}
          >
            <IconArrowDown size={15} />
          </ActionIcon>
        </Tooltip>
        <Button
          variant="default"
          size="compact-sm"
          leftSection={<IconTrash size={14} />}
          onClick={() => {
            if (onChange({ pixels: shape.pixels.slice(0, at + 1) })) select(at);
          }}
          disabled={at === shape.pixels.length - 1}
        >
          Remove all after it
        </Button>
      </Group>
    </Part>
  );
}
