'use client';

import { Select } from '@mantine/core';
import { NEW_UNIVERSE, type NewUniverse } from '@/core/catalogue/packing';
import { Hint } from '@/ui/Panel';

const WORDS: Record<NewUniverse, string> = {
  controller: 'with each controller',
  port: 'with each port',
  run: 'with each run',
  strand: 'with each strand',
  wholeStrands: 'where the next whole strand does not fit',
  wholeStrandsPerPort: 'with each port, strands kept whole',
  fixture: 'with each tile',
  never: 'only where one is full',
};

const CONSEQUENCE: Record<NewUniverse, string> = {
  controller: 'A controller’s ports share universes: few universes, and no other controller listens to them.',
  port: 'Each port starts at channel 1 of a universe: easy to type in and to swap, at the price of some universes.',
  run: 'Each run starts at channel 1 of a universe, also behind another run: props can be moved without moving others.',
  strand:
    'Each string of pixels starts at channel 1 of a universe: easy to find by hand, at the price of many universes.',
  wholeStrands:
    'As many whole strands to a universe as fit, running on over ports: no strand is in two universes, unless it is longer than one.',
  wholeStrandsPerPort:
    'Each port starts at channel 1 of a universe, and no strand is in two of them, unless it is longer than one.',
  fixture: 'Each addressed tile has a universe of its own; other props as with each run.',
  never: 'Everything runs on, over controllers too: fewest universes; one change moves all that follows.',
};

const INHERIT = 'inherit';

interface NewUniverseSelectProps {
  /** Null keeps to what is said further up. */
  value: NewUniverse | null;
  /** The setting above, and its level: `As the show`; left out where nothing is above. */
  inherited?: { value: NewUniverse; words: string };
  onChange: (value: NewUniverse | null) => void;
}

/** The start of a new universe, with its consequence. */
export function NewUniverseSelect({ value, inherited, onChange }: NewUniverseSelectProps) {
  const inForce = value ?? inherited?.value;
  return (
    <>
      <Select
        label="A new universe begins"
        allowDeselect={false}
        value={value ?? INHERIT}
        data={[
          ...(inherited ? [{ value: INHERIT, label: `${inherited.words}: ${WORDS[inherited.value]}` }] : []),
          ...NEW_UNIVERSE.map((each) => ({ value: each, label: WORDS[each] })),
        ]}
        onChange={(next) => onChange(next === INHERIT ? null : (next as NewUniverse))}
      />
      {inForce && <Hint>{CONSEQUENCE[inForce]}</Hint>}
    </>
  );
}
