import { BANDS } from '@/core/patterns/pattern';
import type { Seen } from '@/core/screens/indexWalk';
import { SCREEN_SIDES } from '@/core/screens/sides';
import styles from './screen.module.css';
import { itemAt } from '@/core/units/there';

const [WIDTH, HEIGHT, MARGIN] = [160, 90, 26];

/** Places of the answers on the screen, as one stands: dots in the colours that are lit. */
export function WalkPicture({ seen, side }: { seen: readonly (Seen | null)[]; side: 'front' | 'back' }) {
  const [right, bottom] = [MARGIN + WIDTH, MARGIN + HEIGHT];
  const label = {
    top: [MARGIN + WIDTH / 2, MARGIN + 12],
    bottom: [MARGIN + WIDTH / 2, bottom - 8],
    left: [MARGIN + 14, MARGIN + HEIGHT / 2],
    right: [right - 16, MARGIN + HEIGHT / 2],
  } as const;
  return (
    <svg
      className={styles.drawing}
      viewBox={`0 0 ${WIDTH + 2 * MARGIN} ${HEIGHT + 2 * MARGIN}`}
      role="img"
      aria-label={`Your answers round the screen, as seen from the ${side}`}
    >
      <rect x={MARGIN} y={MARGIN} width={WIDTH} height={HEIGHT} className={styles.glass} />
      <text x={MARGIN + WIDTH / 2} y={MARGIN + HEIGHT / 2 + 3} fontSize={9} className={styles.side}>
        {side}
      </text>
      {SCREEN_SIDES.map((name) => (
        <text key={name} x={label[name][0]} y={label[name][1]} fontSize={7} className={styles.side}>
          {name}
        </text>
      ))}
      {seen.map((where, i) => {
        if (where === null || where === 'dark') return null;
        const share = (i + 1) / (seen.length + 1);
        const [x, y] = {
          top: [MARGIN + share * WIDTH, MARGIN - 8],
          bottom: [MARGIN + share * WIDTH, bottom + 8],
          left: [MARGIN - 8, MARGIN + share * HEIGHT],
          right: [right + 8, MARGIN + share * HEIGHT],
        }[where];
        const [red, green, blue] = itemAt(BANDS, i);
        return (
          <circle key={i} cx={x} cy={y} r={5} fill={`rgb(${red} ${green} ${blue})`} className={styles.dot} />
        );
      })}
    </svg>
  );
}
