import { Button, Group, Select } from '@mantine/core';
import { useState } from 'react';
import { PERCEIVED } from '@/core/diagnose/perceive';
import type { Stretch } from '@/core/diagnose/session';
import { groupDigits } from '@/core/units/number';
import { capitalised } from '@/core/units/words';
import { WholeField } from '@/ui/fields/fields';
import styles from './find.module.css';

/** None of the pictures is right: what is seen is said stretch by stretch. */
export function Described({
  count,
  onSay,
}: {
  count: number;
  onSay: (described: readonly Stretch[]) => void;
}) {
  const [isOpen, setIsOpen] = useState(false);
  const [stretches, setStretches] = useState<readonly Stretch[]>([]);
  const [from, setFrom] = useState(1);
  const [to, setTo] = useState(count);
  const [colour, setColour] = useState<string | null>(null);
  if (!isOpen)
    return (
      <Group>
        <Button variant="default" onClick={() => setIsOpen(true)}>
          None of these: I see something else…
        </Button>
      </Group>
    );
  const now: Stretch[] =
    colour === null ? [] : [{ from, to, code: PERCEIVED.indexOf(colour as (typeof PERCEIVED)[number]) }];
  const all = [...stretches, ...now];
  return (
    <div className={styles.described}>
      <Group align="flex-end">
        <WholeField
          label="From light"
          what="The first light"
          least={1}
          most={to}
          value={from}
          onCommit={setFrom}
        />
        <WholeField
          label="to light"
          what="The last light"
          least={from}
          most={count}
          value={to}
          onCommit={setTo}
        />
        <Select
          label="it is"
          placeholder="a colour"
          data={PERCEIVED.map((each) => ({ value: each, label: capitalised(each) }))}
          value={colour}
          onChange={setColour}
        />
      </Group>
      {stretches.length > 0 && (
        <ul>
          {stretches.map((each, i) => (
            <li key={i}>
              {groupDigits(each.from)} to {groupDigits(each.to)}: {PERCEIVED[each.code]}
            </li>
          ))}
        </ul>
      )}
      <Group>
        <Button disabled={all.length === 0} onClick={() => onSay(all)}>
          That is what I see
        </Button>
        <Button
          variant="default"
          disabled={colour === null || to >= count}
          onClick={() => {
            setStretches(all);
            setFrom(to + 1);
            setTo(count);
            setColour(null);
          }}
        >
          And further on…
        </Button>
        <Button variant="subtle" color="gray" onClick={() => setIsOpen(false)}>
          Never mind
        </Button>
      </Group>
    </div>
  );
}
