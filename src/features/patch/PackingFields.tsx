'use client';

import { Select } from '@mantine/core';
import { usableChannels, type Packing } from '@/core/catalogue/packing';
import { WholeField } from '@/ui/fields/fields';
import { Hint, Stack } from '@/ui/Panel';

interface PackingFieldsProps {
  value: Packing | null;
  onChange: (packing: Packing | null) => void;
  /** The show's packing, where a controller may keep to it. */
  inherited?: Packing;
  inheritedWords?: string;
  label?: string;
}

const NAMES: Record<Packing['kind'], string> = {
  wholePixels: 'Whole pixels (510 RGB, 512 RGBW)',
  full512: 'Full 512, pixels may straddle',
  custom: 'A size of your own',
};

export function PackingFields({
  value,
  onChange,
  inherited,
  inheritedWords = 'As the show',
  label = 'Channels per universe',
}: PackingFieldsProps) {
  const packing = value ?? inherited!;
  return (
    <Stack>
      <Select
        label={label}
        allowDeselect={false}
        value={value?.kind ?? 'show'}
        data={[
          ...(inherited ? [{ value: 'show', label: inheritedWords }] : []),
          ...Object.entries(NAMES).map(([kind, label]) => ({ value: kind, label })),
        ]}
        onChange={(kind) => {
          if (kind === 'show') onChange(null);
          else if (kind === 'custom') onChange({ kind, channelsPerUniverse: usableChannels(packing, 3) });
          else if (kind === 'wholePixels' || kind === 'full512') onChange({ kind });
        }}
      />
      {value?.kind === 'custom' && (
        <WholeField
          label="Channels in each"
          what="The size of a universe"
          least={1}
          most={512}
          value={value.channelsPerUniverse}
          onCommit={(channelsPerUniverse) => onChange({ kind: 'custom', channelsPerUniverse })}
        />
      )}
      <Hint>{consequence(packing)}</Hint>
    </Stack>
  );
}

function consequence(packing: Packing): string {
  switch (packing.kind) {
    case 'wholePixels':
      return 'No pixel is parted: a universe ends after 170 RGB pixels (510) or 128 RGBW pixels (512). Sender and controller must count alike.';
    case 'full512':
      return 'Channels run on, so an RGB pixel can begin in one universe and end in the next. Panel players often want this.';
    case 'custom':
      return `A universe every ${packing.channelsPerUniverse} channels; 150 gives each string of 50 RGB pixels its own. Sender and controller must agree on it.`;
  }
}
