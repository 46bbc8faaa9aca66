import { useMemo } from 'react';
import { kindOf, isPanelled } from '@/core/props/registry';
import { KindGlyph } from './KindGlyph';
import styles from './presets.module.css';
import type { Preset } from './presets';

const WIDTH = 160;
const HEIGHT = 74;
const MOST_DOTS = 160;
const MARGIN = 8;

/** The pixels of a preset at scale; the drawing of its kind where it has none yet, or is made of panels. */
export function PresetPicture({ preset }: { preset: Preset }) {
  const dots = useMemo(() => dotsOf(preset), [preset]);
  if (dots.length < 2)
    return (
      <span className={styles.picture} aria-hidden>
        <KindGlyph kind={preset.kind} size={64} />
      </span>
    );
  return (
    <svg className={styles.picture} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      {dots.map(([x, y], i) => (
        <circle key={i} cx={x} cy={y} r={1.7} />
      ))}
    </svg>
  );
}

function dotsOf({ kind: name, starter }: Preset): (readonly [number, number])[] {
  const kind = kindOf({ kind: name });
  if (isPanelled({ kind: name })) return [];
  const { xMm, yMm } = kind.points(starter().shape);
  const every = Math.max(1, Math.ceil(xMm.length / MOST_DOTS));
  const [left, right] = [Math.min(...xMm), Math.max(...xMm)];
  const [low, high] = [Math.min(...yMm), Math.max(...yMm)];
  const scale = Math.min(
    (WIDTH - 2 * MARGIN) / Math.max(1, right - left),
    (HEIGHT - 2 * MARGIN) / Math.max(1, high - low),
  );
  return [...xMm.keys()]
    .filter((i) => i % every === 0)
    .map((i) => [
      WIDTH / 2 + (xMm[i]! - (left + right) / 2) * scale,
      HEIGHT / 2 - (yMm[i]! - (low + high) / 2) * scale,
    ]);
}
