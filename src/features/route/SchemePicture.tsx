import type { Threaded } from '@/core/threading/thread';
import { boundsOf } from '@/core/geometry/bounds';
import { xSeenFrom, type ViewSide } from '@/core/threading/view';
import { fit, toScreenX, toScreenY } from '@/ui/picture/camera';
import styles from './SchemePicture.module.css';

const SIZE = { widthPx: 104, heightPx: 66 };
/** Points drawn of each strand, and strands drawn of each prop: a small picture shows the way, not the pixels. */
const MOST_POINTS = 12;
const MOST_STRANDS = 48;

/** The way of the data in a small picture: strands as lines, jumpers dashed, a dot where each run begins. */
export function SchemePicture({ threaded, side }: { threaded: Threaded; side: ViewSide }) {
  const bounds = boundsOf(
    threaded.xMm.map((x) => xSeenFrom(side, x)),
    threaded.yMm,
  );
  if (!bounds) return null;
  const camera = fit(bounds, SIZE, 7);
  const at = (pixel: number) =>
    `${toScreenX(camera, SIZE, xSeenFrom(side, threaded.xMm[pixel]!)).toFixed(1)} ${toScreenY(camera, SIZE, threaded.yMm[pixel]!).toFixed(1)}`;
  const step = Math.ceil(threaded.strands.length / MOST_STRANDS);
  const runOf = (pixel: number) => threaded.runs.findLastIndex((run) => run.firstPixel <= pixel);
  return (
    <svg
      className={styles.picture}
      viewBox={`0 0 ${SIZE.widthPx} ${SIZE.heightPx}`}
      width={SIZE.widthPx}
      height={SIZE.heightPx}
      aria-hidden
    >
      {threaded.strands.map((strand, i) => {
        if (i % step !== 0) return null;
        const last = strand.firstPixel + strand.pixelCount - 1;
        const stride = Math.max(1, Math.ceil(strand.pixelCount / MOST_POINTS));
        const points: string[] = [];
        for (let pixel = strand.firstPixel; pixel < last; pixel += stride) points.push(at(pixel));
        points.push(at(last));
        return (
          <path
            key={i}
            className={styles.strand}
            style={{ stroke: `var(--run-${(runOf(strand.firstPixel) % 6) + 1})` }}
            d={`M${points.join('L')}`}
          />
        );
      })}
      {step === 1 &&
        threaded.jumpers.map((jumper) => (
          <path
            key={jumper.toPixel}
            className={styles.jumper}
            d={`M${at(jumper.fromPixel)}L${at(jumper.toPixel)}`}
          />
        ))}
      {threaded.runs.slice(0, MOST_STRANDS).map((run) => {
        const [x, y] = at(run.firstPixel).split(' ');
        return <circle key={run.firstPixel} className={styles.start} cx={x} cy={y} r={2.6} />;
      })}
    </svg>
  );
}
