import { Select } from '@mantine/core';
import { useState } from 'react';
import { colourOrderOf, ordersOf } from '@/core/diagnose/help/colourOrderOf';
import { colourPlan } from '@/core/devices/colourOrders';
import type { Plan } from '@/core/plan/planned';
import { HelpAnswer, QuickCheck } from './QuickCheck';
import styles from './quickChecks.module.css';

const NAMES: Record<string, string> = { R: 'Red', G: 'Green', B: 'Blue', W: 'White' };
const SEEN = [
  ...Object.entries(NAMES).map(([value, label]) => ({ value, label })),
  { value: 'dark', label: 'Dark' },
  { value: 'RG', label: 'Two at once' },
];
const ALL_ORDERS = [...ordersOf('BGR'), ...ordersOf('BGRW')];

/** The order that is planned at the device for the first run of a prop. */
function plannedOrder(plan: Plan, prop: number | null): string {
  const run = prop === null ? -1 : plan.runs.findIndex((each) => each.prop === prop && each.wire !== null);
  return run === -1 ? 'RGB' : colourPlan(plan, run).controller;
}

/** The colour order from three or four fills. */
export function OrderCheck({ plan, prop }: { plan: Plan; prop: number | null }) {
  const [setting, setSetting] = useState(() => plannedOrder(plan, prop));
  const [seen, setSeen] = useState<Readonly<Record<string, string>>>({});
  const letters = [...setting].sort((a, b) => 'RGBW'.indexOf(a) - 'RGBW'.indexOf(b));
  const told = Object.fromEntries(
    Object.entries(seen)
      .filter(([letter]) => letters.includes(letter))
      .map(([letter, lit]) => [letter, lit === 'dark' ? '' : lit]),
  );
  const answer = Object.keys(told).length === 0 ? null : colourOrderOf(setting, told);
  return (
    <QuickCheck
      title="Colour order from fills"
      says="Send red, green and blue alone, and white where the chips have it. Judge by one light, not by a rainbow."
    >
      <Select
        label="The order that is set now"
        searchable
        allowDeselect={false}
        data={ALL_ORDERS}
        value={setting}
        onChange={(value) => value && setSetting(value)}
      />
      <div className={styles.row}>
        {letters.map((letter) => (
          <Select
            key={letter}
            label={`${NAMES[letter]} is sent`}
            placeholder="I see…"
            data={SEEN}
            value={seen[letter] ?? null}
            onChange={(value) =>
              setSeen(({ [letter]: _, ...others }) =>
                value === null ? others : { ...others, [letter]: value },
              )
            }
          />
        ))}
      </div>
      {answer && (
        <HelpAnswer>
          {'problem' in answer ? (
            <p>{answer.problem.charAt(0).toUpperCase() + answer.problem.slice(1)}</p>
          ) : answer.found.isRight ? (
            <p>{setting} is right: nothing is to be changed.</p>
          ) : (
            <p>
              The chips take <b className="mono">{answer.found.chip}</b>: set {answer.found.set} where{' '}
              {setting} is set now, at that one end.
            </p>
          )}
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
