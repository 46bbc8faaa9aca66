import { Button, Group, NumberInput, Select } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { LinkWish } from '@/core/screens/linkWish';
import { Hint } from '@/ui/Panel';
import sheets from '../sheets/sheets.module.css';
import styles from './screen.module.css';

const FILM_HZ = [30, 60, 120, 240];
/** Flashes come once a second, and never more than twice: faster ones can make people ill. */
const FLASH_EVERY_MS = 1000;
const FLASH_MS = 120;

/** A lag that is filmed: how many pictures of the film the lights come after the screen. */
export function FilmedLag({
  measured,
  onTake,
  onForget,
}: {
  measured: LinkWish['measured'];
  onTake: (behindMs: number) => void;
  onForget: () => void;
}) {
  const [pictures, setPictures] = useState<number | ''>('');
  const [filmHz, setFilmHz] = useState(240);
  const [isFlashing, setIsFlashing] = useState(false);
  const ms = pictures === '' ? null : (1000 * pictures) / filmHz;
  return (
    <>
      <h3>Film it</h3>
      <p className={sheets.lead}>
        Show the flash on the screen, film screen and wall together in slow motion, and count the pictures of
        the film from the one to the other. What is filmed takes the place of what is assumed.
      </p>
      <Group align="end" gap={12}>
        <Button variant="default" onClick={() => setIsFlashing(true)}>
          Flash this window
        </Button>
        <NumberInput
          label="Pictures between"
          description="below 0 where the lights come first"
          min={-500}
          max={500}
          clampBehavior="strict"
          allowDecimal={false}
          value={pictures}
          onChange={(value) => setPictures(typeof value === 'number' ? value : '')}
        />
        <Select
          label="The film has"
          allowDeselect={false}
          value={String(filmHz)}
          data={FILM_HZ.map((hz) => ({ value: String(hz), label: `${hz} a second` }))}
          onChange={(value) => value && setFilmHz(Number(value))}
        />
        <Button
          disabled={ms === null}
          onClick={() => {
            if (ms === null) return;
            onTake(ms);
            setPictures('');
          }}
        >
          {ms === null ? 'Take it' : `Take ${ms.toFixed(0)} ms`}
        </Button>
        {measured && (
          <Button variant="subtle" color="gray" onClick={onForget}>
            Forget the filmed {measured.behindMs.toFixed(0)} ms
          </Button>
        )}
      </Group>
      <Hint>
        One flash a second. Nobody who is made ill by flashing light should be in the room; any key ends it.
      </Hint>
      {isFlashing && <Flash onEnd={() => setIsFlashing(false)} />}
    </>
  );
}

function Flash({ onEnd }: { onEnd: () => void }) {
  const [isLit, setIsLit] = useState(false);
  useEffect(() => {
    let dark: ReturnType<typeof setTimeout>;
    const timer = setInterval(() => {
      setIsLit(true);
      dark = setTimeout(() => setIsLit(false), FLASH_MS);
    }, FLASH_EVERY_MS);
    const onKey = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopImmediatePropagation();
      onEnd();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => {
      clearInterval(timer);
      clearTimeout(dark);
      window.removeEventListener('keydown', onKey, { capture: true });
    };
  }, [onEnd]);
  return (
    <div
      className={styles.flash}
      data-lit={isLit}
      data-testid="flash"
      role="img"
      aria-label="One flash a second; press or touch to end it"
      onPointerDown={onEnd}
    >
      {!isLit && <span>Press any key to end it</span>}
    </div>
  );
}
