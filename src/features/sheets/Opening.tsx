import { Button, Collapse } from '@mantine/core';
import { useState, type ReactNode } from 'react';

/** Seldom needed content, below a button that opens it. */
export function Opening({ words, children }: { words: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        size="compact-sm"
        variant="subtle"
        color="gray"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {open ? 'Close' : words}
      </Button>
      <Collapse expanded={open}>{open && children}</Collapse>
    </>
  );
}
