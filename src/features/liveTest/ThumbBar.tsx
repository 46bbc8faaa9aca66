import { Button } from '@mantine/core';
import styles from './liveTest.module.css';
import { stepBy } from '../sending/useTest';

/** On a phone: what a thumb needs on a ladder, always in reach. */
export function ThumbBar({ isStepped, onStop }: { isStepped: boolean; onStop: () => void }) {
  return (
    <div className={styles.thumb} role="group" aria-label="Step and stop">
      {isStepped && (
        <>
          <Button variant="default" onClick={() => stepBy(-1)}>
            One back
          </Button>
          <Button variant="default" onClick={() => stepBy(1)}>
            One on
          </Button>
        </>
      )}
      <Button color="red" onClick={onStop}>
        Stop
      </Button>
    </div>
  );
}
