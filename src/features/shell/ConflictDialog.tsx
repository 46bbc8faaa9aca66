'use client';

import { Button, Group, Modal, Text } from '@mantine/core';
import { useShow, useShowStore } from '../show/ShowProvider';
import styles from './shell.module.css';

/** Asks what is to become of a change that met one made elsewhere. Nothing is lost without an answer. */
export function ConflictDialog() {
  const open = useShow((state) => state.clash);
  const { resolve } = useShowStore().getState();
  if (!open) return null;
  const { mine, message, clash } = open;
  const field = clash.field === null ? '' : `${clash.field}: `;
  return (
    <Modal
      opened
      onClose={() => {}}
      withCloseButton={false}
      closeOnEscape={false}
      closeOnClickOutside={false}
      title={`${clash.name} was changed elsewhere`}
    >
      <Text size="sm">Two changes meet at the same thing. Which of the two is to stay?</Text>
      <dl className={styles.clash}>
        <dt>There</dt>
        <dd>
          {clash.change ?? message}
          <b>{field + clash.theirs}</b>
        </dd>
        <dt>Here, not saved yet</dt>
        <dd>
          {mine}
          <b>{field + clash.mine}</b>
        </dd>
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
