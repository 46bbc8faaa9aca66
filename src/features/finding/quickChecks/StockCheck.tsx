import { Button, Group, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { nextLabel, stockNote, stockOf, type StockValue } from '@/core/diagnose/help/stock';
import { ordersOf } from '@/core/diagnose/help/colourOrderOf';
import { countOf } from '@/core/units/number';
import { MaybeWholeField } from '@/ui/fields/fields';
import { useNote, useShow } from '../../show/ShowProvider';
import { useSeenBy } from '../useSeenBy';
import { QuickCheck } from './QuickCheck';
import styles from './quickChecks.module.css';

const ALL_ORDERS = [...ordersOf('BGR'), ...ordersOf('BGRW')];

/** Strings and panels that belong to no prop yet: tested, labelled and kept. */
export function StockCheck() {
  const facts = useShow((state) => state.facts);
  const showId = useShow((state) => state.id);
  const note = useNote();
  const [by] = useSeenBy();
  const [what, setWhat] = useState<StockValue['what']>('string');
  const [lights, setLights] = useState<number | null>(null);
  const [order, setOrder] = useState<string | null>(null);
  const [remarks, setRemarks] = useState('');
  const stock = stockOf(facts);
  const label = nextLabel(stock);
  return (
    <QuickCheck
      title="Into stock"
      says="A string or a panel of no prop: find its order and its count with the helps on this sheet, write the label on it, and keep what you found."
    >
      <div className={styles.row}>
        <Select
          label="It is"
          allowDeselect={false}
          data={[
            { value: 'string', label: 'A string' },
            { value: 'panel', label: 'A panel' },
          ]}
          value={what}
          onChange={(value) => value && setWhat(value)}
        />
        <MaybeWholeField
          label="Lights that work"
          what="The lights"
          least={0}
          most={100_000}
          value={lights}
          onCommit={setLights}
        />
        <Select
          label="Its colour order"
          placeholder="not looked at"
          searchable
          clearable
          data={ALL_ORDERS}
          value={order}
          onChange={setOrder}
        />
      </div>
      <TextInput
        label="Remarks"
        placeholder="plug, colour of its wires, a light that is dark"
        maxLength={300}
        value={remarks}
        onChange={(event) => setRemarks(event.currentTarget.value)}
      />
      <Group>
        <Button
          disabled={lights === null}
          onClick={() => {
            note(
              stockNote(
                showId,
                label,
                { what, lights: lights!, order: order ?? '', remarks: remarks.trim() },
                by.trim() || undefined,
              ),
            );
            setLights(null);
            setRemarks('');
          }}
        >
          Keep it as {label}
        </Button>
      </Group>
      {stock.length > 0 && (
        <ul className={styles.list} aria-label="In stock">
          {stock.map((piece) => (
            <li key={piece.label}>
              <b className="mono">{piece.label}</b> {piece.what}, {countOf(piece.lights, 'light')}
              {piece.order ? `, ${piece.order}` : ''}
              {piece.remarks ? `, ${piece.remarks}` : ''}{' '}
              <Button
                size="compact-sm"
                variant="subtle"
                color="gray"
                aria-label={`Take ${piece.label} out of stock`}
                onClick={() => note(stockNote(showId, piece.label, null))}
              >
                Take out
              </Button>
            </li>
          ))}
        </ul>
      )}
    </QuickCheck>
  );
}
