import { CloseButton } from '@mantine/core';
import type { Plan } from '@/core/plan/planned';
import { sentenceOf, type Fault } from '@/core/rig/faults/registry';
import styles from './liveTest.module.css';

/** Faults that are set, each with a way to mend it. */
export function FaultList({
  plan,
  faults,
  label,
  onChange,
}: {
  plan: Plan;
  faults: readonly Fault[];
  label: string;
  onChange: (faults: readonly Fault[]) => void;
}) {
  return (
    <ul className={styles.faults} aria-label={label}>
      {faults.map((fault, i) => (
        <li key={JSON.stringify(fault)}>
          <span>{sentenceOf(plan, fault)}</span>
          <CloseButton
            size="sm"
            aria-label={`Mend it: ${sentenceOf(plan, fault)}`}
            onClick={() => onChange(faults.filter((_, at) => at !== i))}
          />
        </li>
      ))}
    </ul>
  );
}
