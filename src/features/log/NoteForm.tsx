import { Button, Chip, Group, Select, Stack, Textarea, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { About } from '@/core/log/about';
import type { Plan } from '@/core/plan/planned';
import styles from './log.module.css';
import { TakePhoto } from './TakePhoto';
import { thingKey, thingOfKey, thingsOf } from './things';
import { MARKS, WAYS, WAY_WORDS, useNoteDraft } from './useNoteDraft';

/** Writes down what was decided, measured or looks so, about a thing of the show. */
export function NoteForm({ plan, about }: { plan: Plan; about: About | null }) {
  const [thing, setThing] = useState<string | null>(about && thingKey(about));
  const draft = useNoteDraft(thingOfKey(thing));
  const { way, measurable, measurables } = draft;
  const words = WAY_WORDS[way];
  return (
    <form
      className={styles.form}
      aria-label="Write into the log"
      onSubmit={(event) => {
        event.preventDefault();
        if (draft.isReady) draft.write();
      }}
    >
      <Stack gap={10}>
        <Chip.Group value={way} onChange={(next) => draft.setWay(next)}>
          <Group gap={6} role="radiogroup" aria-label="What is written">
            {WAYS.map((each) => (
              <Chip key={each} value={each} radius="md" variant="outline">
                {WAY_WORDS[each].label}
              </Chip>
            ))}
          </Group>
        </Chip.Group>
        <Select
          label="About"
          placeholder="the show"
          clearable
          searchable
          value={thing}
          data={thingsOf(plan)}
          onChange={(next) => {
            setThing(next);
            draft.setMeasurable(null);
          }}
        />
        {measurables.length > 0 && (
          <Select
            label="What it is of the plan"
            placeholder="something else"
            clearable
            value={measurable?.id ?? null}
            data={measurables.map((each) => ({ value: each.id, label: each.words }))}
            onChange={draft.setMeasurable}
          />
        )}
        {measurable === null && (
          <TextInput
            label={words.words}
            placeholder={words.example}
            maxLength={way === 'measurement' ? 120 : 300}
            value={draft.words}
            onChange={(event) => draft.setWords(event.currentTarget.value)}
          />
        )}
        {way === 'wires' &&
          MARKS.map(({ key, words: label, example }) => (
            <TextInput
              key={key}
              label={label}
              placeholder={example}
              maxLength={300}
              value={draft.marks[key]}
              onChange={(event) => draft.setMark(key, event.currentTarget.value)}
            />
          ))}
        {way === 'measurement' && (
          <TextInput
            label="Value and unit"
            placeholder={measurable?.example ?? '3.2 A, 4.81 V, 7.4 m'}
            error={draft.problem}
            maxLength={60}
            value={draft.value}
            onChange={(event) => draft.setValue(event.currentTarget.value)}
          />
        )}
        {words.more !== '' && (
          <Textarea
            label={words.more}
            autosize
            minRows={2}
            maxLength={way === 'measurement' ? 300 : 4000}
            value={draft.more}
            onChange={(event) => draft.setMore(event.currentTarget.value)}
          />
        )}
        {way === 'photo' && <TakePhoto photo={draft.photo} onPhoto={draft.setPhoto} />}
        <TextInput
          label="By whom"
          placeholder="left out where it is only you"
          maxLength={80}
          value={draft.by}
          onChange={(event) => draft.setBy(event.currentTarget.value)}
        />
        <Button type="submit" disabled={!draft.isReady}>
          Write it down
        </Button>
      </Stack>
    </form>
  );
}
