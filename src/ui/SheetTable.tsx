'use client';

import { Button } from '@mantine/core';
import { useClipboard } from '@mantine/hooks';
import { IconCheck, IconCopy } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { groupDigits } from '@/core/units/number';
import styles from './SheetTable.module.css';

export interface SheetColumn<Row> {
  head: string;
  /** Below the head, in smaller type: a unit, or from where it is measured. */
  unit?: string;
  numeric?: boolean;
  cell: (row: Row, index: number) => ReactNode;
  /** What is copied where the cell is more than text; columns that have neither are left out of the copy. */
  text?: (row: Row, index: number) => string;
}

interface SheetTableProps<Row> {
  label: string;
  columns: readonly SheetColumn<Row>[];
  rows: readonly Row[];
  rowKey: (row: Row, index: number) => string | number;
  chosen?: (row: Row) => boolean;
  onChoose?: (row: Row) => void;
  /** More rows than this are counted, not drawn; the copy holds all of them. */
  mostRows?: number;
  testId?: string;
}

/** A table to read beside the work: figures in columns, the head stays, and all of it can be copied into a spreadsheet. */
export function SheetTable<Row>({
  label,
  columns,
  rows,
  rowKey,
  chosen,
  onChoose,
  mostRows = 600,
  testId,
}: SheetTableProps<Row>) {
  const copied = columns.filter((column) => column.text);
  const asText = () =>
    [
      copied.map((column) => (column.unit ? `${column.head} (${column.unit})` : column.head)),
      ...rows.map((row, i) => copied.map((column) => column.text!(row, i))),
    ]
      .map((cells) => cells.join('\t'))
      .join('\n');
  return (
    <div>
      <div className={styles.wrap}>
        <table className={styles.table} aria-label={label} data-testid={testId}>
          <thead>
            <tr>
              {columns.map((column) => (
                <th key={`${column.head} ${column.unit}`} data-numeric={column.numeric} scope="col">
                  {column.head}
                  {column.unit && <span className={styles.unit}>{column.unit}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, mostRows).map((row, i) => (
              <tr
                key={rowKey(row, i)}
                data-chosen={chosen?.(row)}
                data-button={onChoose !== undefined}
                onClick={onChoose && (() => onChoose(row))}
              >
                {columns.map((column) => (
                  <td key={`${column.head} ${column.unit}`} data-numeric={column.numeric}>
                    {column.cell(row, i)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {(rows.length > mostRows || copied.length > 0) && rows.length > 0 && (
        <div className={styles.foot}>
          {copied.length > 0 && <CopyRows text={asText} />}
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

/** The text is made when it is asked for: it may be long. */
function CopyRows({ text }: { text: () => string }) {
  const clipboard = useClipboard({ timeout: 1500 });
  return (
    <Button
      size="compact-sm"
      variant="default"
      leftSection={clipboard.copied ? <IconCheck size={14} /> : <IconCopy size={14} />}
      onClick={() => clipboard.copy(text())}
    >
      {clipboard.copied ? 'Copied' : 'Copy the table'}
    </Button>
  );
}
