import { Button, Group } from '@mantine/core';
import { locksIn, unlock } from '@/core/patch/locks';
import type { PatchEntry } from '@/core/show/schema';
import { countOf } from '@/core/units/number';
import { capitalised } from '@/core/units/words';
import { Facts } from '@/ui/Facts';
import { Hint, Section } from '@/ui/Panel';
import { useEdit, useShow } from '../show/ShowProvider';

/**
 * Locked addresses of the show, a controller or a port, by how they came to be locked, each with a way to let them move again.
 *
 * @param isOf which runs are asked for
 * @param always says so where none is locked
 */
export function Locks({
  isOf = () => true,
  always = false,
}: {
  isOf?: (entry: PatchEntry) => boolean;
  always?: boolean;
}) {
  const edit = useEdit();
  const groups = locksIn(useShow((state) => state.show.patch).filter(isOf));
  if (groups.length === 0)
    return always ? (
      <Section title="Locked addresses">
        <Hint>None: addresses follow from what lies before them.</Hint>
      </Section>
    ) : null;
  const all = groups.flatMap(({ entries }) => entries);
  return (
    <Section title="Locked addresses">
      <Facts
        facts={groups.map(({ words, entries }) => ({
          name: capitalised(words),
          value: countOf(entries.length, 'run'),
        }))}
      />
      <Group mt={8} gap={8}>
        {groups.length > 1 &&
          groups.map(({ words, entries }) => (
            <Button
              key={words}
              variant="default"
              size="compact-md"
              aria-label={`Unlock what was ${words}`}
              onClick={() => edit(unlock(entries))}
            >
              Unlock {countOf(entries.length, 'run')}
            </Button>
          ))}
        <Button variant="default" size="compact-md" onClick={() => edit(unlock(all))}>
          Unlock {groups.length > 1 ? 'all of them' : countOf(all.length, 'run')}
        </Button>
      </Group>
    </Section>
  );
}
