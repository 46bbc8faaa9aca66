'use client';

import { Button } from '@mantine/core';
import { useClipboard } from '@mantine/hooks';
import { IconCheck, IconCopy } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { cellWords, fileRows, isExplained, type Cell, type Column, type Table } from '@/core/pages/table';
import { groupDigits } from '@/core/units/number';
import { Why } from './explain/Why';
import { useHandOut } from './handingOut';
import styles from './SheetTable.module.css';
import { useLengths } from './lengths';

/** A column on the screen alone: a picture, a button. It is no part of the table that is copied or printed. */
interface ScreenColumn<Row> {
  head: string;
  cell: (row: Row, index: number) => ReactNode;
}

interface SheetTableProps<Row> {
  table: Table<Row>;
  /** Before and after the columns of the table. */
  before?: ScreenColumn<Row>;
  after?: ScreenColumn<Row> | readonly ScreenColumn<Row>[];
  /** By id of a column what stands there in place of its words: a field, a button beside them. */
  fields?: Readonly<Record<string, (row: Row, index: number) => ReactNode>>;
  chosen?: (row: Row) => boolean;
  onChoose?: (row: Row) => void;
  /** More rows than this are counted, not drawn; the copy holds all of them. */
  mostRows?: number;
  testId?: string;
}

/** A table to read beside the work: figures in columns, the head stays, and all of it can be copied into a spreadsheet. */
export function SheetTable<Row>({
  table,
  before,
  after = [],
  fields = {},
  chosen,
  onChoose,
  mostRows = 600,
  testId,
}: SheetTableProps<Row>) {
  const handOut = useHandOut();
  const { columns, rows } = table;
  const lengths = useLengths();
  const last: readonly ScreenColumn<Row>[] = [after].flat();
  return (
    <div>
      <div className={styles.wrap}>
        <table className={styles.table} aria-label={table.name} data-testid={testId}>
          <thead>
            <tr>
              {before && <th scope="col">{before.head}</th>}
              {columns.map((column) => (
                <th key={column.id} data-as={column.as} scope="col" title={column.meaning}>
                  {column.head}
                  {column.unit && <span className={styles.unit}>{column.unit}</span>}
                </th>
              ))}
              {last.map((column) => (
                <th key={column.head} scope="col">
                  {column.head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, mostRows).map((row, i) => (
              <tr
                key={table.keyOf(row, i)}
                data-chosen={chosen?.(row)}
                data-button={onChoose !== undefined}
                onClick={onChoose && (() => onChoose(row))}
              >
                {before && <td>{before.cell(row, i)}</td>}
                {columns.map((column) => (
                  <td key={column.id} data-as={column.as} data-mood={moodOf(column, row, i)}>
                    {fields[column.id]?.(row, i) ?? <CellWords cell={column.of(row, i)} />}
                  </td>
                ))}
                {last.map((column) => (
                  <td key={column.head}>{column.cell(row, i)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {rows.length > 0 && (
        <div className={styles.foot}>
          <CopyRows
            text={() => [...fileRows(table, lengths)].map((cells) => cells.join('\t')).join('\n')}
            onCopied={() => {
              if (table.forDevices) handOut('copied', table.name);
            }}
          />
          {rows.length > mostRows && (
            <span>
              The first {groupDigits(mostRows)} of {groupDigits(rows.length)}; the copy holds all.
            </span>
          )}
        </div>
      )}
    </div>
  );
}

function moodOf<Row>(column: Column<Row>, row: Row, index: number): string | undefined {
  const cell = column.of(row, index);
  return cell !== null && typeof cell === 'object' && 'mood' in cell ? cell.mood : undefined;
}

function CellWords({ cell }: { cell: Cell }) {
  const lengths = useLengths();
  if (cell !== null && isExplained(cell)) return <Why of={cell} />;
  const { note, why } = cell !== null && typeof cell === 'object' ? cell : {};
  return (
    <>
      {why ? <Why of={why}>{cellWords(cell, lengths)}</Why> : cellWords(cell, lengths)}
      {note !== undefined && <span className={styles.note}>{note}</span>}
    </>
  );
}

/** The text is made when it is asked for: it may be long. */
function CopyRows({ text, onCopied }: { text: () => string; onCopied: () => void }) {
  const clipboard = useClipboard({ timeout: 1500 });
  return (
    <Button
      size="compact-sm"
      variant="default"
      leftSection={clipboard.copied ? <IconCheck size={14} /> : <IconCopy size={14} />}
      onClick={() => {
        clipboard.copy(text());
        onCopied();
      }}
    >
      {clipboard.copied ? 'Copied' : 'Copy the table'}
    </Button>
  );
}
