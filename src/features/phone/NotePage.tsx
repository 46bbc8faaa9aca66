import { partOf, type About } from '@/core/log/about';
import { logEntry, measuredValueSchema } from '@/core/log/entry';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { TakePhoto } from '../log/TakePhoto';
import { THE_SHOW } from '../log/things';
import { MARKS, WAYS, WAY_WORDS, useNoteDraft, type Way } from '../log/useNoteDraft';
import { photoUrl } from '../show/photos';
import { useShow } from '../show/ShowProvider';
import styles from './phone.module.css';
import { usePhoneView } from './usePhoneView';

const MOST_LINES = 12;

/** Measurements, photos, notes and wire marks with one hand. Without a line they wait, and are sent when it is there again. */
export function NotePage({ plan, controller, prop }: { plan: Plan; controller: number; prop: number }) {
  const showId = useShow((state) => state.id);
  const [{ about, port, way }] = usePhoneView();
  const { controllers, props } = plan.show;
  const thing: About =
    about === 'prop' && props[prop]
      ? { list: 'props', recordId: props[prop].id, part: null }
      : about === 'device' && controllers[controller]
        ? {
            list: 'controllers',
            recordId: controllers[controller].id,
            part: port === null ? null : `port.${port}`,
          }
        : THE_SHOW(showId);
  return (
    <>
      <Writing
        key={`${thing.list} ${thing.recordId} ${thing.part} ${way}`}
        thing={thing}
        begins={WAYS.find((each) => each === way) ?? 'measurement'}
      />
      <Noted plan={plan} thing={thing} />
    </>
  );
}

function Writing({ thing, begins }: { thing: About; begins: Way }) {
  const draft = useNoteDraft(thing, begins);
  const { way, measurables, measurable } = draft;
  const words = WAY_WORDS[way];
  return (
    <form
      className={styles.note}
      aria-label="Write into the log"
      onSubmit={(event) => {
        event.preventDefault();
        if (draft.isReady) draft.write();
      }}
    >
      <div className={styles.tests} role="group" aria-label="What is written">
        {WAYS.map((each) => (
          <button key={each} type="button" aria-pressed={way === each} onClick={() => draft.setWay(each)}>
            {WAY_WORDS[each].label}
          </button>
        ))}
      </div>
      {way === 'photo' && <TakePhoto photo={draft.photo} onPhoto={draft.setPhoto} />}
      {measurables.length > 0 && (
        <label>
          What it is of the plan
          <select
            value={measurable?.id ?? ''}
            onChange={(event) => draft.setMeasurable(event.currentTarget.value || null)}
          >
            <option value="">something else</option>
            {measurables.map((each) => (
              <option key={each.id} value={each.id}>
                {each.words}
              </option>
            ))}
          </select>
        </label>
      )}
      {measurable === null && (
        <label>
          {words.words}
          <input
            value={draft.words}
            placeholder={words.example}
            maxLength={way === 'measurement' ? 120 : 300}
            onChange={(event) => draft.setWords(event.currentTarget.value)}
          />
        </label>
      )}
      {way === 'measurement' && (
        <label>
          Value and unit
          <input
            value={draft.value}
            placeholder={measurable?.example ?? '3.2 A, 4.81 V, 7.4 m'}
            maxLength={60}
            autoComplete="off"
            aria-invalid={draft.problem !== null}
            onChange={(event) => draft.setValue(event.currentTarget.value)}
          />
        </label>
      )}
      {draft.problem !== null && <p role="alert">{draft.problem}</p>}
      {way === 'wires' &&
        MARKS.map(({ key, words: label, example }) => (
          <label key={key}>
            {label}
            <input
              value={draft.marks[key]}
              placeholder={example}
              maxLength={300}
              onChange={(event) => draft.setMark(key, event.currentTarget.value)}
            />
          </label>
        ))}
      {words.more !== '' && (
        <label>
          {words.more}
          <textarea
            rows={2}
            value={draft.more}
            maxLength={way === 'measurement' ? 300 : 4000}
            onChange={(event) => draft.setMore(event.currentTarget.value)}
          />
        </label>
      )}
      <label>
        By whom
        <input
          value={draft.by}
          placeholder="left out where it is only you"
          maxLength={80}
          onChange={(event) => draft.setBy(event.currentTarget.value)}
        />
      </label>
      <button type="submit" className={styles.write} disabled={!draft.isReady}>
        Write it down
      </button>
    </form>
  );
}

/** Notes on it, the latest first, and those that still wait. */
function Noted({ plan, thing }: { plan: Plan; thing: About }) {
  const facts = useShow((state) => state.facts);
  const photos = useShow((state) => state.notes.waiting.filter(({ asked }) => asked.kind === 'photo').length);
  const own = facts.all
    .filter(
      (fact) =>
        fact.list === thing.list &&
        (thing.list === 'show' || fact.recordId === thing.recordId) &&
        ['measurement', 'photo', 'decision'].includes(fact.kind) &&
        (thing.part === null || partOf(fact) === thing.part),
    )
    .toReversed();
  return (
    <section aria-label="What was noted">
      <h2 className={styles.group}>Noted</h2>
      {photos > 0 && <p role="status">{countOf(photos, 'photo')} on the way to the laptop.</p>}
      {own.length === 0 && <p>Nothing of it yet.</p>}
      <ul className={styles.noted}>
        {own.slice(0, MOST_LINES).map((fact) => {
          const { what, value, photoId } = logEntry(plan.show, fact);
          const isMeasured = measuredValueSchema.safeParse(fact.value).success;
          return (
            <li key={fact.id}>
              <span>{what}</span>
              {value !== null && <b className={isMeasured ? 'mono' : undefined}>{value}</b>}
              {photoId && <img src={photoUrl(photoId)} alt={what} loading="lazy" />}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
