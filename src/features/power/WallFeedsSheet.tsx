'use client';

import { Select } from '@mantine/core';
import { useState } from 'react';
import { fuseFor } from '@/core/catalogue/fuse';
import { wireSize } from '@/core/catalogue/wire';
import { namedLeads, type NewFeed } from '@/core/catalogue/feed';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import type { SingleEdit } from '@/core/show/edits/registry';
import { FULL_WHITE } from '@/core/power/shown';
import { formatAmps, formatVolts } from '@/core/units/electric';
import { countOf } from '@/core/units/number';
import { LengthField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import sheets from '../sheets/sheets.module.css';
import { useEdit } from '../show/ShowProvider';
import styles from './power.module.css';
import { leadsOfProp, usualLeadMm } from './leads';
import { usePower } from './usePower';
import { WireSelect } from './WireSelect';
import { propAt } from '@/core/plan/records';
import { ApplyButton } from '@/ui/fields/ApplyButton';

/** The panels of a wall with what each draws, and leads for pairs of them. */
export function WallFeedsSheet({ plan, prop }: { plan: Plan; prop: number }) {
  const edit = useEdit();
  const power = usePower(FULL_WHITE, prop);
  const of = propAt(plan, prop);
  const panels = kindOf(of).panelPower!(of.shape);
  const own = leadsOfProp(plan.show, of.id);
  const suited = plan.show.supplies.filter((supply) => supply.volts === panels.volts);
  const [supplyId, setSupply] = useState<string | null>(null);
  const [leadMm, setLead] = useState(usualLeadMm(plan.show));
  const [wire, setWire] = useState('mm2-2.5');
  const usual = own[0]?.from.kind === 'supply' ? own[0].from.supplyId : null;
  const supply = suited.find((each) => each.id === (supplyId ?? usual)) ?? suited[0];
  const fed = new Set(
    own.flatMap(({ pieces }) =>
      pieces.flatMap(({ to }) =>
        to.kind === 'panel' && to.propId === of.id ? [`${to.column} ${to.row}`] : [],
      ),
    ),
  );
  const cells = Array.from({ length: panels.columns * panels.rows }, (_, i) => ({
    column: 1 + (i % panels.columns),
    row: 1 + Math.floor(i / panels.columns),
  })).filter(({ column, row }) => !panels.isMissing(column, row));
  const eachAmps = panels.ampsFullWhite.value;
  const report = power?.report.runs.find((run) => run.prop === prop);
  const pairs = pairsOf(cells, panels.columns);
  const fuse = fuseFor(2 * eachAmps, wireSize(wire).amps);
  const add = () => {
    const edits: SingleEdit[] = [
      ...own.map((feed) => ({ type: 'removeFeed' as const, feedId: feed.id })),
      ...namedLeads(
        plan.show.feeds,
        pairs.map((pair): NewFeed => {
          const fits = fuseFor(pair.length * eachAmps, wireSize(wire).amps);
          return {
            from: { kind: 'supply' as const, supplyId: supply!.id },
            pieces: pair.map(({ column, row }, i) => ({
              lengthMm: i === 0 ? leadMm : 300,
              wire,
              to: { kind: 'panel' as const, propId: of.id, column, row },
            })),
            ...(fits !== null && { fuseAmps: fits }),
          };
        }),
        () => newId('lead'),
      ).map((feed) => ({ type: 'addFeed' as const, feed })),
    ];
    edit({ type: 'batch', label: `Feed ${of.name} by leads for two panels`, edits });
  };
  return (
    <div className={sheets.sheet}>
      <Facts
        facts={[
          { name: 'Panels', value: countOf(cells.length, 'panel') },
          { name: 'A panel at full white', value: formatAmps(eachAmps) },
          { name: 'All at full white', value: formatAmps(eachAmps * cells.length) },
          report?.lowestVolts != null && {
            name: 'Lowest',
            value: formatVolts(report.lowestVolts),
            note: 'at full white',
          },
          { name: 'Fed by nothing', value: countOf(cells.length - fed.size, 'panel') },
        ]}
      />
      <h2>Leads for two panels each</h2>
      <p className={sheets.lead}>
        Panels are bought with leads for two. Each lead has its own fuse on the distribution board:{' '}
        {countOf(pairs.length, 'position')},{' '}
        {fuse === null
          ? `but ${wireSize(wire).words} carries no fuse for ${formatAmps(2 * eachAmps)}: take a thicker one`
          : `${fuse} A each for ${formatAmps(2 * eachAmps)}`}
        . Several closed supplies are spread over rows; never join the plus of two.
      </p>
      {supply ? (
        <div className={sheets.fields} data-fields>
          <Select
            label="Supply"
            allowDeselect={false}
            value={supply.id}
            data={suited.map((each) => ({ value: each.id, label: each.name }))}
            onChange={setSupply}
          />
          <LengthField
            label="Lead, one way"
            what="A lead"
            leastMm={1}
            mostMm={1_000_000}
            value={leadMm}
            onCommit={setLead}
          />
          <WireSelect value={wire} onChange={setWire} />
          <ApplyButton onClick={add}>{own.length > 0 ? 'Feed it so instead' : 'Feed it so'}</ApplyButton>
        </div>
      ) : (
        <p className={sheets.empty}>Add a supply of {panels.volts} V first, on the right.</p>
      )}
      <h2>Seen from the front</h2>
      <div
        className={styles.panels}
        style={{ gridTemplateColumns: `repeat(${panels.columns}, minmax(40px, 1fr))` }}
      >
        {cells.map(({ column, row }) => (
          <div
            key={`${column} ${row}`}
            className={styles.panel}
            data-mood={fed.has(`${column} ${row}`) ? 'good' : 'bad'}
            style={{ gridColumn: column, gridRow: row }}
          >
            {fed.has(`${column} ${row}`) ? formatAmps(eachAmps) : 'unfed'}
          </div>
        ))}
      </div>
    </div>
  );
}

interface PanelCell {
  column: number;
  row: number;
}

/** Panels two by two: over one another where there are two rows left, else beside one another. */
function pairsOf(cells: readonly PanelCell[], columns: number): PanelCell[][] {
  const left = new Set(cells);
  const at = (column: number, row: number) =>
    [...left].find((cell) => cell.column === column && cell.row === row);
  const pairs: PanelCell[][] = [];
  for (const cell of cells) {
    if (!left.delete(cell)) continue;
    const other =
      at(cell.column, cell.row + 1) ?? (cell.column < columns ? at(cell.column + 1, cell.row) : undefined);
    if (other) left.delete(other);
    pairs.push(other ? [cell, other] : [cell]);
  }
  return pairs;
}
