'use client';

import { useElementSize } from '@mantine/hooks';
import type { PixelRange } from '@/core/props/extras';
import { coverageOf } from '@/core/props/ranges';
import { groupDigits } from '@/core/units/number';
import styles from './CoverageBar.module.css';
import { itemAt } from '@/core/units/there';

/** All pixels of a prop in data order, with what each range covers; gaps dashed, overlaps hatched. */
export function CoverageBar({ ranges, pixelCount }: { ranges: readonly PixelRange[]; pixelCount: number }) {
  const { ref, width } = useElementSize<HTMLDivElement>();
  const stretches = coverageOf(ranges, pixelCount);
  const last = stretches.at(-1);
  const total = last ? last.firstPixel + last.pixelCount - 1 : 1;
  const x = (pixel: number) => ((pixel - 1) / total) * width;
  const numbered = withRoom(stretches.map((stretch) => x(stretch.firstPixel)));
  return (
    <div ref={ref}>
      <svg
        className={styles.bar}
        role="img"
        aria-label={`Coverage: ${stretches.filter((each) => each.ranges.length === 0 && each.firstPixel <= pixelCount).length} gaps, ${stretches.filter((each) => each.ranges.length > 1).length} overlaps`}
        data-testid="coverage"
      >
        <defs>
          <pattern
            id="overlap"
            width="8"
            height="8"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="8" height="8" fill="var(--surface-3)" />
            <line className={styles.hatch} x1="0" y1="0" x2="0" y2="8" />
          </pattern>
        </defs>
        {stretches.map((stretch) => {
          const [left, right] = [x(stretch.firstPixel), x(stretch.firstPixel + stretch.pixelCount)];
          const outside = stretch.firstPixel > pixelCount;
          const kind = outside
            ? stretch.ranges.length > 0
              ? 'outside'
              : null
            : stretch.ranges.length > 1
              ? 'overlap'
              : stretch.ranges.length === 0
                ? 'orphan'
                : 'stretch';
          if (!kind) return null;
          const name = stretch.ranges.length === 1 ? itemAt(ranges, itemAt(stretch.ranges, 0)).name : '';
          const number = groupDigits(stretch.firstPixel);
          return (
            <g key={stretch.firstPixel}>
              <rect
                className={styles[kind]}
                data-even={kind === 'stretch' && itemAt(stretch.ranges, 0) % 2 === 1}
                x={left + 0.5}
                y={6}
                width={Math.max(1, right - left - 1)}
                height={28}
                rx={3}
              />
              {kind === 'stretch' && right - left > name.length * 7.4 + 12 && (
                <text className={styles.name} x={left + 7} y={25}>
                  {name}
                </text>
              )}
              {numbered.has(left) && (
                <text className={styles.number} x={left} y={50}>
                  {number}
                </text>
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** Places from left to right that are far enough from the one before for a number below each. */
function withRoom(places: readonly number[]): ReadonlySet<number> {
  const kept = new Set<number>();
  let last = -Infinity;
  for (const place of places)
    if (place - last > 44) {
      kept.add(place);
      last = place;
    }
  return kept;
}
