import { Button } from '@mantine/core';
import styles from './sheets.module.css';

/** Beside one of several ways: it is in use, or it can be taken. */
export function UseThis({ inUse, onUse }: { inUse: boolean; onUse: () => void }) {
  if (inUse) return <b className={styles.inUse}>in use</b>;
  return (
    <Button size="compact-xs" variant="default" onClick={onUse}>
      Use this
    </Button>
  );
}
