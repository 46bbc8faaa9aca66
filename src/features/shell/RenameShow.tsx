'use client';

import { Button, Group, Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useEdit, useShow } from '../show/ShowProvider';
import { useDialog } from '../view/openDialog';

export function RenameShow() {
  const { open, show } = useDialog();
  const name = useShow((state) => state.show.name);
  return (
    <Modal opened={open === 'rename'} onClose={() => show(null)} title="Rename the show">
      <RenameForm key={name} name={name} done={() => show(null)} />
    </Modal>
  );
}

function RenameForm({ name, done }: { name: string; done: () => void }) {
  const edit = useEdit();
  const [text, setText] = useState(name);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === name || edit({ type: 'renameShow', name: text.trim() })) done();
      }}
    >
      <TextInput
        data-autofocus
        label="Name"
        value={text}
        maxLength={80}
        required
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <Group mt="md" justify="flex-end">
        <Button type="submit">Rename</Button>
      </Group>
    </form>
  );
}
