'use client';

import { useMemo } from 'react';
import { allSent } from '@/core/devices/sent';
import { programRows, programTable } from '@/core/papers/tables/program';
import { sentTable } from '@/core/papers/tables/sent';
import type { Plan } from '@/core/plan/planned';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../../sheets/sheets.module.css';

const MOST_ROWS = 300;

/** Values to type into the program that sends: every universe, its size, and its target. */
export function SenderSheet({ plan }: { plan: Plan }) {
  // A large show has many thousand universes.
  const sent = useMemo(() => allSent(plan), [plan]);
  const program = useMemo(() => programRows(plan), [plan]);
  if (sent.length === 0)
    return (
      <p className={sheets.empty}>
        Nothing is sent yet: put a run on a port, and the universes that the sender needs stand here.
      </p>
    );
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Type these into the program that sends. The size is the number of channels to give each universe; it
        is the same number that the device counts. Show channels follow from how many each universe counts
        for: “A universe counts, in show channels” is set among the channels of the show, as the program does
        it.
      </p>
      <SheetTable testId="sent" mostRows={MOST_ROWS} table={sentTable(plan, sent)} />
      <h2>The program that shows it</h2>
      <p className={sheets.lead}>
        What it asks for to know where each light is: a string is a run, its strands in the order of the data.
      </p>
      <SheetTable testId="program" mostRows={MOST_ROWS} table={programTable(program)} />
    </div>
  );
}
