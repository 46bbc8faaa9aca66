import { Button, Popover, Select } from '@mantine/core';
import { IconFrame } from '@tabler/icons-react';
import { useState } from 'react';
import { MEASURES, OUTLINES, START_SIDES, frameLegs, type FrameWishes } from '@/core/props/frames';
import { MOST_LEG_MM, MOST_PIXELS_PER_LEG, legSpacingMm, type Leg } from '@/core/props/leg';
import { line } from '@/core/props/line';
import { capitalised } from '@/core/units/words';
import { ApplyButton } from '@/ui/fields/ApplyButton';
import { Choice } from '@/ui/fields/Choice';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { itemAt } from '@/core/units/there';
import styles from './parts.module.css';

interface FrameFieldsProps {
  legs: readonly Leg[];
  onChange: (legs: Leg[]) => boolean;
}

const CORNER_WORDS = { runsOn: 'Runs on', eatsPixel: 'Eats a pixel', jumper: 'Jumper' };

/** Sets the legs of a line to those of a window, a door, a gable…, from its measures and one string or a spacing. */
export function FrameFields({ legs, onChange }: FrameFieldsProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover opened={open} onChange={setOpen} position="left-start" width={320} withArrow trapFocus>
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
      <Popover.Dropdown className={styles.tall}>
        {/* What is offered starts from the legs as they are when it is opened. */}
        {open && (
          <FrameForm
            legs={legs}
            onChange={(next) => {
              const made = onChange(next);
              if (made) setOpen(false);
              return made;
            }}
          />
        )}
      </Popover.Dropdown>
    </Popover>
  );
}

function FrameForm({ legs, onChange }: FrameFieldsProps) {
  const [wishes, setWishes] = useState<FrameWishes>({
    outline: legs.length === 3 ? 'door' : 'window',
    widthMm: 900,
    heightMm: 1200,
    pixels: { by: 'total', count: Math.max(1, line.pixels({ legs: [...legs] }).value) },
    corner: itemAt(legs, 0).corner ?? 'runsOn',
    start: 'left',
    turn: 'clockwise',
  });
  const set = (part: Partial<FrameWishes>) => setWishes({ ...wishes, ...part });
  const { outline, pixels } = wishes;
  const made = frameLegs(wishes);
  return (
    <Stack>
      <Select
        label="Outline"
        allowDeselect={false}
        comboboxProps={{ withinPortal: false }}
        value={outline}
        data={OUTLINES.map((name) => ({ value: name, label: capitalised(name) }))}
        onChange={(value) => {
          const next = OUTLINES.find((name) => name === value)!;
          set({ outline: next, start: itemAt(START_SIDES[next], 0) });
        }}
      />
      <Row>
        {MEASURES[outline].includes('width') && (
          <LengthField
            label="Width"
            what="The width"
            leastMm={1}
            mostMm={MOST_LEG_MM}
            value={wishes.widthMm}
            onCommit={(widthMm) => set({ widthMm })}
          />
        )}
        {MEASURES[outline].includes('height') && (
          <LengthField
            label="Height"
            what="The height"
            leastMm={1}
            mostMm={MOST_LEG_MM}
            value={wishes.heightMm}
            onCommit={(heightMm) => set({ heightMm })}
          />
        )}
      </Row>
      <Choice
        label="Pixels"
        value={pixels.by}
        onChange={(by) =>
          set({
            pixels:
              by === 'spacing'
                ? { by, spacingMm: Math.min(5000, Math.max(1, legSpacingMm(itemAt(legs, 0)))) }
                : { by: 'total', count: Math.max(1, line.pixels({ legs: [...legs] }).value) },
          })
        }
        data={[
          { value: 'total', label: 'One string' },
          { value: 'spacing', label: 'By spacing' },
        ]}
      />
      {pixels.by === 'total' ? (
        <WholeField
          label="Pixels of the string"
          what="The number of pixels of the string"
          least={1}
          most={MOST_PIXELS_PER_LEG}
          value={pixels.count}
          onCommit={(count) => set({ pixels: { by: 'total', count } })}
        />
      ) : (
        <LengthField
          isSpacing
          label="Spacing on every side"
          what="The pixel spacing"
          leastMm={1}
          mostMm={5000}
          value={pixels.spacingMm}
          onCommit={(spacingMm) => set({ pixels: { by: 'spacing', spacingMm } })}
        />
      )}
      {outline !== 'arch' && outline !== 'eave' && outline !== 'post' && (
        <Choice
          label="At its corners the strip"
          value={wishes.corner}
          onChange={(corner) => set({ corner: corner as FrameWishes['corner'] })}
          data={Object.entries(CORNER_WORDS).map(([value, label]) => ({ value, label }))}
        />
      )}
      <Choice
        label="Starts on the side"
        value={wishes.start}
        onChange={(side) => set({ start: START_SIDES[outline].find((each) => each === side)! })}
        data={START_SIDES[outline].map((side) => ({ value: side, label: capitalised(side) }))}
      />
      {outline === 'window' && (
        <Choice
          label="And goes round"
          value={wishes.turn}
          onChange={(turn) => set({ turn: turn === 'counterClockwise' ? turn : 'clockwise' })}
          data={[
            { value: 'clockwise', label: 'Clockwise' },
            { value: 'counterClockwise', label: 'Counter-clockwise' },
          ]}
        />
      )}
      <Hint>
        {made === null
          ? 'That leaves no pixel for the sides: the corners eat them all. Take more pixels, or let the strip run on.'
          : `Seen from the front: ${sidesWords(made)}.`}
      </Hint>
      <ApplyButton disabled={made === null} onClick={() => made && onChange(made)}>
        Replace the legs
      </ApplyButton>
    </Stack>
  );
}

/** `14 + 11 + 14 + 11 = 50 pixels`. */
function sidesWords(legs: readonly Leg[]): string {
  const total = line.pixels({ legs: [...legs] }).value;
  const each = legs.map((leg) => line.pixels({ legs: [leg] }).value);
  const inCorners = total - each.reduce((sum, count) => sum + count, 0);
  const sides = legs.length > 5 ? `${legs.length} pieces` : each.join(' + ');
  return `${sides}${inCorners > 0 ? ` + ${inCorners} in corners` : ''} = ${total} pixels`;
}
