import { useEffect, useRef } from 'react';
import { bytesOfSeen } from '@/core/diagnose/perceive';
import type { Plan } from '@/core/plan/planned';
import styles from './find.module.css';
import { plannedAt } from '@/core/plan/records';

const [WIDTH, HEIGHT, MARGIN] = [260, 150, 12];

/** A prop as it is seen: a dot for each of its lights, in the colour that somebody would name. */
export function AnswerPicture({
  plan,
  prop,
  seen,
  isBack,
  onTap,
}: {
  plan: Plan;
  prop: number;
  seen: Uint8Array;
  isBack: boolean;
  /** Told the light that is nearest to where it is tapped: its number in data order, from 0. */
  onTap?: (light: number) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current!.getContext('2d')!;
    const { pixelCount } = plannedAt(plan, prop);
    const at = placesOf(plan, prop, isBack);
    const dot = Math.max(1.5, Math.min(7, 0.7 * Math.sqrt((WIDTH * HEIGHT) / Math.max(1, pixelCount)) * 0.5));
    context.fillStyle = '#050809';
    context.fillRect(0, 0, WIDTH, HEIGHT);
    for (let i = 0; i < pixelCount; i += 1) {
      const [x, y] = at(i);
      const [red, green, blue] = bytesOfSeen(seen[i] ?? 0, 255);
      // A dark one is there all the same.
      context.fillStyle = red + green + blue > 0 ? `rgb(${red} ${green} ${blue})` : '#1d2a30';
      context.fillRect(x - dot / 2, y - dot / 2, dot, dot);
    }
  }, [plan, prop, seen, isBack]);
  return (
    <canvas
      ref={canvas}
      width={WIDTH}
      height={HEIGHT}
      className={styles.picture}
      data-taps={onTap !== undefined}
      aria-hidden
      onPointerDown={(event) => {
        if (!onTap) return;
        const box = event.currentTarget.getBoundingClientRect();
        const [x, y] = [
          ((event.clientX - box.left) / box.width) * WIDTH,
          ((event.clientY - box.top) / box.height) * HEIGHT,
        ];
        const at = placesOf(plan, prop, isBack);
        let [nearest, least] = [0, Infinity];
        for (let i = 0; i < plannedAt(plan, prop).pixelCount; i += 1) {
          const [ownX, ownY] = at(i);
          const away = (ownX - x) ** 2 + (ownY - y) ** 2;
          if (away < least) [nearest, least] = [i, away];
        }
        onTap(nearest);
      }}
    />
  );
}

/** Places of the pixels of a prop in the picture. */
function placesOf(plan: Plan, prop: number, isBack: boolean): (light: number) => [x: number, y: number] {
  const { firstPixel, pixelCount } = plannedAt(plan, prop);
  const { xMm, yMm } = plan.pixels;
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = firstPixel; i < firstPixel + pixelCount; i += 1) {
    left = Math.min(left, xMm[i]!);
    right = Math.max(right, xMm[i]!);
    low = Math.min(low, yMm[i]!);
    high = Math.max(high, yMm[i]!);
  }
  const scale = Math.min(
    (WIDTH - 2 * MARGIN) / Math.max(1, right - left),
    (HEIGHT - 2 * MARGIN) / Math.max(1, high - low),
  );
  return (light) => [
    WIDTH / 2 + (xMm[firstPixel + light]! - (left + right) / 2) * (isBack ? -scale : scale),
    HEIGHT / 2 - (yMm[firstPixel + light]! - (low + high) / 2) * scale,
  ];
}
