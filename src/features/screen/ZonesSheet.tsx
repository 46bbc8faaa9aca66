'use client';

import { Button, Group, Switch } from '@mantine/core';
import { useState } from 'react';
import { zonesTable } from '@/core/papers/tables/screens';
import type { PropOf } from '@/core/props/registry';
import { framePieces } from '@/core/screens/frame';
import { pictureSize } from '@/core/screens/shape';
import { SCREEN_SIDES, type ScreenSide } from '@/core/screens/sides';
import { zonesOf, type Zone } from '@/core/screens/zones';
import { USUAL_ZONES, type ZoneWish } from '@/core/screens/zoneWish';
import { LevelSlider } from '@/ui/fields/LevelSlider';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useHandOut } from '@/ui/handingOut';
import styles from './screen.module.css';
import { useSetScreen } from './useSetScreen';

/** Which part of the picture each light shows. */
export function ZonesSheet({ prop }: { prop: PropOf<'screen'> }) {
  const { shape, name } = prop;
  const kept = shape.zones ?? USUAL_ZONES;
  const set = useSetScreen(prop.id, shape);
  /** While something is dragged. */
  const [dragged, setDragged] = useState<ZoneWish | null>(null);
  const wish = dragged ?? kept;
  const keep = (zones: ZoneWish) => {
    setDragged(null);
    set({ zones });
  };
  const [chosen, setChosen] = useState<Zone | null>(null);
  const handOut = useHandOut();
  const zones = zonesOf(shape, wish);
  const zonesFrom = new Set(framePieces(shape).map(({ side }) => side));
  const { widthMm, heightMm } = pictureSize(shape);
  const withDepth = (side: ScreenSide, percent: number): ZoneWish => ({
    ...kept,
    depth: { ...kept.depth, [side]: percent / 100 },
  });
  const save = () => {
    const file = new Blob([JSON.stringify({ zones }, null, 1)], { type: 'application/json' });
    const link = document.createElement('a');
    link.href = URL.createObjectURL(file);
    link.download = `${prop.id}-zones.json`;
    link.click();
    URL.revokeObjectURL(link.href);
    handOut('downloaded', 'Zones');
  };
  return (
    <div className={sheets.sheet}>
      <h2>Zones</h2>
      <p className={sheets.lead}>
        Each light takes its colour from a rectangle of the picture. Point at one for its index and edges, as
        fractions from the top left.
      </p>
      <div className={styles.beside}>
        <div>
          <svg
            className={styles.zones}
            viewBox={`0 0 ${widthMm} ${heightMm}`}
            role="img"
            aria-label={`${zones.length} zones over the picture, seen from the front`}
          >
            <rect width={widthMm} height={heightMm} className={styles.glass} />
            {zones.map((zone, i) => (
              <rect
                key={zone.index}
                x={zone.x0 * widthMm}
                y={zone.y0 * heightMm}
                width={(zone.x1 - zone.x0) * widthMm}
                height={(zone.y1 - zone.y0) * heightMm}
                className={styles.zone}
                data-odd={i % 2 === 1}
                data-chosen={chosen?.index === zone.index}
                onMouseEnter={() => setChosen(zone)}
                onClick={() => setChosen(zone)}
              />
            ))}
          </svg>
          <p role="status" className={styles.told}>
            {chosen
              ? `Index ${chosen.index}: x ${chosen.x0.toFixed(3)} to ${chosen.x1.toFixed(3)}, y ${chosen.y0.toFixed(3)} to ${chosen.y1.toFixed(3)}`
              : 'Point at a zone.'}
          </p>
        </div>
        <div className={styles.wishes}>
          {SCREEN_SIDES.filter((side) => zonesFrom.has(side)).map((side) => (
            <LevelSlider
              key={side}
              label={`Depth at the ${side}`}
              least={1}
              most={50}
              value={wish.depth[side] * 100}
              onDrag={(percent) => setDragged(withDepth(side, percent))}
              onCommit={(percent) => keep(withDepth(side, percent))}
            />
          ))}
          <LevelSlider
            label="Overlap of neighbours"
            most={100}
            value={wish.overlap * 100}
            onDrag={(percent) => setDragged({ ...kept, overlap: percent / 100 })}
            onCommit={(percent) => keep({ ...kept, overlap: percent / 100 })}
          />
          <Switch
            label="Corners belong to both sides"
            checked={wish.sharedCorners}
            onChange={(event) => keep({ ...kept, sharedCorners: event.currentTarget.checked })}
          />
          <Group>
            <Button variant="default" onClick={save}>
              Save as JSON
            </Button>
          </Group>
        </div>
      </div>
      <SheetTable testId="zones" table={zonesTable(name, zones)} mostRows={40} />
    </div>
  );
}
