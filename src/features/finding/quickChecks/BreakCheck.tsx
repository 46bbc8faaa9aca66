import { useState } from 'react';
import { breakAt } from '@/core/diagnose/help/breakAt';
import type { Plan } from '@/core/plan/planned';
import { formatLength } from '@/core/units/length';
import { groupDigits } from '@/core/units/number';
import { MaybeWholeField } from '@/ui/fields/fields';
import { HelpAnswer, QuickCheck } from './QuickCheck';
import { plannedAt } from '@/core/plan/records';

/** Dark from here: where that is, and which two are suspected. */
export function BreakCheck({ plan, prop }: { plan: Plan; prop: number }) {
  const [light, setLight] = useState<number | null>(null);
  const { pixelCount } = plannedAt(plan, prop);
  const found = light === null ? null : breakAt(plan, prop, light);
  return (
    <QuickCheck
      title="Dark from here on"
      says="The number of the first light that stays dark, in the order of the data."
    >
      <MaybeWholeField
        label="The first dark light"
        description={`From 1 to ${groupDigits(pixelCount)}`}
        what="The first dark light"
        least={1}
        most={pixelCount}
        value={light}
        onCommit={setLight}
      />
      {found && (
        <HelpAnswer>
          <p>
            <b>{found.where}</b>, {formatLength(found.heightMm, plan.show.lengths)} above the lowest light.
          </p>
          <p>{found.joint}</p>
          <p>{found.swap}</p>
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
