'use client';

import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { electricOf } from '@/core/catalogue/electric';
import { namedLeads } from '@/core/catalogue/feed';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import type { FeedScheme } from '@/core/power/compareFeeds';
import { formatVolts, formatWatts } from '@/core/units/electric';
import { formatLength } from '@/core/units/length';
import type { Table } from '@/core/pages/table';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useAnswer, useEdit } from '../show/ShowProvider';
import { leadsOfProp, usualLeadMm } from './leads';
import { useShown } from './useShown';
import { itemAt, byId } from '@/core/units/there';
import { propAt } from '@/core/plan/records';

/** The usual ways to feed a prop at one look, and the fewest leads that are enough. */
export function CompareSheet({ plan, prop }: { plan: Plan; prop: number }) {
  if (plan.show.supplies.length === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>Add a supply first, on the right.</p>
      </div>
    );
  return <Schemes plan={plan} prop={prop} />;
}

function Schemes({ plan, prop }: { plan: Plan; prop: number }) {
  const edit = useEdit();
  const { shown, percent } = useShown();
  const { id, name, pixelTypeId } = propAt(plan, prop);
  const type = byId(plan.show.pixelTypes, pixelTypeId);
  const leastVolts = electricOf(type).leastVolts.value;
  const own = leadsOfProp(plan.show, id);
  const first = own[0];
  const supplyId =
    first?.from.kind === 'supply'
      ? first.from.supplyId
      : (plan.show.supplies.find((supply) => supply.volts === type.volts) ?? itemAt(plan.show.supplies, 0))
          .id;
  const leadMm = first?.pieces[0]?.lengthMm ?? usualLeadMm(plan.show);
  const wire = first?.pieces[0]?.wire ?? 'mm2-1.5';
  const asked = useMemo(
    () => ({ prop, wish: { shown, leastVolts, reach: 'loops' as const, supplyId, leadMm, wire } }),
    [prop, shown, leastVolts, supplyId, leadMm, wire],
  );
  const schemes = useAnswer('compareFeeds', asked);
  const table: Table<FeedScheme> = {
    name: `Ways to feed ${name}`,
    rows: schemes ?? [],
    keyOf: (row) => row.id,
    columns: [
      { id: 'way', head: 'Way', as: 'key', meaning: 'Where leads join it', of: (row) => row.words },
      {
        id: 'lowest',
        head: 'Lowest',
        unit: `at ${percent} %`,
        as: 'figure',
        meaning: 'The least that any of its pixels gets',
        of: (row) =>
          row.lowestVolts === null
            ? { text: 'not all of it', mood: 'bad' }
            : { text: formatVolts(row.lowestVolts), mood: row.isEnough ? 'good' : 'bad' },
      },
      {
        id: 'taps',
        head: 'Taps',
        as: 'figure',
        meaning: 'Places where a lead joins it',
        of: (row) => row.taps,
      },
      {
        id: 'joints',
        head: 'Solder joints',
        as: 'figure',
        meaning: 'Two at each tap',
        of: (row) => row.solderJoints,
      },
      {
        id: 'wire',
        head: 'Wire',
        unit: 'both conductors',
        as: 'figure',
        meaning: 'Of all its leads',
        of: (row) => formatLength(row.wireMm, plan.show.lengths),
      },
      {
        id: 'heat',
        head: 'Lost as heat',
        as: 'figure',
        meaning: 'In leads and rails',
        of: (row) => formatWatts(row.heatWatts),
      },
    ],
  };
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        {name} at {percent} % with leads of {formatLength(leadMm, plan.show.lengths)}; every pixel is to have
        at least {formatVolts(leastVolts)}. Fewer taps are fewer joints to make and to fail; more taps give
        more volts.
      </p>
      {!schemes && <p role="status">Working out each way…</p>}
      <SheetTable
        testId="ways"
        table={table}
        after={{
          head: '',
          cell: (row) =>
            row.id !== 'asItIs' && (
              <Button
                size="compact-sm"
                variant="default"
                onClick={() =>
                  edit({
                    type: 'batch',
                    label: `Feed ${name}: ${row.words}`,
                    edits: [
                      ...own.map((feed) => ({ type: 'removeFeed' as const, feedId: feed.id })),
                      ...namedLeads(plan.show.feeds, row.feeds, () => newId('lead')).map((feed) => ({
                        type: 'addFeed' as const,
                        feed,
                      })),
                    ],
                  })
                }
              >
                Feed it so
              </Button>
            ),
        }}
      />
    </div>
  );
}
