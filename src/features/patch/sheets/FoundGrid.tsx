'use client';

import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import type { Controller } from '@/core/catalogue/controller';
import type { Counting } from '@/core/devices/counting';
import { deviceSettings } from '@/core/devices/deviceSettings';
import type { FoundSettings } from '@/core/devices/found';
import { rowKey } from '@/core/devices/portRows';
import { basisOf } from '@/core/devices/settings/basis';
import type { AnyPortHeld, HeldPortField } from '@/core/devices/settings/registry';
import type { Plan } from '@/core/plan/planned';
import { Hint } from '@/ui/Panel';
import { SettingGrid, settingsOfUse, type GridRow } from '../../sheets/SettingGrid';

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
  const lines = linesOf(props);
  const [typed, setTyped] = useState<ReadonlyMap<string, Row>>(new Map());
  const typedOf = (line: GridRow) => typed.get(rowKey(line)) ?? {};
  const plannedOf = (line: GridRow) => planned.get(rowKey(line)) ?? {};
  const cell = (row: Row | undefined, { field }: AnyPortHeld) => row?.[field]?.trim() ?? '';
  const change = (line: GridRow, row: Row) => setTyped(new Map([...typed, [rowKey(line), row]]));
  const isEmpty =
    !saidMore && lines.every((line) => settings.every((setting) => cell(typedOf(line), setting) === ''));

  return (
    <>
      <SettingGrid
        label={`What ${controller.name} lists`}
        controller={controller}
        rows={lines}
        settings={settings}
        cell={(line, setting, name) => {
          const want = cell(plannedOf(line), setting);
          const is = cell(typedOf(line), setting);
          return (
            <input
              className="mono"
              aria-label={name}
              data-differs={is !== '' && is !== want}
              placeholder={want}
              data-text={setting.field === 'colourOrder'}
              value={typedOf(line)[setting.field] ?? ''}
              onChange={(event) =>
                change(line, { ...typedOf(line), [setting.field]: event.currentTarget.value })
              }
            />
          );
        }}
        last={{
          head: 'looked at, and',
          cell: (line, name) => {
            const row = plannedOf(line);
            return settings.some((setting) => cell(row, setting) !== '') ? (
              <button type="button" aria-label={`${name} is as planned`} onClick={() => change(line, row)}>
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
              ['port', 'part', ...settings.map(({ words }) => words)],
              ...lines.flatMap((line) => {
                const cells = settings.map((setting) => cell(typedOf(line), setting));
                return cells.some((each) => each !== '')
                  ? [[String(line.port), String(line.part ?? 1), ...cells]]
                  : [];
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

/** A line for every port of the controller, and for every part that one is told in. */
function linesOf({ plan, controller, index }: FoundGridProps): GridRow[] {
  const { ports } = deviceSettings(plan, index);
  return Array.from({ length: controller.ports }, (_, i) => i + 1).flatMap((port): GridRow[] => {
    const own = ports.filter((each) => each.port === port);
    return own.length > 0 ? own : [{ port }];
  });
}

/** The planned values of its rows, in the numbers of the screen that is read, by the key of each. */
function plannedRows(
  { plan, index, where, counting }: FoundGridProps,
  settings: readonly AnyPortHeld[],
): Map<string, Row> {
  const rows = basisOf(plan, index).ports.map((basis): [string, Row] => [
    rowKey(basis.port),
    Object.fromEntries(
      settings.map((setting) => {
        const want = setting.plannedAt ? setting.plannedAt(basis, where) : setting.planned(basis);
        const more = setting.shift?.(counting, basis) ?? 0;
        return [setting.field, want === null ? '' : String(typeof want === 'number' ? want + more : want)];
      }),
    ),
  ]);
  return new Map(rows);
}
