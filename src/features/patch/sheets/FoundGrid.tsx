'use client';

import { Button } from '@mantine/core';
import { useState } from 'react';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { portName, type Controller } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import styles from './FoundGrid.module.css';

const COLUMNS = ['universe', 'channel', 'pixels', 'colour order'] as const;
type Row = Record<(typeof COLUMNS)[number], string>;

interface FoundGridProps {
  plan: Plan;
  controller: Controller;
  /** Index of the controller in the plan's show. */
  index: number;
  /** Lines of cells with a heading, as a device would list them; ports of which nothing is said are left out. */
  onCompare: (rows: string[][]) => void;
}

/** A line for each port, filled with the plan: only what differs on the device has to be typed. */
export function FoundGrid({ plan, controller, index, onCompare }: FoundGridProps) {
  const planned = plannedRows(plan, controller, index);
  const [typed, setTyped] = useState<readonly Partial<Row>[]>([]);
  const rows = planned.map((row, i) => ({ ...row, ...typed[i] }));
  const type = (line: number, column: keyof Row, text: string) =>
    setTyped(planned.map((_, i) => (i === line ? { ...typed[i], [column]: text } : (typed[i] ?? {}))));

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
                  {column}
                </th>
              ))}
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
                        data-differs={row[column].trim() !== planned[i]![column]}
                        data-text={column === 'colour order'}
                        value={row[column]}
                        onChange={(event) => type(i, column, event.currentTarget.value)}
                        onKeyDown={goAlong}
                      />
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Button
        mt="sm"
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
    </>
  );
}

/** A row for every port of the controller; one with nothing on it is empty. */
function plannedRows(plan: Plan, { ports }: Controller, index: number): Row[] {
  const settings = new Map(deviceSettings(plan, index).ports.map((port) => [port.port, port]));
  return Array.from({ length: ports }, (_, i): Row => {
    const port = settings.get(i + 1);
    if (!port) return { universe: '', channel: '', pixels: '', 'colour order': '' };
    return {
      universe: port.universe === null ? '' : String(port.universe),
      channel: port.universe === null ? '' : String(port.channel),
      pixels: String(port.pixels),
      'colour order': port.colourOrder.includes('+') ? '' : port.colourOrder,
    };
  });
}
