import { Button, Modal, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';

/** Asks under which name a state is kept. */
export function NameDialog({
  sequence,
  known,
  onClose,
  onName,
}: {
  sequence: number | null;
  known: string;
  onClose: () => void;
  onName: (name: string) => void;
}) {
  const [name, setName] = useState(known);
  return (
    <Modal opened={sequence !== null} onClose={onClose} title={`Name revision ${sequence ?? ''}`}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          onName(name.trim());
          onClose();
        }}
      >
        <Stack>
          <TextInput
            data-autofocus
            label="Its name"
            placeholder="as hung, opening night"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <Button type="submit" disabled={name.trim() === ''}>
            Give it this name
          </Button>
        </Stack>
      </form>
    </Modal>
  );
}
