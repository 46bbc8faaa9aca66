import { Button, SegmentedControl, Select, Stack, Textarea, TextInput } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useState } from 'react';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { measurablesOf } from '@/core/log/measurable';
import type { Note } from '@/core/show/facts';
import type { ListName } from '@/core/show/records';
import { PhotoChooser } from '../show/PhotoChooser';
import { photoUrl, type KeptPhoto } from '../show/photos';
import { notify, useNote, useShow } from '../show/ShowProvider';
import styles from './log.module.css';
import { thingsOf, type Thing } from './things';

const WAYS = ['decision', 'measurement', 'photo'] as const;
type Way = (typeof WAYS)[number];
const WAY_WORDS: Record<Way, string> = { decision: 'Note', measurement: 'Measurement', photo: 'Photo' };

/** Writes down what was decided, measured or looks so, about a thing of the show. It stays outside of undo. */
export function NoteForm({ plan, about }: { plan: Plan; about: Thing | null }) {
  const note = useNote();
  const showId = useShow((state) => state.id);
  const show = useShow((state) => state.show);
  const [way, setWay] = useState<Way>('decision');
  const [thing, setThing] = useState<string | null>(about ? `${about.list} ${about.recordId}` : null);
  const [words, setWords] = useState('');
  const [value, setValue] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [of, setOf] = useState<string | null>(null);
  const [more, setMore] = useState('');
  const [photo, setPhoto] = useState<KeptPhoto | null>(null);
  const [by, setBy] = useLocalStorage({ key: 'rapid-lantern-by', defaultValue: '' });
  const [list, ...id] = (thing ?? '').split(' ');
  const measurables =
    way === 'measurement' && thing !== null
      ? measurablesOf(show, { list: list as ListName, recordId: id.join(' ') })
      : [];
  const measurable = measurables.find((each) => each.id === of) ?? null;
  const isReady =
    way === 'photo'
      ? photo !== null
      : (words.trim() !== '' || measurable !== null) && (way === 'decision' || value.trim() !== '');
  const write = () => {
    const number = measurable?.parse(value);
    if (number && !number.ok) return setProblem(number.message);
    setProblem(null);
    const said: Note = {
      kind: way,
      list: thing === null ? 'show' : (list as ListName),
      recordId: thing === null ? showId : id.join(' '),
      field: `log.${newId('note')}`,
      value: valueOf(number?.ok ? number.value : null),
      ...(by.trim() !== '' && { by: by.trim() }),
    };
    note(said);
    setWords('');
    setValue('');
    setMore('');
    setPhoto(null);
    notify('It is in the log.');
  };
  const valueOf = (number: number | null): Note['value'] => {
    if (way === 'photo') return { photoId: photo!.photoId, words: words.trim() };
    if (way === 'measurement')
      return {
        what: measurable?.words ?? words.trim(),
        typed: value.trim(),
        ...(more.trim() !== '' && { how: more.trim() }),
        ...(measurable && number !== null && { of: measurable.id, number }),
      };
    return { words: words.trim(), ...(more.trim() !== '' && { reason: more.trim() }) };
  };
  return (
    <form
      className={styles.form}
      aria-label="Write into the log"
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) write();
      }}
    >
      <Stack gap={10}>
        <SegmentedControl
          aria-label="What is written"
          value={way}
          data={WAYS.map((each) => ({ value: each, label: WAY_WORDS[each] }))}
          onChange={(next) => setWay(next as Way)}
        />
        <Select
          label="About"
          placeholder="the show"
          clearable
          searchable
          value={thing}
          data={thingsOf(plan)}
          onChange={(next) => {
            setThing(next);
            setOf(null);
          }}
        />
        {measurables.length > 0 && (
          <Select
            label="What it is of the plan"
            placeholder="something else"
            clearable
            value={of}
            data={measurables.map((each) => ({ value: each.id, label: each.words }))}
            onChange={setOf}
          />
        )}
        {measurable === null && (
          <TextInput
            label={WAY_LABELS[way].words}
            placeholder={WAY_LABELS[way].example}
            maxLength={way === 'measurement' ? 120 : 300}
            value={words}
            onChange={(event) => setWords(event.currentTarget.value)}
          />
        )}
        {way === 'measurement' && (
          <TextInput
            label="Value and unit"
            placeholder={measurable?.example ?? '3.2 A, 4.81 V, 7.4 m'}
            error={problem}
            maxLength={60}
            value={value}
            onChange={(event) => setValue(event.currentTarget.value)}
          />
        )}
        {way !== 'photo' && (
          <Textarea
            label={way === 'measurement' ? 'How it was measured' : 'Why'}
            autosize
            minRows={2}
            maxLength={way === 'measurement' ? 300 : 4000}
            value={more}
            onChange={(event) => setMore(event.currentTarget.value)}
          />
        )}
        {way === 'photo' &&
          (photo ? (
            <img className={styles.photo} src={photoUrl(photo.photoId)} alt="The photo that was chosen" />
          ) : (
            <PhotoChooser variant="default" onPhoto={setPhoto} />
          ))}
        <TextInput
          label="By whom"
          placeholder="left out where it is only you"
          maxLength={80}
          value={by}
          onChange={(event) => setBy(event.currentTarget.value)}
        />
        <Button type="submit" disabled={!isReady}>
          Write it down
        </Button>
      </Stack>
    </form>
  );
}

const WAY_LABELS: Record<Way, { words: string; example: string }> = {
  decision: {
    words: 'What was decided, or is worth knowing',
    example: 'Batch 2 hangs at the left: it is warmer',
  },
  measurement: { words: 'What was measured', example: 'White at full level, one metre' },
  photo: { words: 'What it shows', example: 'Inside of the box before it was closed' },
};
