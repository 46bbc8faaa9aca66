'use client';

import { Switch } from '@mantine/core';
import type { PropOf } from '@/core/props/registry';
import { sourcePath } from '@/core/screens/sourcePath';
import { USUAL_SOURCES, type SourceWish } from '@/core/screens/sourceWish';
import { WholeField } from '@/ui/fields/fields';
import sheets from '../sheets/sheets.module.css';
import styles from './screen.module.css';
import { StillSection } from './StillSection';
import { useSetScreen } from './useSetScreen';

const SWITCHES: readonly [field: keyof SourceWish, label: string][] = [
  ['isProtected', 'Copy-protected films are watched'],
  ['isLarge', '4K, or more than 60 pictures a second'],
  ['isHdr', 'HDR'],
  ['usesBuiltIn', 'Programs built into the screen'],
  ['usesRemote', 'One remote switches all'],
  ['capturePassesOn', 'The capture device passes the picture on'],
];

/** The way to the picture: devices, cable by cable, and tests before anything is glued. */
export function SourceSheet({ prop }: { prop: PropOf<'screen'> }) {
  const set = useSetScreen(prop.id, prop.shape);
  const wish = prop.shape.source ?? USUAL_SOURCES;
  const setWish = (source: SourceWish) => set({ source });
  const { parts, cables, losses, tests } = sourcePath(wish);
  return (
    <div className={sheets.sheet}>
      <h2>What feeds it</h2>
      <p className={sheets.lead}>
        The picture has to reach the capture as well as the screen. Say what is there; try every stage on the
        table before anything is glued.
      </p>
      <div className={styles.beside}>
        <div className={styles.wishes}>
          <WholeField
            label="Sources: players, boxes, consoles"
            what="The number of sources"
            least={1}
            most={8}
            value={wish.sources}
            onCommit={(sources) => setWish({ ...wish, sources })}
          />
          {SWITCHES.map(([field, label]) => (
            <Switch
              key={field}
              label={label}
              checked={wish[field] as boolean}
              onChange={(event) => setWish({ ...wish, [field]: event.currentTarget.checked })}
            />
          ))}
        </div>
        <div>
          <h3>What it takes</h3>
          <ul className={styles.plain}>
            {parts.map(({ name, why }) => (
              <li key={name}>
                <b>{name}</b>: {why}.
              </li>
            ))}
          </ul>
          <h3>Cable by cable</h3>
          <ol className={styles.plain} aria-label="Cable by cable">
            {cables.map(({ from, to }) => (
              <li key={`${from} ${to}`}>
                {from} → {to}
              </li>
            ))}
          </ol>
          {losses.length > 0 && (
            <>
              <h3>What is lost, or cannot be had</h3>
              <ul className={styles.plain}>
                {losses.map((loss) => (
                  <li key={loss}>{loss}</li>
                ))}
              </ul>
            </>
          )}
        </div>
      </div>
      <h3>Tried on the table, one stage after the other</h3>
      <ol className={styles.plain} aria-label="Tried on the table">
        {tests.map(({ what, expect, otherwise }) => (
          <li key={what}>
            <b>{what}</b>: {expect}. If not: {otherwise}.
          </li>
        ))}
      </ol>
      <StillSection />
    </div>
  );
}
