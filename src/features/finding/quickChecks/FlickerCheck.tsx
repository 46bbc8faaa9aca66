import { Select } from '@mantine/core';
import { useState } from 'react';
import { FLICKERS } from '@/core/diagnose/help/flicker';
import { HelpAnswer, QuickCheck } from './QuickCheck';

/** Causes of flicker, by its moments. */
export function FlickerCheck() {
  const [when, setWhen] = useState<string | null>(null);
  const found = FLICKERS.find((each) => each.when === when);
  return (
    <QuickCheck title="It flickers" says="When it does tells most.">
      <Select
        label="It flickers"
        placeholder="When…"
        data={FLICKERS.map((each) => each.when)}
        value={when}
        onChange={setWhen}
      />
      {found && (
        <HelpAnswer>
          <p>{found.likely}</p>
          <p>{found.tells}</p>
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
