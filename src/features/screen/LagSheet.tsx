'use client';

import { Select, SegmentedControl, Switch } from '@mantine/core';
import { useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import { framePixels } from '@/core/screens/frame';
import { LAG_PARTS, lagOf, sufficientCapture, type LagPart } from '@/core/screens/lag';
import { USUAL_ZONES, zonesOf } from '@/core/screens/zones';
import { groupDigits } from '@/core/units/number';
import { WholeField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import sheets from '../sheets/sheets.module.css';
import styles from './screen.module.css';

const PART_WORDS: Record<LagPart, string> = {
  capture: 'Capture',
  processing: 'Processing',
  smoothing: 'Smoothing',
  link: 'Link',
  chips: 'Chips',
};

const BAUDS = [115_200, 230_400, 460_800, 500_000, 921_600, 1_000_000, 2_000_000];

/** How far the lights are behind the picture, and what holds them up. */
export function LagSheet({ plan, prop }: { plan: Plan; prop: PropOf<'screen'> }) {
  const { shape } = prop;
  const [how, setHow] = useState({
    captureHz: 60,
    processingMs: 3,
    smoothingMs: 80,
    link: 'serial' as 'serial' | 'network',
    baud: 230_400,
    receivesWhileLit: true,
    wantedHz: 60,
  });
  const set = (change: Partial<typeof how>) => setHow({ ...how, ...change });
  const pixels = framePixels(shape) + shape.hiddenFirst;
  const pixelType = plan.show.pixelTypes.find(({ id }) => id === prop.pixelTypeId)!;
  if (pixels === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>No light yet: say what is behind the screen first.</p>
      </div>
    );
  const lag = lagOf({
    ...how,
    pixels,
    pixelType,
    link:
      how.link === 'serial'
        ? { kind: 'serial', baud: how.baud, receivesWhileLit: how.receivesWhileLit }
        : { kind: 'network', ms: 2 },
  });
  const capture = sufficientCapture(zonesOf(shape, USUAL_ZONES));
  const whole = (
    label: string,
    field: 'captureHz' | 'processingMs' | 'smoothingMs' | 'wantedHz',
    most: number,
  ) => (
    <WholeField
      label={label}
      what={label}
      least={field === 'processingMs' || field === 'smoothingMs' ? 0 : 1}
      most={most}
      value={how[field]}
      onCommit={(value) => set({ [field]: value })}
    />
  );
  return (
    <div className={sheets.sheet}>
      <h2>Lag and rate</h2>
      <p className={sheets.lead}>
        What happens on the screen waits for a captured picture, for the work on it, for smoothing, for the
        link and for the chips.
      </p>
      <div
        className={styles.lag}
        role="img"
        aria-label={LAG_PARTS.map((part) => `${PART_WORDS[part]} ${lag.parts[part].toFixed(1)} ms`).join(
          ', ',
        )}
      >
        {LAG_PARTS.map((part) => (
          <span key={part} data-part={part} style={{ flexGrow: lag.parts[part] }}>
            {PART_WORDS[part]} {lag.parts[part].toFixed(1)}
          </span>
        ))}
      </div>
      <Facts
        facts={[
          {
            name: 'Behind the picture',
            value: `${lag.totalMs.toFixed(0)} ms`,
            note: 'at worst; on average half a captured picture less',
          },
          {
            name: 'Pictures a second',
            value: lag.rateHz.toFixed(1),
            note: `held by: ${PART_WORDS[lag.bottleneck].toLowerCase()}`,
          },
          lag.change !== null && { name: 'Smallest change', value: lag.change },
          {
            name: 'Captured picture that suffices',
            value: `${groupDigits(capture.width)} × ${groupDigits(capture.height)}`,
            note: 'two of its pixels across each zone; a larger one costs time and shows nothing',
          },
        ]}
      />
      <div className={sheets.fields}>
        {whole('Wanted, pictures a second', 'wantedHz', 240)}
        {whole('Captured, pictures a second', 'captureHz', 240)}
        {whole('Processing, ms', 'processingMs', 1000)}
        {whole('Smoothing, ms', 'smoothingMs', 5000)}
        <SegmentedControl
          aria-label="The link to the lights"
          value={how.link}
          onChange={(link) => set({ link: link as typeof how.link })}
          data={[
            { value: 'serial', label: 'Serial line' },
            { value: 'network', label: 'Network' },
          ]}
        />
        {how.link === 'serial' && (
          <>
            <Select
              label="Baud"
              allowDeselect={false}
              value={String(how.baud)}
              data={BAUDS.map((baud) => ({ value: String(baud), label: groupDigits(baud) }))}
              onChange={(baud) => baud && set({ baud: Number(baud) })}
            />
            <Switch
              label="The board receives while it lights"
              description="Simple boards shut their ears while they clock out a picture"
              checked={how.receivesWhileLit}
              onChange={(event) => set({ receivesWhileLit: event.currentTarget.checked })}
            />
          </>
        )}
      </div>
    </div>
  );
}
