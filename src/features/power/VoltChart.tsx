'use client';

import { useMemo } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Plan } from '@/core/plan/planned';
import type { PropPower } from '@/core/power/propPower';
import { formatAmps, formatVolts } from '@/core/units/electric';
import styles from './power.module.css';
import { plannedAt, runAt } from '@/core/plan/records';

/** More points than this are closer together than the eye tells apart. */
const MOST_POINTS = 400;

interface VoltChartProps {
  plan: Plan;
  prop: number;
  pixels: PropPower;
  /** Pixels of the prop, from 0, that leads go to. */
  feeds: readonly number[];
  /** Pixels of the prop, from 0, behind which plus is cut. */
  cuts: readonly number[];
  limitVolts: number;
  /** The most that its own conductors carry. */
  carriesAmps: number;
}

/** Volts along a prop in its data order, run after run, and the amps in its rail, which are none where the feeds of both sides meet. */
export function VoltChart({ plan, prop, pixels, feeds, cuts, limitVolts, carriesAmps }: VoltChartProps) {
  const { firstRun, runCount, firstPixel } = plannedAt(plan, prop);
  const points = useMemo(() => {
    const { volts, railAmps, unfed } = pixels;
    const step = Math.max(1, Math.ceil(volts.length / MOST_POINTS));
    const kept = new Set(feeds);
    const starts = new Set<number>();
    for (let run = firstRun; run < firstRun + runCount; run += 1) {
      const start = runAt(plan, run).firstPixel - firstPixel;
      starts.add(start);
      kept.add(start).add(start + runAt(plan, run).pixelCount - 1);
    }
    const list: { pixel: number; volts: number | null; amps: number | null }[] = [];
    for (let i = 0; i < volts.length; i += 1) {
      // The line breaks where a new run begins.
      if (i > 0 && starts.has(i)) list.push({ pixel: i + 0.5, volts: null, amps: null });
      if (i % step === 0 || kept.has(i))
        list.push(
          unfed[i]
            ? { pixel: i + 1, volts: null, amps: null }
            : { pixel: i + 1, volts: round(volts[i]!, 3), amps: round(Math.abs(railAmps[i]!), 3) },
        );
    }
    return list;
  }, [pixels, feeds, plan, firstRun, runCount, firstPixel]);
  const top = points.reduce((most, point) => Math.max(most, point.volts ?? 0), limitVolts);
  const fullest = points.reduce((most, point) => Math.max(most, point.amps ?? 0), 0);
  return (
    <div className={styles.plot} role="img" aria-label="Volts along the runs, in data order">
      <ResponsiveContainer width="100%" height="100%">
        <LineChart
          data={points}
          margin={{ top: 10, right: 16, bottom: 2, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            dataKey="pixel"
            type="number"
            domain={[1, pixels.volts.length]}
            tick={{ fill: 'var(--text-3)', fontSize: 12 }}
            stroke="var(--line)"
            allowDecimals={false}
          />
          <YAxis
            yAxisId="volts"
            width={46}
            domain={[0, Math.ceil(top)]}
            unit=" V"
            tick={{ fill: 'var(--text-3)', fontSize: 12 }}
            stroke="var(--line)"
          />
          <YAxis
            yAxisId="amps"
            orientation="right"
            width={58}
            domain={[0, Math.ceil(Math.max(2 * carriesAmps, 1.1 * fullest))]}
            unit=" A"
            tick={{ fill: 'var(--text-3)', fontSize: 12 }}
            stroke="var(--line)"
          />
          <Tooltip
            isAnimationActive={false}
            contentStyle={{ background: 'var(--surface-2)', border: '1px solid var(--line)' }}
            labelFormatter={(pixel) => `Pixel ${String(pixel)}`}
          />
          <ReferenceLine
            yAxisId="volts"
            y={limitVolts}
            stroke="var(--ember)"
            strokeDasharray="6 4"
            label={{
              value: `limit ${formatVolts(limitVolts)}`,
              fill: 'var(--ember)',
              fontSize: 12,
              position: 'insideBottomRight',
            }}
          />
          <ReferenceLine
            yAxisId="amps"
            y={carriesAmps}
            stroke="var(--tide)"
            strokeDasharray="6 4"
            label={{
              value: `its wires carry ${formatAmps(carriesAmps)}`,
              fill: 'var(--tide)',
              fontSize: 12,
              position: 'insideBottomLeft',
            }}
          />
          <Line
            yAxisId="amps"
            name="A in the rail"
            dataKey="amps"
            stroke="var(--tide)"
            strokeWidth={1.2}
            strokeDasharray="3 3"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            yAxisId="volts"
            name="V"
            dataKey="volts"
            stroke="var(--lamp)"
            strokeWidth={2.4}
            dot={false}
            isAnimationActive={false}
          />
          {cuts.slice(0, 60).map((pixel) => (
            <ReferenceLine key={`cut ${pixel}`} yAxisId="volts" x={pixel + 1.5} stroke="var(--text-2)" />
          ))}
          {feeds.slice(0, 60).map((pixel) => (
            <ReferenceDot
              key={pixel}
              yAxisId="volts"
              x={pixel + 1}
              y={pixels.volts[pixel] ?? 0}
              r={4}
              fill="var(--ember)"
              stroke="none"
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}

const round = (value: number, digits: number) => Number(value.toFixed(digits));
