'use client';

import { Button, TextInput, type TextInputProps } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { Parsed, Reading } from '@/core/units/length';

interface ParsedFieldProps<Value> extends Omit<TextInputProps, 'value' | 'onChange' | 'error'> {
  value: Value;
  /** The value as it is written in the field. */
  format: (value: Value) => string;
  parse: (text: string) => Parsed<Value>;
  /** Called with a value that is new and allowed. Answering false puts the old one back. */
  onCommit: (value: Value) => boolean | void;
  /** Readings of a text that may be meant in more than one way: they are asked about, and nothing is taken until one is chosen. */
  readings?: (text: string) => readonly Reading<Value>[];
  /** A sentence on how a text was read, where that is worth saying; it stands below the field until it is gone to again. */
  readAs?: (text: string, value: Value) => string | null;
  /** The value after arrow up (1) or arrow down (-1); without it they do nothing. */
  stepBy?: (value: Value, by: 1 | -1) => Value;
}

/** A press of a button is over by then. */
const NOTE_AFTER_MS = 300;

/**
 * A field that reads what people write. It takes the value on Enter or when left; what it cannot read stays in the field
 * with a sentence below, and nothing is changed. Escape puts the old value back.
 */
export function ParsedField<Value>({
  value,
  format,
  parse,
  onCommit,
  stepBy,
  readings,
  readAs,
  ...rest
}: ParsedFieldProps<Value>) {
  const [draft, setDraft] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const [asked, setAsked] = useState<readonly Reading<Value>[]>([]);
  const [note, setNote] = useState<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const shown = draft ?? format(value);

  // A moment later: a field that grows at once would move a button away from under the pointer that presses it.
  const sayLater = (words: string | null) => {
    clearTimeout(timer.current);
    if (words !== null) timer.current = setTimeout(() => setNote(words), NOTE_AFTER_MS);
  };
  useEffect(() => () => clearTimeout(timer.current), []);

  const drop = () => {
    setDraft(null);
    setMessage(null);
    setAsked([]);
  };
  const take = (next: Value) => {
    if (next !== value && onCommit(next) === false) return setMessage('This is not possible here.');
    if (draft !== null) sayLater(readAs?.(draft, next) ?? null);
    drop();
  };
  const commit = () => {
    if (draft === null || draft === format(value)) return drop();
    const parsed = parse(draft);
    if (!parsed.ok) return setMessage(parsed.message);
    const meant = readings?.(draft) ?? [];
    if (meant.length > 1 && parsed.value !== value) return setAsked(meant);
    take(parsed.value);
  };

  return (
    <TextInput
      {...rest}
      {...(note !== null && {
        description: note,
        inputWrapperOrder: ['label', 'input', 'description', 'error'],
      })}
      value={shown}
      error={
        asked.length > 0 ? (
          <span role="group" aria-label="How it is meant">
            {shown.trim()} what?{' '}
            {asked.map((reading) => (
              <Button
                key={reading.words}
                size="compact-sm"
                variant="default"
                mr={6}
                mt={4}
                // The field must not be left before the press.
                onMouseDown={(event) => event.preventDefault()}
                onClick={() => take(reading.value)}
              >
                {reading.words}
              </Button>
            ))}
          </span>
        ) : (
          message
        )
      }
      onChange={(event) => {
        setDraft(event.currentTarget.value);
        setMessage(null);
        clearTimeout(timer.current);
        setNote(null);
        setAsked([]);
      }}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (stepBy && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
          event.preventDefault();
          const parsed = parse(shown);
          if (parsed.ok) setDraft(format(stepBy(parsed.value, event.key === 'ArrowUp' ? 1 : -1)));
        }
        if (event.key === 'Escape' && draft !== null) {
          event.stopPropagation();
          drop();
        }
      }}
    />
  );
}
