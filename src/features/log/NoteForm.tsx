import { Button, SegmentedControl, Select, Stack, Textarea, TextInput } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useState } from 'react';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
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
  const [way, setWay] = useState<Way>('decision');
  const [thing, setThing] = useState<string | null>(about ? `${about.list} ${about.recordId}` : null);
  const [words, setWords] = useState('');
  const [value, setValue] = useState('');
  const [more, setMore] = useState('');
  const [photo, setPhoto] = useState<KeptPhoto | null>(null);
  const [by, setBy] = useLocalStorage({ key: 'rapid-lantern-by', defaultValue: '' });
  const isReady =
    way === 'photo' ? photo !== null : words.trim() !== '' && (way === 'decision' || value.trim() !== '');
  const write = () => {
    const [list, ...id] = (thing ?? '').split(' ');
    const said: Note = {
      kind: way,
      list: thing === null ? 'show' : (list as ListName),
      recordId: thing === null ? showId : id.join(' '),
      field: `log.${newId('note')}`,
      value: valueOf(),
      ...(by.trim() !== '' && { by: by.trim() }),
    };
    note(said);
    setWords('');
    setValue('');
    setMore('');
    setPhoto(null);
    notify('It is in the log.');
  };
  const valueOf = (): Note['value'] => {
    if (way === 'photo') return { photoId: photo!.photoId, words: words.trim() };
    if (way === 'measurement')
      return { what: words.trim(), typed: value.trim(), ...(more.trim() !== '' && { how: more.trim() }) };
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
          onChange={setThing}
        />
        <TextInput
          label={WAY_LABELS[way].words}
          placeholder={WAY_LABELS[way].example}
          maxLength={way === 'measurement' ? 120 : 300}
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
        />
        {way === 'measurement' && (
          <TextInput
            label="Value and unit"
            placeholder="3.2 A, 4.81 V, 7.4 m"
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
            // eslint-disable-next-line @next/next/no-img-element -- kept on this server, and shown as it is
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
