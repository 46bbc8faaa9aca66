'use client';

import { ActionIcon, Button, Group, Modal, Tooltip } from '@mantine/core';
import { IconArrowDown, IconArrowUp, IconPlus, IconTrash } from '@tabler/icons-react';
import { newId, newName } from '@/core/fields/fields';
import { countOf } from '@/core/units/number';
import { NameField } from '@/ui/fields/fields';
import { Hint, Stack } from '@/ui/Panel';
import { useDialog } from '../view/openDialog';
import { useEdit, useShow } from '../show/ShowProvider';
import styles from '../editors/parts.module.css';

/** Places of props: the groups of the list on the left, in the order of a walk over the site. */
export function PlacesDialog() {
  const { open, show: openDialog } = useDialog();
  const { places, props } = useShow((state) => state.show);
  const edit = useEdit();
  const add = () => {
    const name = newName(
      'New place',
      places.map((place) => place.name),
    );
    edit({
      type: 'addPlace',
      place: {
        id: newId(name),
        name,
      },
    });
  };
  return (
    <Modal opened={open === 'places'} onClose={() => openDialog(null)} title="Places on site" size="lg">
      <Hint>In the order in which you walk the site.</Hint>
      <Stack>
        {places.map((place, i) => {
          const there = props.filter((prop) => prop.placeId === place.id).length;
          return (
            <Group key={place.id} wrap="nowrap" align="flex-start" gap={6}>
              <NameField
                flex={1}
                aria-label={`Name of place ${i + 1}`}
                value={place.name}
                onCommit={(name) => edit({ type: 'renamePlace', placeId: place.id, name })}
                rightSectionWidth={80}
                rightSection={<span className={styles.beside}>{countOf(there, 'prop')}</span>}
              />
              <ActionIcon.Group>
                <ActionIcon
                  size={34}
                  variant="default"
                  aria-label={`Move ${place.name} up`}
                  disabled={i === 0}
                  onClick={() => edit({ type: 'movePlace', placeId: place.id, index: i - 1 })}
                >
                  <IconArrowUp size={15} />
                </ActionIcon>
                <ActionIcon
                  size={34}
                  variant="default"
                  aria-label={`Move ${place.name} down`}
                  disabled={i === places.length - 1}
                  onClick={() => edit({ type: 'movePlace', placeId: place.id, index: i + 1 })}
                >
                  <IconArrowDown size={15} />
                </ActionIcon>
                <Tooltip label={there > 0 ? 'Props stand here; move them first' : `Remove ${place.name}`}>
                  <ActionIcon
                    size={34}
                    variant="default"
                    aria-label={`Remove ${place.name}`}
                    onClick={() => edit({ type: 'removePlace', placeId: place.id })}
                  >
                    <IconTrash size={15} />
                  </ActionIcon>
                </Tooltip>
              </ActionIcon.Group>
            </Group>
          );
        })}
      </Stack>
      <Button mt="md" variant="default" leftSection={<IconPlus size={15} />} onClick={add}>
        Add a place
      </Button>
    </Modal>
  );
}
