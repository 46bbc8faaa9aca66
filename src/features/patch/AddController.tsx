'use client';

import { Button, Menu } from '@mantine/core';
import { IconPlus } from '@tabler/icons-react';
import { limitsOfType, SHIPPED_CONTROLLER_TYPES, type ControllerType } from '@/core/catalogue/controllerType';
import { newController } from '@/core/show/newController';
import { countOf, groupDigits } from '@/core/units/number';
import { useEdit, useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';

/** Adds a controller of a kind, with the ports and pixels that its kind has, and goes there. */
export function AddController() {
  const { controllers, controllerTypes } = useShow((state) => state.show);
  const edit = useEdit();
  const goTo = useGoTo();
  const shipped = SHIPPED_CONTROLLER_TYPES.filter(
    (each) => !controllerTypes.some(({ id }) => id === each.id),
  );
  const add = (type: ControllerType | null) => {
    const { controller, edits } = newController({ controllers, controllerTypes }, type);
    edit({ type: 'batch', label: `Add the controller ${controller.name}`, edits }, () =>
      goTo({ stage: 'patch', subject: { kind: 'controller', controllerId: controller.id } }),
    );
  };
  const item = (type: ControllerType) => {
    const { ports, mostPixelsPerPort } = limitsOfType(type);
    return (
      <Menu.Item
        key={type.id}
        onClick={() => add(type)}
        rightSection={`${countOf(ports, 'port')} · ${groupDigits(mostPixelsPerPort)} px each`}
      >
        {type.name}
      </Menu.Item>
    );
  };
  return (
    <Menu position="bottom-end" width={400}>
      <Menu.Target>
        <Button size="compact-sm" variant="default" leftSection={<IconPlus size={15} />}>
          Add a controller
        </Button>
      </Menu.Target>
      <Menu.Dropdown>
        {controllerTypes.length > 0 && <Menu.Label>Of this show</Menu.Label>}
        {controllerTypes.map(item)}
        <Menu.Label>What kind is it? Its ports and limits come with it, and can be changed.</Menu.Label>
        {shipped.map(item)}
        <Menu.Item onClick={() => add(null)}>I do not know yet</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
