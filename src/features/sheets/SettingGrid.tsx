import type { KeyboardEvent, ReactNode } from 'react';
import type { Controller } from '@/core/catalogue/controller';
import { rowKey, rowName, type RowId } from '@/core/devices/portRows';
import type { AnyPortHeld, DeviceSettings } from '@/core/devices/settings/registry';
import { HELD_BY_PORT } from '@/core/devices/settings/registry';
import { settingWords } from '@/core/devices/settings/typed';
import styles from './SettingGrid.module.css';

interface SettingGridProps {
  label: string;
  controller: Controller;
  /** Ports, or parts of them, that have a line. */
  rows: readonly GridRow[];
  settings: readonly AnyPortHeld[];
  /** @param name what the field is called: `A3 start channel` */
  cell: (row: GridRow, setting: AnyPortHeld, name: string) => ReactNode;
  /** A last column of something else. */
  last: { head: string; cell: (row: GridRow, name: string) => ReactNode };
}

/** A line of the grid: a port, or a part of one. */
export type GridRow = RowId & { parts?: number; isTile?: boolean };

/** The settings that ports of a device have by what feeds it. */
export function settingsOfUse({ ports }: DeviceSettings): AnyPortHeld[] {
  return HELD_BY_PORT.filter(({ field }) => ports.length === 0 || ports.some((port) => port[field] !== null));
}

/** The settings of the ports of a device, a line for each port. */
export function SettingGrid({ label, controller, rows, settings, cell, last }: SettingGridProps) {
  return (
    <div className={styles.wrap}>
      <table className={styles.grid} aria-label={label} onKeyDown={goAlong}>
        <thead>
          <tr>
            <th scope="col">port</th>
            {settings.map((setting) => (
              <th key={setting.field} scope="col">
                {settingWords(setting, controller)}
              </th>
            ))}
            <th scope="col">{last.head}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const name = rowName(controller, row);
            return (
              <tr key={rowKey(row)}>
                <th scope="row" className="mono">
                  {name}
                </th>
                {settings.map((setting) => (
                  <td key={setting.field}>
                    {cell(row, setting, `${name} ${settingWords(setting, controller)}`)}
                  </td>
                ))}
                <td className={styles.last}>{last.cell(row, name)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** Up, down and Enter go along a column, as in a spreadsheet. */
function goAlong(event: KeyboardEvent<HTMLTableElement>) {
  const by = { ArrowUp: -1, ArrowDown: 1, Enter: 1 }[event.key];
  const { target } = event;
  // In a list that opens they go through its entries.
  if (by === undefined || !(target instanceof HTMLInputElement) || target.ariaHasPopup) return;
  const place = target.closest('td');
  const row = target.closest('tr');
  const rows = row?.parentElement?.children;
  if (!place || !row || !rows) return;
  const next = rows[[...rows].indexOf(row) + by];
  const input = next?.children[place.cellIndex]?.querySelector('input');
  event.preventDefault();
  input?.focus();
  input?.select();
}
