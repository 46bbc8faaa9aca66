'use client';

import { boundsOf } from '@/core/geometry/bounds';
import type { SettingOut } from '@/core/props/settingOut';
import { formatLength } from '@/core/units/length';
import { fit, toScreenX, toScreenY } from '@/ui/picture/camera';
import styles from './StakePlan.module.css';
import { useLengths } from '@/ui/lengths';
import { itemAt } from '@/core/units/there';

const SIZE = { widthPx: 300, heightPx: 300 };
/** More places than this are drawn as a sample: the drawing shows the shape, the table the places. */
const MOST_DRAWN = 400;

interface StakePlanProps {
  out: SettingOut;
  view: string;
  chosen: number | null;
  onChoose: (number: number | null) => void;
}

/** The places from above or from the front, with the two tapes to the one that is chosen. */
export function StakePlan({ out, view, chosen, onChoose }: StakePlanProps) {
  const lengths = useLengths();
  const { places } = out;
  const bounds = boundsOf(
    places.map((place) => place.xMm),
    places.map((place) => place.yMm),
  );
  if (!bounds) return null;
  const camera = fit(bounds, SIZE, 30);
  const at = (number: number) => {
    const place = itemAt(places, number - 1);
    return [toScreenX(camera, SIZE, place.xMm), toScreenY(camera, SIZE, place.yMm)] as const;
  };
  const [ax, ay] = at(out.referenceA);
  const [bx, by] = at(out.referenceB);
  const step = Math.ceil(places.length / MOST_DRAWN);
  const drawn = places.filter(
    (place, i) => i % step === 0 || [out.referenceA, out.referenceB, chosen].includes(place.number),
  );
  const target = chosen !== null && chosen <= places.length ? at(chosen) : null;
  // As many numbers as have room: every one, every second, every fifth…
  const nearest = drawn.slice(1).reduce((least, place, i) => {
    const [x, y] = at(place.number);
    const [x0, y0] = at(itemAt(drawn, i).number);
    return Math.min(least, Math.hypot(x - x0, y - y0));
  }, Infinity);
  const every = [1, 2, 5, 10, 25, 50, 100].find((each) => each * nearest >= 20) ?? 100;
  const numbered = drawn.filter(
    ({ number }) =>
      (number === 1 || number % every === 0) && ![out.referenceA, out.referenceB, chosen].includes(number),
  );
  const radius = Math.max(2, Math.min(6, 160 / Math.sqrt(drawn.length * 4)));
  return (
    <>
      <svg
        className={styles.plan}
        viewBox={`0 0 ${SIZE.widthPx} ${SIZE.heightPx}`}
        role="img"
        aria-label={`Places to set out, ${view}`}
      >
        <line className={styles.base} x1={ax} y1={ay} x2={bx} y2={by} />
        <path
          className={styles.middle}
          d={`M${toScreenX(camera, SIZE, 0) - 5} ${toScreenY(camera, SIZE, 0)}h10m-5 -5v10`}
        />
        {target && (
          <>
            <line className={styles.tape} x1={ax} y1={ay} x2={target[0]} y2={target[1]} />
            <line className={styles.tape} x1={bx} y1={by} x2={target[0]} y2={target[1]} />
          </>
        )}
        {drawn.map((place) => {
          const [x, y] = at(place.number);
          const isReference = place.number === out.referenceA || place.number === out.referenceB;
          return (
            <circle
              key={place.number}
              className={styles.place}
              data-reference={isReference}
              data-chosen={place.number === chosen}
              cx={x}
              cy={y}
              r={isReference ? Math.max(4, radius) : radius}
              onClick={() => onChoose(place.number === chosen ? null : place.number)}
            />
          );
        })}
        {numbered.map((place) => {
          // Outwards from the middle, where no place is.
          const [x, y] = at(place.number);
          const [outX, outY] = [x - toScreenX(camera, SIZE, 0), y - toScreenY(camera, SIZE, 0)];
          const far = Math.hypot(outX, outY) || 1;
          return (
            <text
              key={place.number}
              className={styles.number}
              x={x + (outX / far) * 14}
              y={y + (outY / far) * 14 + 4}
            >
              {place.number}
            </text>
          );
        })}
        <text className={styles.label} x={ax} y={ay - 9}>
          A · {out.referenceA}
        </text>
        {places.length > 1 && (
          <text className={styles.label} x={bx} y={by - 9}>
            B · {out.referenceB}
          </text>
        )}
        {target && (
          <text className={styles.label} x={target[0]} y={target[1] - 10}>
            {chosen}
          </text>
        )}
      </svg>
      <p className={styles.caption}>
        {view}
        {target && chosen !== null
          ? ` · ${chosen}: tape A ${formatLength(Math.round(itemAt(places, chosen - 1).tapeAMm), lengths)}, tape B ${formatLength(Math.round(itemAt(places, chosen - 1).tapeBMm), lengths)}`
          : ' · choose a place for its two tapes'}
      </p>
    </>
  );
}
