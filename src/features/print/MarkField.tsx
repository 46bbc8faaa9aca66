import { Button, Group, TextInput } from '@mantine/core';
import { useState } from 'react';
import { countOf } from '@/core/units/number';
import { useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';
import { askMark, type MarkAnswer } from './askMark';
import styles from './print.module.css';

/** A mark typed off a sheet, and whether the sheet still says what the plan says. */
export function MarkField() {
  const id = useShow((state) => state.id);
  const [text, setText] = useState('');
  const [answer, setAnswer] = useState<MarkAnswer | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const ask = () =>
    askMark(id, text).then(
      (found) => {
        setAnswer(found);
        setProblem(null);
      },
      (error: Error) => {
        setAnswer(null);
        setProblem(error.message);
      },
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') void ask();
      }}
    >
      <Group align="flex-end" gap={8} wrap="nowrap">
        <TextInput
          label="Its mark"
          placeholder="41-K7QF2"
          value={text}
          error={problem}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <Button type="submit" variant="default">
          Ask
        </Button>
      </Group>
      {answer && <MarkAnswered answer={answer} />}
    </form>
  );
}

function MarkAnswered({ answer }: { answer: MarkAnswer }) {
  const goTo = useGoTo();
  const { name, sheet, revision, now, isCurrent, changes } = answer;
  return (
    <div role="status" className={styles.answer}>
      <p>
        <strong>{name}</strong>, printed at revision {revision}:{' '}
        {isCurrent
          ? `it says what the plan says now, at revision ${now}.`
          : `the plan has changed since. It is at revision ${now}; print it again.`}
      </p>
      {changes.length > 0 && (
        <>
          <p>{countOf(changes.length, 'line')} differ:</p>
          <ul>
            {changes.slice(0, 60).map((line, i) => (
              <li key={i}>{line}</li>
            ))}
          </ul>
        </>
      )}
      <Button size="compact-sm" variant="default" onClick={() => goTo({ stage: 'print', paper: sheet })}>
        Look at it now
      </Button>
    </div>
  );
}
