import { dataOrder, frameLights, framePieces, type FrameLight } from '@/core/screens/frame';
import { pictureSize, type ScreenShape } from '@/core/screens/shape';
import styles from './screen.module.css';
import { itemAt } from '@/core/units/there';

/** At how many lights numbers stand. */
const NUMBERED = 10;

/**
 * The screen from the front with its lights, and the numbers of some of them.
 *
 * @param props.numbers of each light in data order; null for the order of the data itself, from 0
 */
export function ScreenDrawing({ shape, numbers }: { shape: ScreenShape; numbers: readonly number[] | null }) {
  const { widthMm, heightMm } = pictureSize(shape);
  const pieces = framePieces(shape);
  const lights = frameLights(pieces);
  const order = dataOrder(shape, pieces);
  const unit = Math.max(widthMm, heightMm) / 100;
  const margin = 9 * unit;
  // A ledge may lie outside the picture.
  const reach = (most: number, of: (light: FrameLight) => number) =>
    lights.reduce((far, light) => Math.max(far, Math.abs(of(light))), most);
  const [left, top] = [-reach(widthMm / 2, ({ xMm }) => xMm), -reach(heightMm / 2, ({ yMm }) => yMm)];
  const every = Math.max(1, Math.ceil(order.length / NUMBERED));
  return (
    <svg
      className={styles.drawing}
      viewBox={`${left - margin} ${top - margin} ${2 * (margin - left)} ${2 * (margin - top)}`}
      role="img"
      aria-label="The screen, seen from the front, with the numbers of some of its lights"
    >
      <rect x={-widthMm / 2} y={-heightMm / 2} width={widthMm} height={heightMm} className={styles.glass} />
      {order.map((place, i) => {
        const { xMm, yMm } = itemAt(lights, place);
        return (
          <circle
            key={place}
            cx={xMm}
            cy={-yMm}
            r={i === 0 ? 1.6 * unit : 0.7 * unit}
            className={i === 0 ? styles.first : styles.light}
          />
        );
      })}
      {order.map((place, i) => {
        if (i % every !== 0) return null;
        const { xMm, yMm, side } = itemAt(lights, place);
        const away = 5 * unit;
        const x = xMm + (side === 'left' ? -away : side === 'right' ? away : 0);
        const y = -yMm + (side === 'top' ? -away : side === 'bottom' ? away : 0);
        return (
          <text key={place} x={x} y={y} fontSize={4.2 * unit} className={styles.number}>
            {numbers ? numbers[i] : i + shape.hiddenFirst}
          </text>
        );
      })}
      <text x={0} y={0} fontSize={5 * unit} className={styles.side}>
        front
      </text>
    </svg>
  );
}
