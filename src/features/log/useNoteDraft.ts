import { useLocalStorage } from '@mantine/hooks';
import { useState } from 'react';
import { newId } from '@/core/fields/fields';
import { noteField, type About } from '@/core/log/about';
import { measurablesOf, type Measurable } from '@/core/log/measurable';
import type { Note } from '@/core/show/facts';
import type { SmallPhoto } from '../show/photos';
import { notify, useNote, useNotePhoto, useShow } from '../show/ShowProvider';
import { THE_SHOW } from './things';

export const WAYS = ['measurement', 'photo', 'decision', 'wires'] as const;
export type Way = (typeof WAYS)[number];

/** Name of each way to write something down, and its fields. */
export const WAY_WORDS: Record<Way, { label: string; words: string; example: string; more: string }> = {
  measurement: {
    label: 'Measurement',
    words: 'What was measured',
    example: 'White at full level, one metre',
    more: 'How it was measured',
  },
  photo: {
    label: 'Photo',
    words: 'What it shows',
    example: 'Inside of the box before it was closed',
    more: '',
  },
  decision: {
    label: 'Note',
    words: 'What was decided, or is worth knowing',
    example: 'Batch 2 hangs at the left: it is warmer',
    more: 'Why',
  },
  wires: {
    label: 'Wire marks',
    words: 'Marks at the end that was fed',
    example: 'red stripe, none, dots; from left to right, lug up',
    more: '',
  },
};

/** The further lines of the wires of a bought product. */
export const MARKS = [
  { key: 'otherEnd', words: 'Marks at the other end', example: 'the same, lug down' },
  {
    key: 'plus',
    words: 'Which mark is plus, and how it was found',
    example: 'dots: 12 V by meter, with it plugged in',
  },
  { key: 'wayBack', words: 'The way back', example: 'stripe to stripe, spare length in the box lid' },
] as const;
type Marks = Record<(typeof MARKS)[number]['key'], string>;
const NO_MARKS: Marks = { otherEnd: '', plus: '', wayBack: '' };

/** Something that is being written down about a thing of the show, on whatever screen. It stays outside of undo. */
export function useNoteDraft(about: About | null, begins: Way = 'decision') {
  const note = useNote();
  const notePhoto = useNotePhoto();
  const showId = useShow((state) => state.id);
  const show = useShow((state) => state.show);
  const [way, setWay] = useState<Way>(begins);
  const [words, setWords] = useState('');
  const [value, setValue] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [of, setOf] = useState<string | null>(null);
  const [more, setMore] = useState('');
  const [marks, setMarks] = useState<Marks>(NO_MARKS);
  const [photo, setPhoto] = useState<SmallPhoto | null>(null);
  const [by, setBy] = useLocalStorage({ key: 'rapid-lantern-by', defaultValue: '' });
  const measurables = way === 'measurement' && about ? measurablesOf(show, about) : [];
  const measurable = measurables.find((each) => each.id === of) ?? null;
  const isSaid = words.trim() !== '' || measurable !== null;
  const isReady = way === 'photo' ? photo !== null : isSaid && (way !== 'measurement' || value.trim() !== '');

  /** @returns whether it was written down */
  const write = (): boolean => {
    const number = measurable?.parse(value);
    if (number && !number.ok) {
      setProblem(number.message);
      return false;
    }
    const { list, recordId, part } = about ?? THE_SHOW(showId);
    const said: Note = {
      kind: way === 'wires' ? 'decision' : way,
      list,
      recordId,
      field: noteField(part, newId('note')),
      value: valueOf(measurable, number?.ok ? number.value : null),
      ...(by.trim() !== '' && { by: by.trim() }),
    };
    if (way === 'photo') notePhoto(photo!.photo, said);
    else note(said);
    clear();
    notify('It is in the log.');
    return true;
  };
  const clear = () => {
    setProblem(null);
    setWords('');
    setValue('');
    setMore('');
    setMarks(NO_MARKS);
    setPhoto(null);
  };
  const valueOf = (measured: Measurable | null, number: number | null): Note['value'] => {
    switch (way) {
      case 'photo':
        // The id of the photo comes when the server has it.
        return { words: words.trim() };
      case 'wires':
        return {
          fedEnd: words.trim(),
          otherEnd: marks.otherEnd.trim(),
          plus: marks.plus.trim(),
          wayBack: marks.wayBack.trim(),
        };
      case 'measurement':
        return {
          what: measured?.words ?? words.trim(),
          typed: value.trim(),
          ...(more.trim() !== '' && { how: more.trim() }),
          ...(measured && number !== null && { of: measured.id, number }),
        };
      case 'decision':
        return { words: words.trim(), ...(more.trim() !== '' && { reason: more.trim() }) };
    }
  };
  return {
    way,
    setWay: (next: Way) => {
      setWay(next);
      setProblem(null);
    },
    words,
    setWords,
    value,
    setValue,
    problem,
    measurables,
    measurable,
    setMeasurable: setOf,
    more,
    setMore,
    marks,
    setMark: (key: keyof Marks, text: string) => setMarks({ ...marks, [key]: text }),
    photo,
    setPhoto,
    by,
    setBy,
    isReady,
    write,
  };
}
