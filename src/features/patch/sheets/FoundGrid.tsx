'use client';

import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import { portName, type Controller } from '@/core/catalogue/controller';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { colourPlan } from '@/core/devices/colourOrders';
import type { Counting, FoundSettings } from '@/core/devices/found';
import type { PortSettings } from '@/core/devices/settings';
import type { Plan } from '@/core/plan/planned';
import { portsOfController } from '@/core/plan/planIndex';
import { Hint } from '@/ui/Panel';
import styles from './FoundGrid.module.css';

/** Columns of the grid, by the heads under which they are read again. */
type Column = 'universe' | 'channel' | 'start over the device' | 'pixels' | 'hidden pixels' | 'colour order';
type Row = Partial<Record<Column, string>>;

/** How the starts of ports stand on the screen that is read. */
export type StartsBy = 'universe' | 'device';

interface FoundGridProps {
  plan: Plan;
  controller: Controller;
  /** Index of the controller in the plan's show. */
  index: number;
  where: FoundSettings['where'];
  startsBy: StartsBy;
  counting: Counting;
  /** Lines of cells with a heading, as a device would list them; ports of which nothing is said are left out. */
  onCompare: (rows: string[][]) => void;
  /** Something of the device as a whole was said, so that there is something to compare without any port. */
  saidMore: boolean;
}

/** A line for each port, empty until somebody looked: what is planned stands in grey, and becomes what was found only by a word of its own. */
export function FoundGrid(props: FoundGridProps) {
  const { plan, controller, index, startsBy, onCompare, saidMore } = props;
  const planned = plannedRows(props);
  const hasHidden = deviceSettings(plan, index).ports.some((port) => port.hiddenPixels > 0);
  const columns: Column[] = [
    ...(controller.protocol === 'ddp'
      ? []
      : startsBy === 'device'
        ? (['start over the device'] as const)
        : (['universe', 'channel'] as const)),
    'pixels',
    ...(hasHidden ? (['hidden pixels'] as const) : []),
    'colour order',
  ];
  const [typed, setTyped] = useState<readonly Row[]>([]);
  const rows = planned.map((_, i) => typed[i] ?? {});
  const cell = (row: Row, column: Column) => row[column]?.trim() ?? '';
  const change = (line: number, row: Row) => setTyped(rows.map((each, i) => (i === line ? row : each)));
  const isEmpty = !saidMore && rows.every((row) => columns.every((column) => cell(row, column) === ''));

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
              {columns.map((column) => (
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
                  {columns.map((column) => (
                    <td key={column}>
                      <input
                        className="mono"
                        aria-label={`${name} ${column}`}
                        data-line={i}
                        data-column={column}
                        data-differs={
                          cell(row, column) !== '' && cell(row, column) !== cell(planned[i]!, column)
                        }
                        placeholder={cell(planned[i]!, column)}
                        data-text={column === 'colour order'}
                        value={row[column] ?? ''}
                        onChange={(event) => change(i, { ...row, [column]: event.currentTarget.value })}
                        onKeyDown={goAlong}
                      />
                    </td>
                  ))}
                  <td className={styles.same}>
                    {columns.some((column) => cell(planned[i]!, column) !== '') && (
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
              ['port', ...columns],
              ...rows.flatMap((row, i) => {
                const cells = columns.map((column) => cell(row, column));
                return cells.some((each) => each !== '') ? [[String(i + 1), ...cells]] : [];
              }),
            ])
          }
        >
          Compare
        </Button>
        <Button variant="default" onClick={() => setTyped(planned)}>
          I looked at all ports: as planned
        </Button>
        {isEmpty && <Hint>Type what it lists first.</Hint>}
      </Group>
    </>
  );
}

/** A row for every port of the controller, in the numbers of the screen that is read; one with nothing on it is empty. */
function plannedRows({ plan, controller, index, where, counting }: FoundGridProps): Row[] {
  const settings = new Map(deviceSettings(plan, index).ports.map((port) => [port.port, port]));
  const runsOf = new Map(portsOfController(plan, index).map((port) => [port.port, port.runs]));
  const orderOf = (port: PortSettings) => {
    if (where === 'controller') return port.colourOrder;
    return [...new Set(runsOf.get(port.port)!.map((run) => colourPlan(plan, run).sender))].join(' + ');
  };
  const told = (value: number | null, more: number) => (value === null ? '' : String(value + more));
  const lower = counting.channelsFrom === 0 ? -1 : 0;
  return Array.from({ length: controller.ports }, (_, i): Row => {
    const port = settings.get(i + 1);
    if (!port) return {};
    const order = orderOf(port);
    return {
      universe: told(port.universe, counting.universesShifted ?? 0),
      channel: told(port.channel, lower),
      'start over the device': told(port.deviceChannel, lower),
      pixels: String(port.pixels + (counting.hiddenCounted ? port.hiddenPixels : 0)),
      'hidden pixels': String(port.hiddenPixels),
      'colour order': order.includes('+') ? '' : order,
    };
  });
}
