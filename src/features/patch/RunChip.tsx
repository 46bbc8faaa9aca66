'use client';

import { useDraggable } from '@dnd-kit/core';
import { type CSSProperties } from 'react';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { useGoTo } from '../view/useView';
import styles from './patch.module.css';
import { runName } from '@/core/plan/runName';
import { propAt, runAt } from '@/core/plan/records';

/** A run that can be dragged to another port. */
export function RunChip({
  plan,
  run,
  chosen,
  wide,
}: {
  plan: Plan;
  run: number;
  chosen: boolean;
  wide?: boolean;
}) {
  const goTo = useGoTo();
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: run });
  const { prop, number, pixelCount } = runAt(plan, run);
  const name = runName(plan, run);
  return (
    <button
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      type="button"
      className={styles.chip}
      style={chipColour(prop)}
      data-wide={wide}
      data-chosen={chosen}
      data-dragging={isDragging}
      title={`${name}, ${countOf(pixelCount, 'pixel')}`}
      onClick={() => goTo({ subject: { kind: 'prop', propId: propAt(plan, prop).id, run: number } })}
    >
      <span className={styles.chipName}>{name}</span>
    </button>
  );
}

export function chipColour(prop: number): CSSProperties {
  return { '--chip': `var(--run-${(prop % 6) + 1})` } as CSSProperties;
}
