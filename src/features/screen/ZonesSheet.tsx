'use client';

import { Button, Group, Slider, Switch } from '@mantine/core';
import { useState } from 'react';
import { zonesTable } from '@/core/papers/tables/screens';
import type { PropOf } from '@/core/props/registry';
import { pictureSize, type ScreenSide } from '@/core/screens/frame';
import { USUAL_ZONES, zonesOf, type Zone, type ZoneWish } from '@/core/screens/zones';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import styles from './screen.module.css';

/** Which part of the picture each light shows. */
export function ZonesSheet({ prop }: { prop: PropOf<'screen'> }) {
  const { shape, name } = prop;
  const [wish, setWish] = useState<ZoneWish>(USUAL_ZONES);
  const [chosen, setChosen] = useState<Zone | null>(null);
  const zones = zonesOf(shape, wish);
  const { widthMm, heightMm } = pictureSize(shape);
  const setDepth = (sides: ScreenSide[], percent: number) =>
    setWish({
      ...wish,
      depth: { ...wish.depth, ...Object.fromEntries(sides.map((side) => [side, percent / 100])) },
    });
  const save = () => {
    const file = new Blob([JSON.stringify({ zones }, null, 1)], { type: 'application/json' });
    const link = document.createElement('a');
    link.href = URL.createObjectURL(file);
    link.download = `${prop.id}-zones.json`;
    link.click();
    URL.revokeObjectURL(link.href);
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
          <Depth
            label="Depth at the top and the bottom"
            percent={wish.depth.top * 100}
            onChange={(percent) => setDepth(['top', 'bottom'], percent)}
          />
          <Depth
            label="Depth at the left and the right"
            percent={wish.depth.left * 100}
            onChange={(percent) => setDepth(['left', 'right'], percent)}
          />
          <Depth
            label="Overlap of neighbours"
            percent={wish.overlap * 100}
            least={0}
            most={100}
            onChange={(percent) => setWish({ ...wish, overlap: percent / 100 })}
          />
          <Switch
            label="Corners belong to both sides"
            checked={wish.sharedCorners}
            onChange={(event) => setWish({ ...wish, sharedCorners: event.currentTarget.checked })}
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

function Depth({
  label,
  percent,
  least = 1,
  most = 50,
  onChange,
}: {
  label: string;
  percent: number;
  least?: number;
  most?: number;
  onChange: (percent: number) => void;
}) {
  const id = label.replace(/\W+/g, '-').toLowerCase();
  return (
    <div className={styles.depth}>
      <span id={id}>{label}</span>
      <output className="mono">{Math.round(percent)} %</output>
      <Slider
        aria-labelledby={id}
        thumbLabel={label}
        className={styles.wide}
        min={least}
        max={most}
        label={null}
        value={Math.round(percent)}
        onChange={onChange}
      />
    </div>
  );
}
