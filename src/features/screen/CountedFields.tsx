import { Button } from '@mantine/core';
import { backwards, withFit, type CountedFit } from '@/core/screens/backwards';
import { framePieces } from '@/core/screens/frame';
import { SCREEN_LIMITS, type EdgePiece, type ScreenShape } from '@/core/screens/shape';
import { MaybeWholeField, WholeField } from '@/ui/fields/fields';
import { Hint, Stack } from '@/ui/Panel';
import { Opening } from '../sheets/Opening';
import styles from './screen.module.css';
import type { ScreenChange } from './useSetScreen';

/** Pixels counted on the screen, and the strip and inset that fit. */
export function CountedFields({
  shape,
  set,
}: {
  shape: ScreenShape;
  set: (change: ScreenChange) => boolean;
}) {
  const setCount = (at: number, count: number, planned: number, name: string) => {
    if (shape.ownPieces)
      return set({
        ownPieces: shape.ownPieces.map(({ installed, ...piece }, i) =>
          i !== at
            ? { ...piece, ...(installed !== undefined && { installed }) }
            : { ...piece, ...(count !== planned && { installed: count }) },
        ),
      });
    const { [name as EdgePiece]: _, ...others } = shape.installed ?? {};
    const installed = count === planned ? others : { ...others, [name]: count };
    return set({ installed: Object.keys(installed).length === 0 ? undefined : installed });
  };
  return (
    <Opening words="Counts that were installed">
      <Stack>
        {framePieces(shape).map(({ name, words, planned, pixels }, i) => (
          <WholeField
            key={name}
            label={`${words}, planned ${planned}`}
            what="The number of pixels"
            least={0}
            most={SCREEN_LIMITS.mostCount}
            value={pixels}
            onCommit={(count) => setCount(i, count, planned, name)}
          />
        ))}
        <MaybeWholeField
          label="Counted on the whole wire, dark ones too"
          description="By the last pixel that answers; empty while nobody counted"
          what="The number on the wire"
          least={1}
          most={20_000}
          value={shape.countedOnWire ?? null}
          onCommit={(count) => set({ countedOnWire: count ?? undefined })}
        />
        <Fits shape={shape} set={set} />
      </Stack>
    </Opening>
  );
}

const inset = ({ leastInsetMm, mostInsetMm }: CountedFit) =>
  `${leastInsetMm.toFixed(1)} to ${mostInsetMm.toFixed(1)} mm inside`;

function Fits({ shape, set }: { shape: ScreenShape; set: (change: ScreenChange) => boolean }) {
  const back = backwards(shape);
  if (!back) return null;
  const { fits, disagree } = back;
  return (
    <div className={styles.fits}>
      {disagree && (
        <p role="alert" className={styles.problem}>
          {disagree}
        </p>
      )}
      {fits.length === 0 ? (
        <Hint>No strip that is sold fits these counts with one inset: measure the sides.</Hint>
      ) : (
        <>
          <Hint>These counts fit:</Hint>
          <ul className={styles.plain} aria-label="What the counts fit">
            {fits.slice(0, 3).map((fit) => (
              <li key={fit.pixelsPerMetre}>
                {fit.pixelsPerMetre} a metre, {inset(fit)}{' '}
                {(fit.pixelsPerMetre !== shape.pixelsPerMetre ||
                  shape.insetMm <= fit.leastInsetMm ||
                  shape.insetMm > fit.mostInsetMm) && (
                  <Button size="compact-xs" variant="default" onClick={() => set(withFit(shape, fit))}>
                    Take it
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
