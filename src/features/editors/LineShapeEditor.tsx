'use client';

import { Button, SegmentedControl, Select } from '@mantine/core';
import { IconPlus } from '@tabler/icons-react';
import { MOST_LEGS, MOST_LEG_MM, MOST_PIXELS_PER_LEG, legSpacingMm, type Leg } from '@/core/props/leg';
import { legPixelCount } from '@/core/props/line';
import { countReadings, formatLength } from '@/core/units/length';
import { countOf } from '@/core/units/number';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit } from '../show/ShowProvider';
import { DegreesField } from './DegreesField';
import { FrameFields } from './FrameFields';
import { Part } from './Part';
import { useLengths } from '@/ui/lengths';
import { itemAt } from '@/core/units/there';

/** The measured legs of a line, one after another. */
export function LineShapeEditor({ propId, shape }: { propId: string; shape: { legs: readonly Leg[] } }) {
  const edit = useEdit();
  const set = (legs: readonly Leg[]) => edit({ type: 'setShape', propId, shape: { legs } });
  const change = (index: number, part: Partial<Leg>) =>
    set(shape.legs.map((leg, i) => (i === index ? { ...leg, ...part } : leg)));
  return (
    <Stack>
      {shape.legs.map((leg, i) => (
        <LegEditor
          key={i}
          number={i + 1}
          last={i === shape.legs.length - 1}
          leg={leg}
          onChange={(part) => change(i, part)}
          onRemove={shape.legs.length > 1 ? () => set(shape.legs.filter((_, k) => k !== i)) : undefined}
        />
      ))}
      <FrameFields legs={shape.legs} onChange={set} />
      <Button
        variant="default"
        size="compact-md"
        leftSection={<IconPlus size={15} />}
        disabled={shape.legs.length >= MOST_LEGS}
        onClick={() => set([...shape.legs, structuredClone(itemAt(shape.legs, shape.legs.length - 1))])}
      >
        Add a leg
      </Button>
      <Hint>
        0 pixels make a bare stretch. A leg’s pixels sit in the middle of their share of its length, so the
        spacing carries on round a corner. 0° points right, 90° up, as seen from the front.
      </Hint>
    </Stack>
  );
}

const CORNERS = [
  { value: 'runsOn', label: 'The strip runs on' },
  { value: 'eatsPixel', label: 'The bend eats a pixel' },
  { value: 'jumper', label: 'Cut, joined by a jumper' },
];

interface LegEditorProps {
  number: number;
  last: boolean;
  leg: Leg;
  onChange: (part: Partial<Leg>) => boolean;
  onRemove: (() => void) | undefined;
}

function LegEditor({ number, last, leg, onChange, onRemove }: LegEditorProps) {
  const lengths = useLengths();
  const { pixels } = leg;
  const bare = pixels.by === 'count' && pixels.count === 0;
  return (
    <Part
      title={`Leg ${number}`}
      aside={
        bare
          ? 'bare'
          : pixels.by === 'count'
            ? `every ${formatLength(legSpacingMm(leg), lengths)}`
            : countOf(legPixelCount(leg), 'pixel')
      }
      onRemove={onRemove}
    >
      <Row>
        <LengthField
          label="Length"
          what="The length of a leg"
          leastMm={1}
          mostMm={MOST_LEG_MM}
          value={leg.lengthMm}
          onCommit={(lengthMm) => onChange({ lengthMm })}
        />
        <DegreesField
          label="Points to"
          what="A direction"
          least={-360}
          most={360}
          value={leg.headingDeg}
          onCommit={(headingDeg) => onChange({ headingDeg })}
        />
      </Row>
      <Row>
        <div>
          <SegmentedControl
            mt={22}
            size="xs"
            fullWidth
            aria-label={`Pixels of leg ${number} by`}
            value={pixels.by}
            onChange={(by) =>
              onChange({
                pixels:
                  by === 'count'
                    ? { by, count: Math.max(1, legPixelCount(leg)) }
                    : {
                        by: 'spacing',
                        spacingMm: Math.min(5000, Math.max(1, Math.round(legSpacingMm(leg) * 100) / 100)),
                      },
              })
            }
            data={[
              { value: 'count', label: 'Count' },
              { value: 'spacing', label: 'Spacing' },
            ]}
          />
        </div>
        {pixels.by === 'count' ? (
          <WholeField
            label="Pixels"
            what="The number of pixels on a leg"
            least={0}
            most={MOST_PIXELS_PER_LEG}
            value={pixels.count}
            readings={(text) => countReadings(text, leg.lengthMm, lengths)}
            onCommit={(count) => onChange({ pixels: { by: 'count', count } })}
          />
        ) : (
          <LengthField
            isSpacing
            label="Pixel spacing"
            what="The pixel spacing"
            leastMm={1}
            mostMm={5000}
            value={pixels.spacingMm}
            onCommit={(spacingMm) => onChange({ pixels: { by: 'spacing', spacingMm } })}
          />
        )}
      </Row>
      {!last && (
        <Select
          label="At its end"
          size="sm"
          allowDeselect={false}
          value={leg.corner ?? 'runsOn'}
          data={CORNERS}
          onChange={(corner) =>
            onChange({ corner: corner === 'eatsPixel' || corner === 'jumper' ? corner : undefined })
          }
        />
      )}
    </Part>
  );
}
