'use client';

import { Button } from '@mantine/core';
import { namedLeads, type NewFeed } from '@/core/catalogue/feed';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { useEdit, useShow } from '../show/ShowProvider';
import { leadsOfProp, nextPlace, usualLeadMm } from './leads';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, pixelTypeOf } from '@/core/plan/records';

/** Brings one more lead to a prop, to where it does most. */
export function NewLead({ plan, prop }: { plan: Plan; prop: number }) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const of = propAt(plan, prop);
  const type = pixelTypeOf(plan.show, of);
  const own = leadsOfProp(show, of.id);
  const last = own.at(-1);
  const supply =
    show.supplies.find((each) => last?.from.kind === 'supply' && each.id === last.from.supplyId) ??
    show.supplies.find((each) => each.volts === type.volts);
  const { firstRun, runCount } = plannedAt(plan, prop);
  const taken = own.flatMap(({ pieces }) =>
    pieces.flatMap(({ to }) => (to.kind === 'pixel' && to.propId === of.id ? [to] : [])),
  );
  const next = nextPlace(plan.runs.slice(firstRun, firstRun + runCount), taken);
  const wire = last?.pieces[0]?.wire ?? 'mm2-1.5';
  if (!supply)
    return (
      <p>None of the supplies gives {type.volts} V. A supply of other volts would starve or destroy it.</p>
    );
  return (
    <Button
      variant="default"
      disabled={!next}
      onClick={() => {
        const made: NewFeed = {
          from: { kind: 'supply', supplyId: supply.id },
          pieces: [
            {
              lengthMm: last?.pieces[0]?.lengthMm ?? usualLeadMm(plan.show),
              wire,
              to: { kind: 'pixel', propId: of.id, ...next! },
            },
          ],
        };
        edit({
          type: 'addFeed',
          feed: itemAt(
            namedLeads(show.feeds, [made], () => newId('lead')),
            0,
          ),
        });
      }}
    >
      Bring a lead to it
    </Button>
  );
}
