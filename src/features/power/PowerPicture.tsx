'use client';

import { useMemo } from 'react';
import { electricOf } from '@/core/catalogue/electric';
import type { Plan } from '@/core/plan/planned';
import { SIDES } from '@/core/threading/view';
import { kindOf } from '@/core/props/registry';
import { countOf } from '@/core/units/number';
import { formatAmps, formatVolts } from '@/core/units/electric';
import { fetched, Fetched } from '@/ui/fetched';
import type { Layers } from '@/ui/picture/draw';
import { PixelCanvas } from '@/ui/picture/PixelCanvas';
import { sceneOf } from '@/ui/picture/scene';
import picture from '../picture/picture.module.css';
import { SideControl } from '../view/SideControl';
import { subjectOfPixel, type Selection } from '../view/selection';
import { useGoTo, useView } from '../view/useView';
import styles from './power.module.css';
import { ShownTools } from './ShownTools';
import { usePowerDraft } from './powerDraft';
import { usePower } from './usePower';
import { useShown } from './useShown';
import { runAt } from '@/core/plan/records';

const VoltChart = fetched(async () => (await import('./VoltChart')).VoltChart);

const LAYERS: Layers = { numbers: false, jumpers: false, ports: true, chevrons: false, scaleBar: false };

/** A prop in the colours that its pixels really have, and the volts along it. */
export function PowerPicture({ plan, prop, selection }: { plan: Plan; prop: number; selection: Selection }) {
  const { side } = useView();
  const goTo = useGoTo();
  const { shown, percent } = useShown();
  const power = usePower(shown, prop);
  const scene = useMemo(() => sceneOf(plan, prop, 'true'), [plan, prop]);
  const { id, name, pixelTypeId, kind } = plan.show.props[prop]!;
  const type = plan.show.pixelTypes.find((each) => each.id === pixelTypeId)!;
  const planned = plan.props[prop]!;
  const looked = usePowerDraft((state) => (state.propId === id ? state.draft : null));
  const fedBy = looked ?? plan.show;
  const feeds = useMemo(
    () =>
      fedBy.feeds.flatMap(({ pieces }) =>
        pieces.flatMap(({ to }) => {
          if (to.kind !== 'pixel' || to.propId !== id) return [];
          const run = plan.runs[planned.firstRun + to.run - 1];
          return run && to.run <= planned.runCount
            ? [run.firstPixel - planned.firstPixel + to.pixel - 1]
            : [];
        }),
      ),
    [plan, fedBy, planned, id],
  );
  const cuts = useMemo(
    () =>
      fedBy.cuts.flatMap(({ propId, run, afterPixel }) => {
        const cut =
          propId === id && run <= planned.runCount ? plan.runs[planned.firstRun + run - 1] : undefined;
        return cut && afterPixel < cut.pixelCount
          ? [cut.firstPixel - planned.firstPixel + afterPixel - 1]
          : [];
      }),
    [plan, fedBy, planned, id],
  );
  const pixels = power?.pixels;
  const isCurrent = pixels?.volts.length === planned.pixelCount;
  const lit = useMemo(
    () =>
      pixels && isCurrent
        ? { light: pixels.light, unfed: pixels.unfed, hot: pixels.hot, feeds, cuts }
        : {
            light: new Uint8Array(4 * planned.pixelCount),
            unfed: new Uint8Array(planned.pixelCount).fill(1),
            feeds,
            cuts,
          },
    [pixels, isCurrent, feeds, cuts, planned.pixelCount],
  );
  const sides = kindOf({ kind }).sides ?? SIDES;
  return (
    <section className={`${picture.stage} ${styles.picture}`} aria-label={`Picture of ${name}`}>
      <div className={picture.tools}>
        <ShownTools colourOrder={type.colourOrder} />
        <SideControl sides={sides} />
      </div>
      <div className={`${picture.canvas} ${styles.night}`}>
        {power && !pixels && (
          <p className={styles.over} role="status">
            {looked
              ? `${name} as “Power this prop” plans it: injections are marked, and nothing is in the show yet.`
              : `No lead goes to ${name} yet. Bring one to it on the right, or take a proposal.`}
          </p>
        )}
        <PixelCanvas
          scene={scene}
          side={side}
          layers={LAYERS}
          lit={lit}
          selected={
            selection.prop === prop && selection.pixel !== undefined
              ? selection.pixel - scene.firstPixelOfProp
              : -1
          }
          selectedRun={-1}
          onSelect={(pixel) =>
            goTo({
              subject:
                pixel < 0
                  ? { kind: 'prop', propId: id }
                  : subjectOfPixel(plan, scene.firstPixelOfProp + pixel),
            })
          }
          callout={(pixel) => (
            <VoltCallout
              plan={plan}
              pixel={scene.firstPixelOfProp + pixel}
              of={isCurrent ? pixels : null}
              at={pixel}
            />
          )}
          label={`${name}, ${countOf(scene.pixelCount, 'pixel')} in the colour that ${percent} % really has, ${sides[side]}`}
        />
      </div>
      <div className={styles.chart}>
        {pixels && isCurrent && (
          <Fetched>
            <VoltChart
              plan={plan}
              prop={prop}
              pixels={pixels}
              feeds={feeds}
              cuts={cuts}
              limitVolts={electricOf(type).leastVolts.value}
              carriesAmps={electricOf(type).railCarriesAmps.value}
            />
          </Fetched>
        )}
      </div>
      <div className={picture.caption}>
        <span className={picture.side}>{sides[side]}</span> · as {percent} % would really look · squares are
        where leads join{cuts.length > 0 && ', bars where plus is cut'}
        {pixels?.hot.includes(1) && ', thick lines where its own wires carry too much'}
      </div>
    </section>
  );
}

function VoltCallout({
  plan,
  pixel,
  of,
  at,
}: {
  plan: Plan;
  pixel: number;
  of:
    | { volts: Float32Array; amps: Float32Array; liftVolts: Float32Array; unfed: Uint8Array }
    | null
    | undefined;
  at: number;
}) {
  const run = runAt(plan, plan.pixels.run[pixel]!);
  return (
    <>
      <strong>
        Pixel {pixel - run.firstPixel + 1} of run {run.number}
      </strong>
      {!of || of.unfed[at] ? (
        <div>No supply reaches it.</div>
      ) : (
        <div className={picture.calloutLine}>
          {formatVolts(of.volts[at]!)} · {formatAmps(of.amps[at]!)}
          <br />
          ground {formatVolts(of.liftVolts[at]!)} up
        </div>
      )}
    </>
  );
}
