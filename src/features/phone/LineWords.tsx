import { patternById } from '@/core/patterns/registry';
import type { BenchState } from '@/core/rig/benchState';
import { countOf } from '@/core/units/number';
import { SAVING_WORDS } from '../show/savingWords';
import { useShow } from '../show/ShowProvider';
import styles from './phone.module.css';
import { useHeldTest } from './useHeldTest';

/** Whether the laptop is heard, what waits for it, and what is being sent. */
export function LineWords({ sending }: { sending: BenchState['sending'] }) {
  const saving = useShow((state) => state.saving);
  const isHeard = useShow((state) => state.isHeard);
  const waiting = useShow((state) => state.notes.waiting.length);
  const isKept = useShow((state) => state.notes.isKept);
  const serverTrouble = useShow((state) => state.trouble);
  const trouble = useHeldTest((state) => state.trouble);
  const isLost = !isHeard || saving === 'unreachable';
  const line =
    saving === 'clash' || saving === 'removed'
      ? SAVING_WORDS[saving]
      : isLost
        ? `The laptop is not heard. ${
            waiting > 0
              ? `${countOf(waiting, 'note')} ${waiting === 1 ? 'waits' : 'wait'} and ${waiting === 1 ? 'is' : 'are'} sent when it is${isKept ? '' : ': keep this page open'}.`
              : 'What you tick or type waits, and is sent when it is.'
          }${serverTrouble ? ` ${serverTrouble}` : ''}`
        : SAVING_WORDS[saving];
  const lights =
    sending &&
    `${patternById(sending.test.pattern)?.name ?? 'A test'} goes to the ${sending.wish.to === 'rig' ? 'simulator' : 'devices'}, ${Math.ceil(sending.leftMs / 60_000)} min at most`;
  return (
    <p className={styles.line} role="status" data-state={isLost ? 'unreachable' : saving}>
      <span>{line}</span>
      {lights && <span className={styles.lights}>{lights}</span>}
      {trouble !== null && <strong role="alert">{trouble}</strong>}
    </p>
  );
}
