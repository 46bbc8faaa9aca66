'use client';

import type { PixelType, Timing } from '@/core/catalogue/pixelType';
import { retyped } from '@/core/figures/figure';
import { usualTiming } from '@/core/catalogue/signal';
import { Button } from '@mantine/core';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { Choice } from '@/ui/fields/Choice';
import { Hint, Row, Stack } from '@/ui/Panel';
import { PartNotesEditor } from '../figures/PartNotes';
import { StandingFields } from '../figures/StandingFields';

interface PixelTypeDetailsProps {
  type: PixelType;
  /** Null takes away what was said. */
  onChange: (change: { timing?: Timing | null; notes?: PixelType['notes'] | null }) => boolean;
}

/** Facts of a type of pixel beyond its name: the signal of its chips, and experience with it. */
export function PixelTypeDetails({ type, onChange }: PixelTypeDetailsProps) {
  const timing = type.timing ?? usualTiming(type.chip);
  const set = (next: Timing) => onChange({ timing: next });
  return (
    <Stack>
      <Choice
        label="Its chips are told their colours over"
        value={timing.kind}
        onChange={(kind) => set(usualTiming(kind === 'clocked' ? 'APA102' : 'WS2811'))}
        data={[
          { value: 'oneWire', label: 'One data wire' },
          { value: 'clocked', label: 'Data and clock' },
        ]}
      />
      {timing.kind === 'oneWire' ? (
        <>
          <Row>
            <NumberUnitField
              label="A bit takes"
              unit="µs"
              least={0.1}
              most={20}
              value={timing.bitUs.value}
              hint="1.25 µs at 800 kHz, 2.5 µs at 400 kHz."
              onCommit={(value) => set({ ...timing, bitUs: retyped(timing.bitUs, value) })}
            />
            <NumberUnitField
              label="Then it waits"
              unit="µs"
              least={0}
              most={10_000}
              value={timing.latchUs.value}
              hint="50 µs for old parts, 300 µs for new ones."
              onCommit={(value) => set({ ...timing, latchUs: retyped(timing.latchUs, value) })}
            />
          </Row>
          <StandingFields
            label="Time of a bit"
            figure={timing.bitUs}
            onCommit={(bitUs) => set({ ...timing, bitUs })}
          />
          <StandingFields
            label="Latch pause"
            figure={timing.latchUs}
            onCommit={(latchUs) => set({ ...timing, latchUs })}
          />
        </>
      ) : (
        <>
          <NumberUnitField
            label="Clock"
            unit="MHz"
            least={0.01}
            most={50}
            value={timing.clockHz.value / 1_000_000}
            onCommit={(value) =>
              set({ ...timing, clockHz: retyped(timing.clockHz, Math.round(value * 1_000_000)) })
            }
          />
          <StandingFields
            label="Clock"
            figure={timing.clockHz}
            onCommit={(clockHz) => set({ ...timing, clockHz })}
          />
        </>
      )}
      {type.timing ? (
        <div>
          <Button size="compact-sm" variant="default" onClick={() => onChange({ timing: null })}>
            As is usual for its chip
          </Button>
        </div>
      ) : (
        <Hint>As is usual for its chip, until you say otherwise.</Hint>
      )}
      <PartNotesEditor
        part={type.name}
        notes={type.notes}
        onChange={(notes) => onChange({ notes: notes ?? null })}
      />
    </Stack>
  );
}
