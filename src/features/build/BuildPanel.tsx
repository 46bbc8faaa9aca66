'use client';

import { ActionIcon, Group, Menu, Select } from '@mantine/core';
import { IconArrowDown, IconArrowUp, IconCopy, IconDots, IconTrash } from '@tabler/icons-react';
import { memo } from 'react';
import { channelsPerPixel } from '@/core/catalogue/pixelType';
import type { Plan } from '@/core/plan/planned';
import { kindOf, pixelsOf, type Prop } from '@/core/props/registry';
import { newId, newName } from '@/core/fields/fields';
import { formatLength } from '@/core/units/length';
import { groupDigits } from '@/core/units/number';
import { channelsOf } from '@/core/plan/explainRun';
import { Facts } from '@/ui/Facts';
import { NameField } from '@/ui/fields/fields';
import { Section, Stack } from '@/ui/Panel';
import { useDialog } from '../view/openDialog';
import { notify, useEdit, useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';
import { PartNotes } from '../figures/PartNotes';
import { PixelTypePicker } from './PixelTypePicker';
import { ShapeEditor } from '../kinds/ShapeEditor';
import { useLengths } from '@/ui/lengths';
import { byId } from '@/core/units/there';

/** The measures of a prop, and what follows from them. Drawn anew when the prop changes, not with each plan. */
export const BuildPanel = memo(function BuildPanel({ prop }: { prop: Prop }) {
  const places = useShow((state) => state.show.places);
  const pixelTypes = useShow((state) => state.show.pixelTypes);
  const lengths = useLengths();
  const edit = useEdit();
  const type = byId(pixelTypes, prop.pixelTypeId);
  const pixels = pixelsOf(prop);
  const channels = channelsOf(pixels, type);

  return (
    <>
      <Section
        title={
          <Group justify="space-between" wrap="nowrap">
            {kindOf(prop).label}
            <PropMenu prop={prop} />
          </Group>
        }
      >
        <Stack>
          <NameField
            key={prop.id}
            label="Name"
            value={prop.name}
            onCommit={(name) => edit({ type: 'changeProp', propId: prop.id, change: { name } })}
          />
          <Select
            label="Place on site"
            allowDeselect={false}
            value={prop.placeId}
            data={[
              ...places.map((place) => ({ value: place.id, label: place.name })),
              { value: '+', label: 'Edit places…' },
            ]}
            onChange={(placeId) => {
              if (placeId === '+') useDialog.getState().show('places');
              else if (placeId) edit({ type: 'changeProp', propId: prop.id, change: { placeId } });
            }}
          />
          <PixelTypePicker prop={prop} />
          <PartNotes notes={type.notes} />
        </Stack>
      </Section>
      <Section title="Measures">
        <ShapeEditor key={prop.id} prop={prop} />
      </Section>
      <Section title="What follows">
        <Facts
          facts={[
            { name: 'Pixels', value: groupDigits(pixels.value), why: pixels },
            {
              name: 'Channels',
              value: groupDigits(channels.value),
              why: channels,
              note: `${channelsPerPixel(type)} a pixel, ${kindOf(prop).chipOrders?.(prop.shape).join(' and ') ?? type.colourOrder}`,
            },
            ...kindOf(prop).facts(prop.shape, lengths),
            {
              name: 'Width × height',
              value: <OuterSize propId={prop.id} />,
              note: 'between the outermost pixels',
            },
          ]}
        />
      </Section>
    </>
  );
});

function OuterSize({ propId }: { propId: string }) {
  return useShow(({ plan }) => plan && outerSize(plan, propId));
}

function outerSize(plan: Plan, propId: string): string {
  const index = plan.show.props.findIndex((each) => each.id === propId);
  const prop = plan.props[index];
  if (!prop || prop.pixelCount === 0) return '–';
  const span = (values: Float32Array) => {
    let [least, most] = [Infinity, -Infinity];
    for (let i = prop.firstPixel; i < prop.firstPixel + prop.pixelCount; i += 1) {
      least = Math.min(least, values[i]!);
      most = Math.max(most, values[i]!);
    }
    return formatLength(Math.round(most - least), plan.show.lengths);
  };
  return `${span(plan.pixels.xMm)} × ${span(plan.pixels.yMm)}`;
}

function PropMenu({ prop }: { prop: Prop }) {
  const show = useShow((state) => state.show);
  const edit = useEdit();
  const goTo = useGoTo();
  const copy = () => {
    const name = newName(
      prop.name,
      show.props.map((each) => each.name),
    );
    const id = newId(name);
    const index = show.props.findIndex((each) => each.id === prop.id) + 1;
    edit({ type: 'addProp', prop: { ...prop, id, name }, index }, () =>
      goTo({ subject: { kind: 'prop', propId: id } }),
    );
  };
  /** Past the neighbour at the same place on site, wherever that one stands in the whole list. */
  const move = (by: 1 | -1) => {
    const here = show.props.filter((each) => each.placeId === prop.placeId);
    const neighbour = here[here.indexOf(byId(here, prop.id)) + by];
    if (neighbour) edit({ type: 'moveProp', propId: prop.id, index: show.props.indexOf(neighbour) });
  };
  const remove = () =>
    edit({ type: 'removeProp', propId: prop.id }, () => {
      goTo({ subject: null });
      notify(`${prop.name} is removed. Ctrl Z brings it back.`);
    });
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <ActionIcon variant="default" size="sm" aria-label="More for this prop">
          <IconDots size={15} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item leftSection={<IconCopy size={15} />} onClick={copy}>
          Make a copy
        </Menu.Item>
        <Menu.Item leftSection={<IconArrowUp size={15} />} onClick={() => move(-1)}>
          Move up in the list
        </Menu.Item>
        <Menu.Item leftSection={<IconArrowDown size={15} />} onClick={() => move(1)}>
          Move down in the list
        </Menu.Item>
        <Menu.Item leftSection={<IconTrash size={15} />} onClick={remove}>
          Remove {prop.name}
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
