import { wallOf } from '@/core/props/registry';
import { Checkbox, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import {
  LABEL_SCHEMES,
  labelIn,
  labelsOfWall,
  panelMends,
  type LabelScheme,
} from '@/core/diagnose/help/panelsSeen';
import type { Plan } from '@/core/plan/planned';
import { HelpAnswer, QuickCheck } from './QuickCheck';
import styles from './quickChecks.module.css';
import { valueIn } from '@/core/units/there';
import { propAt } from '@/core/plan/records';
import { pairOf } from '@/core/units/tuple';

interface Read {
  text: string;
  isUpsideDown: boolean;
}

/** Labels read on the panels of a wall, and the ribbon, output or panel to change. */
export function PanelsCheck({ plan, prop }: { plan: Plan; prop: number }) {
  const [scheme, setScheme] = useState<LabelScheme>('outputPlace');
  const [read, setRead] = useState<ReadonlyMap<string, Read>>(new Map());
  const laid = wallOf(propAt(plan, prop));
  if (!laid) return null;
  const { columns, rows } = laid.wall;
  const planned = labelsOfWall(laid);
  const mends = panelMends(
    laid,
    [...read].map(([place, { text, isUpsideDown }]) => {
      const [column, row] = pairOf(place.split(' ').map(Number));
      return {
        column,
        row,
        label:
          text.trim() === ''
            ? valueIn(planned, place)
            : labelIn(laid, columns, scheme, text === '-' ? '' : text),
        isUpsideDown,
      };
    }),
  );
  const set = (place: string, change: Partial<Read>) => {
    const next = new Map(read);
    const after = { text: '', isUpsideDown: false, ...read.get(place), ...change };
    if (after.text.trim() === '' && !after.isUpsideDown) next.delete(place);
    else next.set(place, after);
    setRead(next);
  };
  return (
    <QuickCheck
      title="Labels on panels"
      says="Send the panel labels, or start the device’s own. Type what each panel shows, as seen from the front; - where it is dark. What you leave empty is right."
    >
      <Select
        label="Whose labels are these?"
        allowDeselect={false}
        data={Object.entries(LABEL_SCHEMES).map(([value, label]) => ({ value, label }))}
        value={scheme}
        onChange={(value) => value && setScheme(value as LabelScheme)}
      />
      <div className={styles.panels} style={{ gridTemplateColumns: `repeat(${columns}, minmax(84px, 1fr))` }}>
        {Array.from({ length: rows * columns }, (_, i) => {
          const [column, row] = [i % columns, Math.floor(i / columns)];
          const place = `${column} ${row}`;
          if (!planned.has(place)) return <span key={place} />;
          return (
            <div key={place} className={styles.panel}>
              <TextInput
                size="xs"
                aria-label={`Label of the panel ${column + 1} across, ${row + 1} down`}
                placeholder={valueIn(planned, place)}
                value={read.get(place)?.text ?? ''}
                onChange={(event) => set(place, { text: event.currentTarget.value })}
              />
              <Checkbox
                size="xs"
                label="on its head"
                checked={read.get(place)?.isUpsideDown ?? false}
                onChange={(event) => set(place, { isUpsideDown: event.currentTarget.checked })}
              />
            </div>
          );
        })}
      </div>
      {read.size > 0 && (
        <HelpAnswer>
          {mends.length === 0 ? (
            <p>These are as planned.</p>
          ) : (
            <ul>
              {mends.map(({ words }) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          )}
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
