'use client';

import { ActionIcon, Button, TextInput, Tooltip } from '@mantine/core';
import { IconPlus, IconTrash } from '@tabler/icons-react';
import { useState } from 'react';
import type { PixelRange } from '@/core/props/extras';
import { readRange, writeRange, type RangeConvention } from '@/core/props/ranges';
import { newName } from '@/core/fields/fields';
import styles from './RangeRows.module.css';
import { capitalised } from '@/core/units/words';
import { itemAt } from '@/core/units/there';

interface RangeRowsProps {
  /** The word for one of them: `range`, `batch`. */
  word: string;
  ranges: readonly PixelRange[];
  pixelCount: number;
  convention: RangeConvention;
  /** LEDs of the device before the prop, where the device counts all that it has. */
  before: number;
  /** Called with every keystroke that can be read, so that what is odd is said while typing. */
  onTyping: (ranges: PixelRange[] | null) => void;
  onCommit: (ranges: PixelRange[]) => boolean;
}

/** Text in a row that is not kept yet. */
interface Draft {
  row: number;
  name: string;
  start: string;
  second: string;
}

/** Named stretches of pixels, written as the screen of the device writes them. */
export function RangeRows(props: RangeRowsProps) {
  const { word, ranges, pixelCount, convention, before, onTyping, onCommit } = props;
  const [draft, setDraft] = useState<Draft | null>(null);
  const secondHead =
    convention.end === 'length' ? 'Length' : convention.end === 'inclusive' ? 'Last' : 'Stop';
  const textOf = (range: PixelRange, row: number): Draft => {
    const [start, second] = writeRange(range, convention, before);
    return { row, name: range.name, start: String(start), second: String(second) };
  };
  const withDraft = (typed: Draft): PixelRange[] | null => {
    const [start, second] = [typed.start, typed.second].map((text) =>
      /^\s*\d{1,8}\s*$/.test(text) ? Number(text) : NaN,
    );
    const read = Number.isNaN(start! + second!) ? null : readRange(start!, second!, convention, before);
    const name = typed.name.trim().replace(/\s+/g, ' ').slice(0, 80);
    if (!read || name === '') return null;
    return ranges.map((range, i) => (i === typed.row ? { name, ...read } : range));
  };
  const type = (change: Partial<Draft>, row: number) => {
    const next = { ...(draft?.row === row ? draft : textOf(itemAt(ranges, row), row)), ...change };
    setDraft(next);
    onTyping(withDraft(next));
  };
  const drop = () => {
    setDraft(null);
    onTyping(null);
  };
  const commit = () => {
    if (!draft) return;
    const next = withDraft(draft);
    // Text that cannot be read stays in its field with its sentence.
    if (!next) return;
    if (JSON.stringify(next) !== JSON.stringify(ranges) && !onCommit(next)) return;
    drop();
  };
  const add = () => {
    const end = Math.max(0, ...ranges.map((range) => range.firstPixel + range.pixelCount - 1));
    const name = newName(
      `${capitalised(word)} ${ranges.length + 1}`,
      ranges.map((range) => range.name),
    );
    const room = pixelCount - end;
    onCommit([
      ...ranges,
      room > 0
        ? { name, firstPixel: end + 1, pixelCount: room }
        : { name, firstPixel: Math.max(1, pixelCount), pixelCount: 1 },
    ]);
  };
  return (
    <div className={styles.rows}>
      {ranges.length > 0 && (
        <div className={`${styles.row} ${styles.head}`}>
          <span>Name</span>
          <span>Start</span>
          <span>{secondHead}</span>
          <span className={styles.figure}>Pixels</span>
        </div>
      )}
      {ranges.map((range, row) => {
        const shown = draft?.row === row ? draft : textOf(range, row);
        const unread = draft?.row === row && withDraft(draft) === null;
        const field = (part: 'name' | 'start' | 'second', label: string) => (
          <TextInput
            size="sm"
            aria-label={`${label} of ${word} ${row + 1}`}
            value={shown[part]}
            error={unread && part === 'second' ? sentence(convention, before) : unread || undefined}
            inputMode={part === 'name' ? 'text' : 'numeric'}
            onChange={(event) => type({ [part]: event.currentTarget.value }, row)}
            onBlur={commit}
            onKeyDown={(event) => {
              if (event.key === 'Enter') commit();
              if (event.key === 'Escape' && draft) {
                event.stopPropagation();
                drop();
              }
            }}
          />
        );
        return (
          <div key={row} className={styles.row}>
            {field('name', 'Name')}
            {field('start', 'Start')}
            {field('second', secondHead)}
            <span className={styles.count}>
              {(draft?.row === row && withDraft(draft)?.[row]?.pixelCount) || range.pixelCount}
            </span>
            <span className={styles.tools}>
              <Tooltip label={`Remove ${range.name}`}>
                <ActionIcon
                  variant="subtle"
                  color="gray"
                  aria-label={`Remove ${range.name}`}
                  onClick={() => {
                    drop();
                    onCommit(ranges.filter((_, i) => i !== row));
                  }}
                >
                  <IconTrash size={15} />
                </ActionIcon>
              </Tooltip>
            </span>
          </div>
        );
      })}
      <div>
        <Button
          size="compact-md"
          variant="default"
          leftSection={<IconPlus size={15} />}
          onClick={add}
          disabled={ranges.length >= 500 || pixelCount === 0}
        >
          Add a {word}
        </Button>
      </div>
    </div>
  );
}

function sentence({ firstIndex, end }: RangeConvention, before: number): string {
  const second =
    end === 'length'
      ? 'a length of 1 or more'
      : end === 'inclusive'
        ? 'a last one not before it'
        : 'a stop after it';
  return `A name, a start from ${before + firstIndex} on, and ${second}.`;
}
