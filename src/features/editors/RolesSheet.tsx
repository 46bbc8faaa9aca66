'use client';

import { roleColumn, rolesTable } from '@/core/papers/tables/roles';
import { ActionIcon, Button, Checkbox, Group, TextInput, Tooltip } from '@mantine/core';
import { IconPlus, IconTrash } from '@tabler/icons-react';
import { useState } from 'react';
import { boardNumber, CRAFT_LIMITS, renamedRole, withoutRole, type CraftShape } from '@/core/props/craft';
import type { Plan } from '@/core/plan/planned';
import { ParsedField } from '@/ui/fields/ParsedField';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useShow } from '../show/ShowProvider';
import { propAt } from '@/core/plan/records';

/** Which pixel of a craft is lit for what: a matrix of pixels and roles. */
export function RolesSheet({ plan, prop: index }: { plan: Plan; prop: number }) {
  const edit = useEdit();
  const { id } = propAt(plan, index);
  const prop = useShow((state) => state.show.props.find((each) => each.id === id));
  const [word, setWord] = useState('');
  if (prop?.kind !== 'craft') return null;
  const { shape } = prop;
  const set = (next: CraftShape, made?: () => void) =>
    edit({ type: 'setShape', propId: id, shape: next }, made);
  const add = () => {
    const role = word.trim();
    if (role === '' || shape.roles.includes(role)) return;
    set({ ...shape, roles: [...shape.roles, role.slice(0, 30)] }, () => setWord(''));
  };
  const toggle = (pixel: number, role: string, on: boolean) =>
    set({
      ...shape,
      pixels: shape.pixels.map((each, i) =>
        i === pixel
          ? {
              ...each,
              roles: on
                ? shape.roles.filter((other) => other === role || each.roles.includes(other))
                : each.roles.filter((other) => other !== role),
            }
          : each,
      ),
    });
  return (
    <div className={sheets.sheet}>
      <h2>Roles</h2>
      <p className={sheets.lead}>
        A role is a word for what a pixel is lit for, such as navigation, deck or funnel. A pixel may have
        several.
      </p>
      <Group mb="md" align="flex-end">
        <TextInput
          label="A new role"
          value={word}
          maxLength={30}
          error={
            shape.roles.includes(word.trim()) && word.trim() !== '' ? 'There is this one already.' : undefined
          }
          onChange={(event) => setWord(event.currentTarget.value)}
          onKeyDown={(event) => event.key === 'Enter' && add()}
        />
        <Button
          variant="default"
          leftSection={<IconPlus size={15} />}
          onClick={add}
          disabled={word.trim() === '' || shape.roles.length >= CRAFT_LIMITS.roles}
        >
          Add the role
        </Button>
      </Group>
      {shape.roles.length > 0 && (
        <>
          <Group mb="md" gap={8}>
            {shape.roles.map((role) => (
              <Group key={role} gap={2} wrap="nowrap">
                <ParsedField
                  size="xs"
                  w={130}
                  aria-label={`Name of the role ${role}`}
                  value={role}
                  format={(text) => text}
                  parse={(text) => {
                    const next = text.trim();
                    if (next === '') return { ok: false, message: 'A word is needed.' };
                    return next !== role && shape.roles.includes(next)
                      ? { ok: false, message: 'There is this one already.' }
                      : { ok: true, value: next.slice(0, 30) };
                  }}
                  onCommit={(next) => set(renamedRole(shape, role, next))}
                />
                <Tooltip label={`Remove ${role}`}>
                  <ActionIcon
                    variant="subtle"
                    color="gray"
                    aria-label={`Remove ${role}`}
                    onClick={() => set(withoutRole(shape, role))}
                  >
                    <IconTrash size={15} />
                  </ActionIcon>
                </Tooltip>
              </Group>
            ))}
          </Group>
          <SheetTable
            testId="roles"
            table={rolesTable(prop.name, shape)}
            fields={Object.fromEntries(
              shape.roles.map((role, index) => [
                roleColumn(index),
                (pixel: CraftShape['pixels'][number], i: number) => (
                  <label className={sheets.tick}>
                    <Checkbox
                      size="xs"
                      aria-label={`Pixel ${boardNumber(shape, i)} is ${role}`}
                      checked={pixel.roles.includes(role)}
                      onChange={(event) => toggle(i, role, event.currentTarget.checked)}
                    />
                  </label>
                ),
              ]),
            )}
          />
        </>
      )}
    </div>
  );
}
