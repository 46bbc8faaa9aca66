'use client';

import { ActionIcon, Button, Group, Menu, Modal, Select, Table, Tooltip } from '@mantine/core';
import { IconChevronDown, IconChevronUp, IconPlus, IconTrash } from '@tabler/icons-react';
import { COLOUR_ORDERS, SHIPPED_PIXEL_TYPES, type PixelType } from '@/core/catalogue/pixelType';
import { newId, newName } from '@/core/fields/fields';
import { formatLength, parseLength, type Parsed } from '@/core/units/length';
import { NameField } from '@/ui/fields/fields';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint } from '@/ui/Panel';
import { useDialog } from '../view/openDialog';
import { useEdit, useShow } from '../show/ShowProvider';
import type { SingleEdit } from '@/core/show/edits/registry';
import { PixelTypeDetails } from './PixelTypeDetails';
import { useState } from 'react';
import { useLengths } from '@/ui/lengths';

/** The pixel types of a show: its own copies, so that editing them changes this show alone. */
export function PixelTypesDialog() {
  const { open, show } = useDialog();
  const types = useShow((state) => state.show.pixelTypes);
  const edit = useEdit();
  const add = (from: PixelType) => {
    const name = newName(
      from.name,
      types.map((type) => type.name),
    );
    edit({
      type: 'addPixelType',
      pixelType: {
        ...from,
        name,
        id: newId(name),
      },
    });
  };
  return (
    <Modal
      opened={open === 'pixelTypes'}
      onClose={() => show(null)}
      title="Pixel types of this show"
      size="xl"
    >
      <Hint>
        Makers differ even for one chip: what the bench shows is right, and goes in here. Three letters of
        colour order are three channels a pixel, four are four.
      </Hint>
      <Table verticalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Name</Table.Th>
            <Table.Th w={120}>Chip</Table.Th>
            <Table.Th w={120}>Colour order</Table.Th>
            <Table.Th w={90}>Volts</Table.Th>
            <Table.Th w={110}>Across one</Table.Th>
            <Table.Th w={70} />
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {types.map((type) => (
            <TypeRow key={type.id} type={type} />
          ))}
        </Table.Tbody>
      </Table>
      <Menu width={280}>
        <Menu.Target>
          <Button mt="md" variant="default" leftSection={<IconPlus size={15} />}>
            Add a type
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          {SHIPPED_PIXEL_TYPES.map((type) => (
            <Menu.Item key={type.id} onClick={() => add(type)}>
              {type.name}, {type.chip} {type.colourOrder}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
    </Modal>
  );
}

function TypeRow({ type }: { type: PixelType }) {
  const lengths = useLengths();
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const set = (change: Extract<SingleEdit, { type: 'changePixelType' }>['change']) =>
    edit({ type: 'changePixelType', pixelTypeId: type.id, change });
  return (
    <>
      <Table.Tr>
        <Table.Td>
          <NameField aria-label="Name" value={type.name} onCommit={(name) => set({ name })} />
        </Table.Td>
        <Table.Td>
          <ParsedField
            aria-label="Chip"
            value={type.chip}
            format={(chip) => chip}
            parse={(text) =>
              text.trim().length <= 40
                ? { ok: true, value: text.trim() }
                : { ok: false, message: 'A part number has at most 40 letters.' }
            }
            onCommit={(chip) => set({ chip })}
          />
        </Table.Td>
        <Table.Td>
          <Select
            aria-label="Colour order"
            searchable
            allowDeselect={false}
            value={type.colourOrder}
            data={[...COLOUR_ORDERS]}
            onChange={(colourOrder) => colourOrder && set({ colourOrder })}
          />
        </Table.Td>
        <Table.Td>
          <ParsedField
            aria-label="Volts"
            value={type.volts}
            format={(volts) => `${volts} V`}
            parse={(text) => {
              const value = Number(
                text
                  .trim()
                  .replace(/\s*v(olts?)?$/i, '')
                  .replace(',', '.'),
              );
              return value >= 3 && value <= 48
                ? { ok: true, value }
                : { ok: false, message: `Volts are from 3 to 48; “${text.trim()}” is not.` };
            }}
            onCommit={(volts) => set({ volts })}
          />
        </Table.Td>
        <Table.Td>
          <ParsedField
            aria-label="Across one pixel"
            placeholder="not said"
            value={type.bodyMm ?? null}
            format={(mm) => (mm === null ? '' : formatLength(mm, lengths))}
            parse={(text): Parsed<number | null> => {
              const parsed = parseLength(text);
              if (!parsed.ok || (parsed.value >= 0.5 && parsed.value <= 500)) return parsed;
              return { ok: false, message: `A pixel is 0.5 mm to 500 mm across; “${text.trim()}” is not.` };
            }}
            onCommit={(bodyMm) => bodyMm !== null && set({ bodyMm })}
          />
        </Table.Td>
        <Table.Td>
          <Group gap={2} wrap="nowrap">
            <Tooltip label="Timing and notes">
              <ActionIcon
                variant="subtle"
                color="gray"
                aria-label={`Timing and notes of ${type.name}`}
                aria-expanded={open}
                onClick={() => setOpen(!open)}
              >
                {open ? <IconChevronUp size={15} /> : <IconChevronDown size={15} />}
              </ActionIcon>
            </Tooltip>
            <Tooltip label={`Remove ${type.name}`}>
              <ActionIcon
                variant="subtle"
                color="gray"
                aria-label={`Remove ${type.name}`}
                onClick={() => edit({ type: 'removePixelType', pixelTypeId: type.id })}
              >
                <IconTrash size={15} />
              </ActionIcon>
            </Tooltip>
          </Group>
        </Table.Td>
      </Table.Tr>
      {open && (
        <Table.Tr>
          <Table.Td colSpan={6}>
            <PixelTypeDetails type={type} onChange={set} />
          </Table.Td>
        </Table.Tr>
      )}
    </>
  );
}
