'use client';

import { Button } from '@mantine/core';
import { namedLeads, type NewFeed } from '@/core/catalogue/feed';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { useEdit, useShow } from '../show/ShowProvider';
import { leadsOfProp, usualLeadMm } from './leads';

/** Brings one more lead to a prop: to the start of the first run that has none, else to the end of the last. */
export function NewLead({ plan, prop }: { plan: Plan; prop: number }) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const of = plan.show.props[prop]!;
  const type = plan.show.pixelTypes.find((each) => each.id === of.pixelTypeId)!;
  const own = leadsOfProp(show, of.id);
  const last = own.at(-1);
  const supply =
    show.supplies.find((each) => last?.from.kind === 'supply' && each.id === last.from.supplyId) ??
    show.supplies.find((each) => each.volts === type.volts);
  const { firstRun, runCount } = plan.props[prop]!;
  const taken = new Set(
    own.flatMap(({ pieces }) =>
      pieces.flatMap(({ to }) => (to.kind === 'pixel' ? [`${to.run} ${to.pixel}`] : [])),
    ),
  );
  const runs = Array.from({ length: runCount }, (_, i) => plan.runs[firstRun + i]!);
  const open =
    runs.find((run) => !taken.has(`${run.number} 1`)) ??
    runs.find((run) => !taken.has(`${run.number} ${run.pixelCount}`));
  const pixel = open && taken.has(`${open.number} 1`) ? open.pixelCount : 1;
  const wire = last?.pieces[0]?.wire ?? 'mm2-1.5';
  if (!supply)
    return (
      <p>None of the supplies gives {type.volts} V. A supply of other volts would starve or destroy it.</p>
    );
  return (
    <Button
      variant="default"
      disabled={!open}
      onClick={() => {
        const made: NewFeed = {
          from: { kind: 'supply', supplyId: supply.id },
          pieces: [
            {
              lengthMm: last?.pieces[0]?.lengthMm ?? usualLeadMm(),
              wire,
              to: { kind: 'pixel', propId: of.id, run: open!.number, pixel },
            },
          ],
        };
        edit({ type: 'addFeed', feed: namedLeads(show.feeds, [made], () => newId('lead'))[0]! });
      }}
    >
      Bring a lead to it
    </Button>
  );
}
