'use client';

import { Button, Group, List, Modal, Text } from '@mantine/core';
import { useShow, useShowStore } from '../show/ShowProvider';

/** Asks what is to become of changes that met with others made elsewhere. Nothing is lost without an answer. */
export function ConflictDialog() {
  const conflict = useShow((state) => state.conflict);
  const { resolve } = useShowStore().getState();
  if (!conflict) return null;
  return (
    <Modal
      opened
      onClose={() => {}}
      withCloseButton={false}
      closeOnEscape={false}
      closeOnClickOutside={false}
      title="This show was changed in another window"
    >
      <Text size="sm">Meanwhile, there:</Text>
      <List size="sm" mb="sm">
        {conflict.missed.slice(-6).map((entry) => (
          <List.Item key={entry.sequence}>
            {entry.kind === 'edit' ? '' : `${entry.kind}: `}
            {entry.label}
          </List.Item>
        ))}
      </List>
      <Text size="sm">Not saved yet, here:</Text>
      <List size="sm">
        {conflict.mine.map((label, i) => (
          <List.Item key={i}>{label}</List.Item>
        ))}
      </List>
      <Group mt="lg" justify="flex-end">
        <Button variant="default" onClick={() => resolve('theirs')}>
          Let mine go
        </Button>
        <Button onClick={() => resolve('mine')}>Put mine on top</Button>
      </Group>
    </Modal>
  );
}
