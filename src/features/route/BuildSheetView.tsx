'use client';

import { useMemo } from 'react';
import { buildSheet, buildSheetTable } from '@/core/papers/buildSheet';
import type { Plan } from '@/core/plan/planned';
import { kindOf, type Prop } from '@/core/props/registry';
import { SIDES } from '@/core/threading/view';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useView } from '../view/useView';
import { SideControl } from '../view/SideControl';

/** A line for each strand: which way round it goes, what is at either end, and its numbers. */
export function BuildSheetView({ plan, prop: index }: { plan: Plan; prop: number }) {
  const { side } = useView();
  const prop = plan.show.props[index]!;
  const sides = kindOf(prop).sides ?? SIDES;
  const sheet = useMemo(() => buildSheet(plan, index, side), [plan, index, side]);
  const word = sheet.strandWord[0]!.toUpperCase() + sheet.strandWord.slice(1);
  return (
    <div className={sheets.sheet}>
      <SideControl sides={sides} />
      <p className={sheets.lead} data-below>
        {word}s {roundWords(prop)}, <b>{sides[side]}</b>. Left, right and the way round are those of this
        side.
      </p>
      <SheetTable testId="build-sheet" table={buildSheetTable(prop.name, sides[side], sheet)} />
    </div>
  );
}

/** A prop that closes round itself has no left end: its strands are listed as they stand once it is unrolled. */
function roundWords(prop: Prop): string {
  const isRound = 'form' in prop.shape && prop.shape.form.kind === 'full';
  return isRound
    ? 'round the whole of it, unrolled: behind the last one comes the first again'
    : 'from left to right';
}
