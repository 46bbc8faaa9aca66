import { useEffect, useState } from 'react';
import { readCode } from '@/core/papers/labels/code';
import { labelsWithCode, type LabelOfThing } from '@/core/papers/labels/labels';
import { readMark } from '@/core/papers/mark';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { askMark, type MarkAnswer } from '../print/askMark';
import { useShow } from '../show/ShowProvider';
import styles from './phone.module.css';
import { usePhoneView } from './usePhoneView';

/** The thing behind a label that was scanned or typed, and whether a printed sheet still holds. */
export function CodePage({ plan }: { plan: Plan; controller: number }) {
  const [{ code }, goTo] = usePhoneView();
  const [text, setText] = useState('');
  return (
    <>
      <form
        className={styles.code}
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() !== '') goTo({ code: text.trim() });
        }}
      >
        <label htmlFor="code">Code of a label, or mark of a sheet</label>
        <input
          id="code"
          value={text}
          autoComplete="off"
          autoCapitalize="characters"
          placeholder="H7VWZ7 or 41-K7QF2"
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <button type="submit">Look it up</button>
      </form>
      {code !== null &&
        (readMark(code) ? <MarkPart key={code} mark={code} /> : <LabelPart plan={plan} code={code} />)}
    </>
  );
}

function LabelPart({ plan, code }: { plan: Plan; code: string }) {
  const found = labelsWithCode(plan, readCode(code));
  if (found.length === 0)
    return (
      <p role="alert">
        Nothing of this show has the code {readCode(code).slice(0, 20)}. What it was stuck to may have been
        taken out of the plan.
      </p>
    );
  return found.map((label) => (
    <ThingPart key={`${label.thing.recordId} ${label.thing.part}`} plan={plan} label={label} />
  ));
}

function ThingPart({ plan, label }: { plan: Plan; label: LabelOfThing }) {
  const [, goTo] = usePhoneView();
  const id = useShow((state) => state.id);
  const { list, recordId, part } = label.thing;
  const port = /^port (\d+)$/.exec(part)?.[1];
  const isDevice = list === 'controllers';
  const stage = list === 'feeds' ? 'power' : 'route';
  const propId = list === 'props' ? recordId : null;
  const name = plan.show.props.find((prop) => prop.id === propId)?.name;
  return (
    <section aria-label={label.name}>
      <h2 className={styles.port}>{label.name}</h2>
      <p>{label.words}</p>
      {isDevice && (
        <button
          type="button"
          className={styles.go}
          onClick={() =>
            goTo({ page: 'ports', device: recordId, port: port ? Number(port) : null, code: null })
          }
        >
          {port ? 'This port' : 'Its ports'}
        </button>
      )}
      {isDevice && (
        <button
          type="button"
          className={styles.go}
          onClick={() => goTo({ page: 'ticks', device: recordId, port: null, code: null })}
        >
          Its values to type
        </button>
      )}
      {propId !== null && (
        <button
          type="button"
          className={styles.go}
          onClick={() => goTo({ page: 'prop', prop: propId, pixel: null, code: null })}
        >
          Its picture and pixels
        </button>
      )}
      {propId !== null && (
        <a className={styles.go} href={`/shows/${id}/${stage}/prop/${propId}`}>
          {name} in the plan
        </a>
      )}
      {list === 'feeds' && (
        <a className={styles.go} href={`/shows/${id}/power?sheet=schedule`}>
          The schedule of leads
        </a>
      )}
    </section>
  );
}

function MarkPart({ mark }: { mark: string }) {
  const id = useShow((state) => state.id);
  const [answer, setAnswer] = useState<MarkAnswer | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let left = false;
    askMark(id, mark).then(
      (found) => left || setAnswer(found),
      (error: Error) => left || setProblem(error.message),
    );
    return () => {
      left = true;
    };
  }, [id, mark]);
  if (problem !== null) return <p role="alert">{problem}</p>;
  if (!answer) return <p role="status">Looking it up…</p>;
  const { name, sheet, revision, now, isCurrent, changes } = answer;
  return (
    <section aria-label={name} role="status">
      <h2 className={styles.port}>{isCurrent ? 'It holds' : 'The plan has changed'}</h2>
      <p>
        {name}, printed at revision {revision}.{' '}
        {isCurrent
          ? `It says what the plan says now, at revision ${now}.`
          : `The plan is at revision ${now}: print it again. ${countOf(changes.length, 'line')} differ.`}
      </p>
      <ul>
        {changes.slice(0, 40).map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
      <a className={styles.go} href={`/api/shows/${id}/sheets/${sheet}.pdf`}>
        The sheet as it is now (PDF)
      </a>
    </section>
  );
}
