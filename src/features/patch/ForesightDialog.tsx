'use client';

import { movedTable, valuesTable } from '@/core/papers/tables/addresses';
import { Button, Checkbox, Group, Modal, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import type { Choices } from '@/core/devices/foresight';
import type { Edit } from '@/core/show/edits/registry';
import { latestOut, outWords } from '@/core/show/handedOut';
import { countOf } from '@/core/units/number';
import { listOf } from '@/core/units/words';
import { Hint } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useForesight, withTasks } from '../show/foresight';
import { useShow } from '../show/ShowProvider';
import styles from './patch.module.css';

/** Moves of a change, before it is made. */
export function ForesightDialog() {
  const { choices, answer } = useForesight();
  return (
    <Modal
      opened={choices !== null}
      onClose={() => answer(null)}
      size="xl"
      title="This moves addresses that are in use"
    >
      {choices && <Foresight choices={choices} onAnswer={answer} />}
    </Modal>
  );
}

function Foresight({
  choices,
  onAnswer,
}: {
  choices: Choices;
  /** Null leaves the show as it is. */
  onAnswer: (edit: Edit | null) => void;
}) {
  const show = useShow((state) => state.show);
  const facts = useShow((state) => state.facts);
  const differ = choices.least.edit !== choices.tidy.edit;
  // With few props, laying all anew can be less typing than making way for one.
  const lessWalking = choices.least.foresight.values.length <= choices.tidy.foresight.values.length;
  const [way, setWay] = useState<'least' | 'tidy'>(differ && lessWalking ? 'least' : 'tidy');
  const [notAgain, setNotAgain] = useState(false);
  const out = latestOut(facts);
  const { foresight } = choices[way];
  const nameOf = (id: string) => show.controllers.find((each) => each.id === id)?.name ?? id;
  return (
    <div data-testid="foresight">
      <p className={sheets.lead}>
        {show.addressing.askBeforeMoving
          ? 'This show asks before any address moves.'
          : `It asks since ${out ? outWords(out) : 'values are out'}.`}{' '}
        The setting is in Patch, with no prop chosen: “Before addresses move”.
      </p>
      {differ && (
        <SegmentedControl
          fullWidth
          aria-label="How to make room"
          value={way}
          onChange={(value) => setWay(value === 'tidy' ? 'tidy' : 'least')}
          data={[
            {
              value: 'least',
              label: `Least change: ${countOf(choices.least.foresight.values.length, 'value')} to type`,
            },
            {
              value: 'tidy',
              label: `Tidy: ${countOf(choices.tidy.foresight.values.length, 'value')} to type`,
            },
          ]}
        />
      )}
      <Hint>
        {way === 'least'
          ? 'What need not move is locked where it is; what grew uses spare channels and gaps. Fewest walks, but the channels lie less in order. “Tidy” unlocks it again.'
          : 'Everything is laid anew in order, and what earlier answers locked is unlocked. Only what you locked by hand stays. All that moves has to be typed again.'}
      </Hint>
      <p className={sheets.lead}>
        <b>{countOf(foresight.moved.length, 'run')}</b> {foresight.moved.length === 1 ? 'gets' : 'get'} new
        addresses;{' '}
        {foresight.visits.length === 0
          ? 'no controller has to be visited.'
          : `go to ${foresight.visits.map(nameOf).join(', ')} and type ${countOf(foresight.values.length, 'value')} again.`}
      </p>
      {foresight.shared.length > 0 && (
        <p className={sheets.note}>
          {foresight.shared
            .slice(0, 4)
            .map(({ universe, controllers }) => `U${universe} is then shared by ${listOf(controllers)}`)
            .join('; ')}
          {foresight.shared.length > 4 && `, and ${foresight.shared.length - 4} more`}. The sender has to send
          it to each of them.
        </p>
      )}
      <div className={styles.moves}>
        <SheetTable testId="moved" mostRows={100} table={movedTable(foresight.moved)} />
        {foresight.renumbered.length > 0 && (
          <>
            <p className={sheets.lead}>
              <b>{countOf(foresight.renumbered.length, 'run')}</b>{' '}
              {foresight.renumbered.length === 1 ? 'stays where it is' : 'stay where they are'}, but the count
              over the show gives other show channels: a program that addresses by those has to be told.
            </p>
            <SheetTable testId="renumbered" mostRows={100} table={movedTable(foresight.renumbered)} />
          </>
        )}
        <SheetTable testId="values" mostRows={200} table={valuesTable({ show }, foresight.values)} />
      </div>
      <Group mt="md" justify="flex-end">
        <Checkbox
          mr="auto"
          label="Not again for this show: only say what moved"
          checked={notAgain}
          onChange={(event) => setNotAgain(event.currentTarget.checked)}
        />
        <Button variant="default" onClick={() => onAnswer(null)}>
          Leave it as it is
        </Button>
        <Button
          data-autofocus
          onClick={() => onAnswer(answerOf(withTasks(show, facts, choices[way]), notAgain))}
        >
          Do it, and note the values
        </Button>
      </Group>
    </div>
  );
}

/** The change, with the wish not to be asked again as part of it, so that one undo takes back both. */
function answerOf(edit: Edit, notAgain: boolean): Edit {
  if (!notAgain) return edit;
  const never = { type: 'setAddressing' as const, change: { askBeforeMoving: false } };
  return edit.type === 'batch'
    ? { ...edit, edits: [...edit.edits, never] }
    : { type: 'batch', label: 'Change, and do not ask again', edits: [edit, never] };
}
