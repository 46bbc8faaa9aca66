'use client';

import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { portName, type Controller } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { Hint } from '@/ui/Panel';
import styles from './FoundGrid.module.css';

const COLUMNS = ['universe', 'channel', 'pixels', 'colour order'] as const;
type Row = Record<(typeof COLUMNS)[number], string>;
const NOTHING: Row = { universe: '', channel: '', pixels: '', 'colour order': '' };

interface FoundGridProps {
  plan: Plan;
  controller: Controller;
  /** Index of the controller in the plan's show. */
  index: number;
  /** Lines of cells with a heading, as a device would list them; ports of which nothing is said are left out. */
  onCompare: (rows: string[][]) => void;
}

/** A line for each port, empty until somebody looked: what is planned stands in grey, and becomes what was found only by a word of its own. */
export function FoundGrid({ plan, controller, index, onCompare }: FoundGridProps) {
  const planned = plannedRows(plan, controller, index);
  const [typed, setTyped] = useState<readonly Row[]>([]);
  const rows = planned.map((_, i) => typed[i] ?? NOTHING);
  const change = (line: number, row: Row) => setTyped(rows.map((each, i) => (i === line ? row : each)));
  const isEmpty = rows.every((row) => COLUMNS.every((column) => row[column].trim() === ''));

  /** Up, down and Enter go along a column, as in a spreadsheet. */
  const goAlong = (event: React.KeyboardEvent<HTMLInputElement>) => {
    const by = { ArrowUp: -1, ArrowDown: 1, Enter: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const { line, column } = event.currentTarget.dataset;
    const next = event.currentTarget
      .closest('table')!
      .querySelector<HTMLInputElement>(`input[data-line="${Number(line) + by}"][data-column="${column}"]`);
    next?.focus();
    next?.select();
  };

  return (
    <>
      <div className={styles.wrap}>
        <table className={styles.grid} aria-label={`What ${controller.name} lists`}>
          <thead>
            <tr>
              <th scope="col">port</th>
              {COLUMNS.map((column) => (
                <th key={column} scope="col">
                  {column === 'universe' && controller.protocol === 'artnet' ? 'port-address' : column}
                </th>
              ))}
              <th scope="col">looked at, and</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => {
              const name = portName(controller, i + 1);
              return (
                <tr key={name}>
                  <th scope="row" className="mono">
                    {name}
                  </th>
                  {COLUMNS.map((column) => (
                    <td key={column}>
                      <input
                        className="mono"
                        aria-label={`${name} ${column}`}
                        data-line={i}
                        data-column={column}
                        data-differs={row[column].trim() !== '' && row[column].trim() !== planned[i]![column]}
                        placeholder={planned[i]![column]}
                        data-text={column === 'colour order'}
                        value={row[column]}
                        onChange={(event) => change(i, { ...row, [column]: event.currentTarget.value })}
                        onKeyDown={goAlong}
                      />
                    </td>
                  ))}
                  <td className={styles.same}>
                    {COLUMNS.some((column) => planned[i]![column] !== '') && (
                      <button
                        type="button"
                        aria-label={`${name} is as planned`}
                        onClick={() => change(i, planned[i]!)}
                      >
                        as planned
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Group mt="sm">
        <Button
          disabled={isEmpty}
          onClick={() =>
            onCompare([
              ['port', ...COLUMNS],
              ...rows.flatMap((row, i) => {
                const cells = COLUMNS.map((column) => row[column].trim());
                return cells.some((cell) => cell !== '') ? [[String(i + 1), ...cells]] : [];
              }),
            ])
          }
        >
          Compare
        </Button>
        <Button variant="default" onClick={() => setTyped(planned)}>
          I looked at all of it: as planned
        </Button>
        {isEmpty && <Hint>Type what it lists first.</Hint>}
      </Group>
    </>
  );
}

/** A row for every port of the controller; one with nothing on it is empty. */
function plannedRows(plan: Plan, { ports }: Controller, index: number): Row[] {
  const settings = new Map(deviceSettings(plan, index).ports.map((port) => [port.port, port]));
  return Array.from({ length: ports }, (_, i): Row => {
    const port = settings.get(i + 1);
    if (!port) return NOTHING;
    return {
      universe: port.universe === null ? '' : String(port.universe),
      channel: port.universe === null ? '' : String(port.channel),
      pixels: String(port.pixels),
      'colour order': port.colourOrder.includes('+') ? '' : port.colourOrder,
    };
  });
}
