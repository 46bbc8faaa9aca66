'use client';

import { SegmentedControl } from '@mantine/core';
import { capitalised } from '@/core/units/words';
import { useGoTo, useView } from './useView';

/** From which side things are drawn and named; what the two sides are called depends on the thing. */
export function SideControl({ sides }: { sides: { front: string; back: string } }) {
  const { side } = useView();
  const goTo = useGoTo();
  return (
    <SegmentedControl
      size="xs"
      aria-label="Side"
      value={side}
      onChange={(value) => goTo({ side: value === 'back' ? 'back' : 'front' }, 'replace')}
      data={[
        { value: 'front', label: capitalised(sides.front) },
        { value: 'back', label: capitalised(sides.back.replace(/^seen /, '')) },
      ]}
    />
  );
}
