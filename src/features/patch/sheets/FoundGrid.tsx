'use client';

import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import type { Controller } from '@/core/catalogue/controller';
import type { Counting } from '@/core/devices/counting';
import { deviceSettings } from '@/core/devices/deviceSettings';
import type { FoundSettings } from '@/core/devices/found';
import { basisOf } from '@/core/devices/settings/basis';
import type { AnyPortHeld, HeldPortField } from '@/core/devices/settings/registry';
import type { Plan } from '@/core/plan/planned';
import { Hint } from '@/ui/Panel';
import { SettingGrid, settingsOfUse } from '../../sheets/SettingGrid';
import { itemAt } from '@/core/units/there';

type Row = Partial<Record<HeldPortField, string>>;

/** Form of the starts of ports on the screen that is read. */
export type StartsBy = NonNullable<AnyPortHeld['startsBy']>;

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

/** A line for each port, empty until somebody looked: the plan stands in grey, and becomes what was found only by a word of its own. */
export function FoundGrid(props: FoundGridProps) {
  const { plan, controller, index, startsBy, onCompare, saidMore } = props;
  const settings = settingsOfUse(deviceSettings(plan, index)).filter(
    (setting) => setting.startsBy === undefined || setting.startsBy === startsBy,
  );
  const planned = plannedRows(props, settings);
  const [typed, setTyped] = useState<readonly Row[]>([]);
  const rows = planned.map((_, i) => typed[i] ?? {});
  const cell = (row: Row | undefined, { field }: AnyPortHeld) => row?.[field]?.trim() ?? '';
  const change = (line: number, row: Row) => setTyped(rows.map((each, i) => (i === line ? row : each)));
  const isEmpty = !saidMore && rows.every((row) => settings.every((setting) => cell(row, setting) === ''));

  return (
    <>
      <SettingGrid
        label={`What ${controller.name} lists`}
        controller={controller}
        ports={planned.map((_, i) => i + 1)}
        settings={settings}
        cell={(port, setting, name) => {
          const line = port - 1;
          const want = cell(planned[line], setting);
          const is = cell(rows[line], setting);
          return (
            <input
              className="mono"
              aria-label={name}
              data-differs={is !== '' && is !== want}
              placeholder={want}
              data-text={setting.field === 'colourOrder'}
              value={rows[line]?.[setting.field] ?? ''}
              onChange={(event) =>
                change(line, { ...rows[line], [setting.field]: event.currentTarget.value })
              }
            />
          );
        }}
        last={{
          head: 'looked at, and',
          cell: (port, name) => {
            const row = itemAt(planned, port - 1);
            return settings.some((setting) => cell(row, setting) !== '') ? (
              <button
                type="button"
                aria-label={`${name} is as planned`}
                onClick={() => change(port - 1, row)}
              >
                as planned
              </button>
            ) : null;
          },
        }}
      />
      <Group mt="sm">
        <Button
          disabled={isEmpty}
          onClick={() =>
            onCompare([
              ['port', ...settings.map(({ words }) => words)],
              ...rows.flatMap((row, i) => {
                const cells = settings.map((setting) => cell(row, setting));
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
function plannedRows(
  { plan, controller, index, where, counting }: FoundGridProps,
  settings: readonly AnyPortHeld[],
): Row[] {
  const bases = new Map(basisOf(plan, index).ports.map((basis) => [basis.port.port, basis]));
  return Array.from({ length: controller.ports }, (_, i): Row => {
    const basis = bases.get(i + 1);
    if (!basis) return {};
    return Object.fromEntries(
      settings.map((setting) => {
        const want = setting.plannedAt ? setting.plannedAt(basis, where) : setting.planned(basis);
        const more = setting.shift?.(counting, basis) ?? 0;
        return [setting.field, want === null ? '' : String(typeof want === 'number' ? want + more : want)];
      }),
    );
  });
}
