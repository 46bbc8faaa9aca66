import { SegmentedControl, Slider } from '@mantine/core';
import { coloursOf } from '@/core/catalogue/electric';
import { LIGHTS, type Light } from '@/core/power/shown';
import styles from './power.module.css';
import { showLight, showPercent, useShown } from './useShown';

const LIGHT_WORDS: Record<Light, string> = {
  white: 'White',
  R: 'Red',
  G: 'Green',
  B: 'Blue',
  W: 'White light',
};

/** Light of all pixels, and its level. */
export function ShownTools({ colourOrder = 'RGB' }: { colourOrder?: string }) {
  const { shown, percent } = useShown();
  const has: readonly string[] = coloursOf({ colourOrder });
  return (
    <>
      <SegmentedControl
        size="xs"
        aria-label="What is shown"
        value={shown.light}
        onChange={(light) => showLight(light)}
        data={LIGHTS.filter((light) => light === 'white' || has.includes(light)).map((light) => ({
          value: light,
          label: LIGHT_WORDS[light],
        }))}
      />
      <div className={styles.level}>
        <span id="feed-level">Level</span>
        <Slider
          aria-labelledby="feed-level"
          thumbLabel="Level in percent"
          className={styles.slider}
          min={0}
          max={100}
          label={null}
          value={percent}
          onChange={showPercent}
        />
        <output className="mono">{percent} %</output>
      </div>
    </>
  );
}
