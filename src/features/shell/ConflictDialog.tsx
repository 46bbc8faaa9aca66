'use client';

import { Button, Group, Modal, Text } from '@mantine/core';
import { useShow, useShowStore } from '../show/ShowProvider';

/** Asks what is to become of a change that met one made elsewhere. Nothing is lost without an answer. */
export function ConflictDialog() {
  const open = useShow((state) => state.clash);
  const { resolve } = useShowStore().getState();
  if (!open) return null;
  const { mine, message, clash } = open;
  const what = clash.field === null ? clash.name : `${clash.name}, ${clash.field}`;
  return (
    <Modal
      opened
      onClose={() => {}}
      withCloseButton={false}
      closeOnEscape={false}
      closeOnClickOutside={false}
      title={`${clash.name} was changed elsewhere`}
    >
      <Text size="sm">{message}</Text>
      <Text size="sm" mt="sm">
        Not saved yet, here: {mine}.
      </Text>
      <dl className="mono" style={{ fontSize: 14, margin: '12px 0' }}>
        <dt>{what}, there</dt>
        <dd style={{ margin: '0 0 8px', overflowWrap: 'anywhere' }}>{clash.theirs}</dd>
        <dt>{what}, here</dt>
        <dd style={{ margin: 0, overflowWrap: 'anywhere' }}>{clash.mine}</dd>
      </dl>
      <Group mt="lg" justify="flex-end">
        <Button variant="default" onClick={() => void resolve('theirs')}>
          Keep what is there
        </Button>
        <Button onClick={() => void resolve('mine')}>Put mine on top</Button>
      </Group>
    </Modal>
  );
}
