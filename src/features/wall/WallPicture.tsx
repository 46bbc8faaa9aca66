'use client';

import { layWall } from '@/core/props/wall';

import { useMemo } from 'react';
import type { PropOf } from '@/core/props/registry';
import { SIDES } from '@/core/threading/view';
import styles from '../picture/picture.module.css';
import { useView } from '../view/useView';
import { useLitPixel } from './useLitPixel';
import { useWallCell } from './useWallCell';
import { WallBoard } from './WallBoard';
import { SideControl } from '../view/SideControl';

const LAYERS = { chains: false, labels: true, cards: true };

/** The panels of a wall as they hang, from the front or from the back. */
export function WallPicture({ prop }: { prop: PropOf<'wall'> }) {
  const { side } = useView();
  const laid = useMemo(() => layWall(prop), [prop]);
  const { chosen, choose } = useWallCell();
  const { columns } = prop.shape;
  const lit = useLitPixel(prop);
  return (
    <section className={styles.stage} aria-label={`Picture of ${prop.name}`}>
      <div className={styles.tools}>
        <SideControl sides={SIDES} />
      </div>
      <div className={styles.canvas}>
        <WallBoard
          laid={laid}
          propId={prop.id}
          side={side}
          layers={LAYERS}
          testId="wall"
          label={`${prop.name}, ${columns} by ${prop.shape.rows} panels, ${SIDES[side]}. Arrows go from panel to panel.`}
          chosen={chosen?.propId === prop.id ? chosen.row * columns + chosen.column : null}
          lit={lit}
          onChoose={(cell) =>
            choose(
              cell === null
                ? null
                : { propId: prop.id, column: cell % columns, row: Math.floor(cell / columns) },
            )
          }
        />
      </div>
      <div className={styles.caption}>
        <span className={styles.side}>{SIDES[side]}</span> · above: output.place in its chain; below: row and
        column as seen from the front (zoom in where a panel is too small for them) · the arrow is the printed
        one
      </div>
    </section>
  );
}
