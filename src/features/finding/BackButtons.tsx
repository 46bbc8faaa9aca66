import { Button, Group } from '@mantine/core';

/** One thing that was said taken back, or all of them. */
export function BackButtons<Said>({
  words,
  said,
  onChange,
}: {
  /** `Back one step` */
  words: string;
  said: readonly Said[];
  onChange: (said: readonly Said[]) => void;
}) {
  if (said.length === 0) return null;
  return (
    <Group>
      <Button size="compact-sm" variant="subtle" color="gray" onClick={() => onChange(said.slice(0, -1))}>
        {words}
      </Button>
      <Button size="compact-sm" variant="subtle" color="gray" onClick={() => onChange([])}>
        From the beginning
      </Button>
    </Group>
  );
}
