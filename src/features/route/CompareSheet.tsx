'use client';

import { schemesTable } from '@/core/papers/tables/threading';
import { UseThis } from '../sheets/UseThis';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { channelsPerPixel } from '@/core/catalogue/pixelType';
import type { Plan } from '@/core/plan/planned';
import {
  compareSchemes,
  mostPixelsPerRun,
  recommendScheme,
  type Scheme,
} from '@/core/answers/compareThreading';
import { signalOf } from '@/core/catalogue/signal';
import { capitalised } from '@/core/units/words';
import { countOf } from '@/core/units/number';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useShow } from '../show/ShowProvider';
import { useView } from '../view/useView';
import { SchemePicture } from './SchemePicture';
import { wantedRateOf } from '@/core/catalogue/packing';
import { propAt, plannedAt, pixelTypeOf } from '@/core/plan/records';

/** Ways to thread a prop side by side, each with its picture and what it costs. */
export function CompareSheet({ plan, prop: index }: { plan: Plan; prop: number }) {
  const prop = propAt(plan, index);
  const type = pixelTypeOf(plan.show, prop);
  const { side } = useView();
  const edit = useEdit();
  const fed = plan.runs[plannedAt(plan, index).firstRun]?.wire;
  const ofController = fed ? plan.show.controllers[fed.controller] : plan.show.controllers[0];
  const [typedPixels, setMostPixels] = useState<number | null>(null);
  const rateHz = useShow((state) => wantedRateOf(state.show.addressing));
  const [reachMm, setReachMm] = useState(2000);
  const mostPixelsPerPort = typedPixels ?? ofController?.mostPixelsPerPort ?? 680;
  const limits = useMemo(
    () => ({
      signal: signalOf(type),
      channelsPerPixel: channelsPerPixel(type),
      mostPixelsPerPort,
      wantedRateHz: rateHz,
      reachMm,
    }),
    [type, mostPixelsPerPort, rateHz, reachMm],
  );
  const schemes = useMemo(() => compareSchemes(prop, limits), [prop, limits]);
  const best = recommendScheme(schemes, plan.show.lengths);
  const choose = (scheme: Scheme) =>
    edit({ type: 'setThreading', propId: prop.id, threading: scheme.threading });
  const table = useMemo(
    () => schemesTable(prop.name, schemes, plan.show.lengths),
    [prop.name, schemes, plan.show.lengths],
  );
  if (schemes.length === 0 || plannedAt(plan, index).pixelCount === 0)
    return <p className={sheets.empty}>No pixels yet. Measure the prop in Build first.</p>;
  return (
    <div className={sheets.sheet}>
      <div className={sheets.fields}>
        <WholeField
          label="A port drives"
          description={typedPixels === null && ofController ? `pixels, as ${ofController.name}` : 'pixels'}
          what="The number of pixels on a port"
          least={1}
          most={100_000}
          value={mostPixelsPerPort}
          onCommit={setMostPixels}
        />
        <WholeField
          label="Wanted"
          description="pictures a second, of the show"
          what="The frame rate"
          least={1}
          most={200}
          value={rateHz}
          onCommit={(wantedRateHz) => edit({ type: 'setAddressing', change: { wantedRateHz } })}
        />
        <LengthField
          label="A hand reaches"
          description="above its foot"
          what="The reach"
          leastMm={0}
          mostMm={100_000}
          value={reachMm}
          onCommit={setReachMm}
        />
        <div data-wide>
          <Hint>
            {type.chip || 'The chip'} takes {countOf(mostPixelsPerRun(limits), 'pixel')} a port at {rateHz}{' '}
            pictures a second
            {mostPixelsPerRun(limits) === mostPixelsPerPort ? ', by the port’s own limit' : ''}.
          </Hint>
        </div>
      </div>
      {best && (
        <div className={sheets.note} data-testid="recommendation">
          <b>{capitalised(best.scheme.words)}.</b> {best.why}{' '}
          {!best.scheme.isCurrent && (
            <Button size="compact-sm" ml={6} onClick={() => choose(best.scheme)}>
              Use this
            </Button>
          )}
        </div>
      )}
      <SheetTable
        testId="schemes"
        table={table}
        chosen={(scheme) => scheme.isCurrent}
        before={{
          head: 'Way of the data',
          cell: (scheme) => <SchemePicture threaded={scheme.threaded} side={side} />,
        }}
        fields={{
          scheme: (scheme) => (
            <>
              {capitalised(scheme.words)}
              <br />
              <UseThis inUse={scheme.isCurrent} onUse={() => choose(scheme)} />
            </>
          ),
        }}
      />
    </div>
  );
}
