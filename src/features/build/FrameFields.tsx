'use client';

import { Button, Popover } from '@mantine/core';
import { IconFrame } from '@tabler/icons-react';
import { useState } from 'react';
import { frameLegs, type Leg } from '@/core/props/line';
import { Choice } from '@/ui/fields/Choice';
import { LengthField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';

/** Sets the legs of a line to those of a window or a door, from its width and height. */
export function FrameFields({
  legs,
  onChange,
}: {
  legs: readonly Leg[];
  onChange: (legs: Leg[]) => boolean;
}) {
  const [open, setOpen] = useState(false);
  const [sides, setSides] = useState<'4' | '3'>(legs.length === 3 ? '3' : '4');
  const [widthMm, setWidthMm] = useState(1000);
  const [heightMm, setHeightMm] = useState(1200);
  return (
    <Popover opened={open} onChange={setOpen} position="left-start" width={290} withArrow>
      <Popover.Target>
        <Button
          variant="default"
          size="compact-md"
          leftSection={<IconFrame size={15} />}
          onClick={() => setOpen(!open)}
        >
          Make it a frame…
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <Stack>
          <Choice
            label="Sides"
            value={sides}
            onChange={(value) => setSides(value === '3' ? '3' : '4')}
            data={[
              { value: '4', label: 'Window, 4' },
              { value: '3', label: 'Door, 3' },
            ]}
          />
          <Row>
            <LengthField
              label="Width"
              what="The width"
              leastMm={1}
              mostMm={100_000}
              value={widthMm}
              onCommit={setWidthMm}
            />
            <LengthField
              label="Height"
              what="The height"
              leastMm={1}
              mostMm={100_000}
              value={heightMm}
              onCommit={setHeightMm}
            />
          </Row>
          <Hint>From the lower left up, over and down. Pixels and corners stay as leg 1 has them.</Hint>
          <Button
            onClick={() => {
              if (onChange(frameLegs(legs[0]!, sides === '4' ? 4 : 3, widthMm, heightMm))) setOpen(false);
            }}
          >
            Replace the legs
          </Button>
        </Stack>
      </Popover.Dropdown>
    </Popover>
  );
}
