'use client';

import { UnstyledButton } from '@mantine/core';
import type { PanelType } from '@/core/panels/panelType';
import styles from './wall.module.css';

type Side = PanelType['dataInAtBack'];

const SIDES: readonly Side[] = ['left', 'right'];

interface SocketPickerProps {
  value: Side;
  /** Whether somebody has looked at the back of a panel; until then it is a guess. */
  isSeen: boolean;
  onChange: (side: Side) => void;
}

/** Side at which data enters a panel, chosen by a picture of its back: chains and turns depend on it. */
export function SocketPicker({ value, isSeen, onChange }: SocketPickerProps) {
  return (
    <div className={styles.sockets} data-asking={!isSeen} role="radiogroup" aria-label="Data socket">
      <p>
        {isSeen ? (
          'Data socket, seen from the back with the printed arrow up'
        ) : (
          <>
            <b>Turn a panel over, its printed arrow up. At which side is the socket marked IN?</b> Every chain
            and every turn follows from it.
          </>
        )}
      </p>
      <div
        onKeyDown={(event) => {
          const next = { ArrowLeft: 0, ArrowRight: 1 }[event.key];
          if (next === undefined) return;
          event.preventDefault();
          event.currentTarget.querySelectorAll('button')[next]?.focus();
        }}
      >
        {SIDES.map((side) => (
          <UnstyledButton
            key={side}
            role="radio"
            aria-checked={isSeen && value === side}
            data-chosen={value === side}
            onClick={() => onChange(side)}
          >
            <PanelBack side={side} />
            IN at the {side}
            {!isSeen && side === 'left' && <small>the usual one</small>}
          </UnstyledButton>
        ))}
      </div>
    </div>
  );
}

/** The back of a panel: its arrow, its power lug in the middle, and two sockets of which one is the input. */
function PanelBack({ side }: { side: Side }) {
  const [x, other] = side === 'left' ? [16, 84] : [84, 16];
  return (
    <svg viewBox="0 0 100 60" aria-hidden>
      <rect x="1" y="1" width="98" height="58" rx="3" data-part="board" />
      <path d="M50 20V8M45 13l5-5 5 5" data-part="arrow" />
      <rect x="42" y="34" width="16" height="9" rx="1" data-part="lug" />
      <rect x={x - 5} y="17" width="10" height="26" rx="1" data-part="in" />
      <rect x={other - 5} y="17" width="10" height="26" rx="1" data-part="out" />
      <text x={x} y="53" data-part="in">
        IN
      </text>
      <text x={other} y="53">
        OUT
      </text>
    </svg>
  );
}
