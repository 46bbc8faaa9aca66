'use client';

import { useMemo } from 'react';
import { buildSheet, type BuildLine, type StrandEnd } from '@/core/papers/buildSheet';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { SIDES } from '@/core/threading/view';
import { groupDigits } from '@/core/units/number';
import { SheetTable, type SheetColumn } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useView } from '../view/useView';
import { SideControl } from '../view/SideControl';

const WAYS: Record<string, string> = {
  up: '↑ up',
  down: '↓ down',
  left: '← left',
  right: '→ right',
  clockwise: '↻ clockwise',
  'counter-clockwise': '↺ counter-clockwise',
};

/** A line for each strand: which way round it goes, what is at either end, and its numbers. */
export function BuildSheetView({ plan, prop: index }: { plan: Plan; prop: number }) {
  const { side } = useView();
  const prop = plan.show.props[index]!;
  const sides = kindOf(prop).sides ?? SIDES;
  const sheet = useMemo(() => buildSheet(plan, index, side), [plan, index, side]);
  const word = sheet.strandWord[0]!.toUpperCase() + sheet.strandWord.slice(1);
  const text = (head: string, cell: (line: BuildLine) => string, unit?: string): SheetColumn<BuildLine> => ({
    head,
    unit,
    cell,
    text: cell,
  });
  const number = (
    head: string,
    cell: (line: BuildLine) => string,
    unit?: string,
  ): SheetColumn<BuildLine> => ({
    ...text(head, cell, unit),
    numeric: true,
  });
  const end = (strandEnd: StrandEnd) => (
    <span style={strandEnd.kind === 'open' ? { color: 'var(--text-3)' } : undefined}>{strandEnd.words}</span>
  );
  return (
    <div className={sheets.sheet}>
      <SideControl sides={sides} />
      <p className={sheets.lead} style={{ marginTop: 10 }}>
        {word}s from left to right, <b>{sides[side]}</b>. Left, right and the way round are those of this
        side.
      </p>
      <SheetTable
        label={`Build sheet of ${prop.name}, ${sides[side]}`}
        testId="build-sheet"
        rows={sheet.lines}
        rowKey={(line) => line.strand}
        columns={[
          number(word, (line) => String(line.strand)),
          {
            ...text('Data goes', (line) => WAYS[line.direction] ?? line.direction),
            cell: (line) => (
              <span style={{ whiteSpace: 'nowrap' }}>{WAYS[line.direction] ?? line.direction}</span>
            ),
          },
          text('enters at', (line) => line.dataIn),
          {
            ...text('Plugged in there', (line) => line.dataInEnd.words),
            cell: (line) => end(line.dataInEnd),
          },
          {
            ...text('At the other end', (line) => line.dataOutEnd.words),
            cell: (line) => end(line.dataOutEnd),
          },
          ...(sheet.hasEmptyHoles
            ? [
                number('Empty holes', (line) => String(line.emptyHolesTop), 'top'),
                number('Empty holes', (line) => String(line.emptyHolesBottom), 'foot'),
              ]
            : []),
          number('Pixels', (line) => groupDigits(line.pixelCount)),
          number('Run', (line) => String(line.run)),
          number('Numbers', (line) => `${line.firstPixel}–${line.lastPixel}`, 'in the run'),
          text('Port', (line) => line.port ?? '–'),
          number(
            'Place',
            (line) => (line.firstPlace === null ? '–' : groupDigits(line.firstPlace)),
            'on the wire',
          ),
          {
            ...text('Starts at', (line) => line.address ?? '–', 'universe, channel'),
            cell: (line) => (
              <span className="mono" style={{ color: 'var(--iris)' }}>
                {line.address ?? '–'}
              </span>
            ),
          },
        ]}
      />
    </div>
  );
}
