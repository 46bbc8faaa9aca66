import { deviceSettings } from '@/core/devices/deviceSettings';
import { changedSinceTyped, keptValues, valuesToTick, type ValueToTick } from '@/core/devices/settings/typed';
import type { Plan } from '@/core/plan/planned';
import { DEVICE_STEPS, stepOf, tickOf } from '@/core/show/facts';
import { STEP_WORDS } from '@/core/show/stepWords';
import { countOf } from '@/core/units/number';
import { capitalised } from '@/core/units/words';
import { useNote, useShow } from '../show/ShowProvider';
import styles from './phone.module.css';
import { usePhoneView } from './usePhoneView';
import { controllerAt } from '@/core/plan/records';

/** All that is typed into a device, ticked with a thumb. A tick is for just this value: where the plan moves it, the tick is gone. */
export function TicksPage({ plan, controller }: { plan: Plan; controller: number }) {
  const note = useNote();
  const [, goTo] = usePhoneView();
  const facts = useShow((state) => state.facts);
  const device = controllerAt(plan, controller);
  const settings = deviceSettings(plan, controller);
  const kept = keptValues(settings);
  const values = valuesToTick(settings, device);
  const done = values.filter(({ field, value }) => facts.isTyped(device.id, field, value)).length;
  const changed = changedSinceTyped(values, (field) => facts.typedValue(device.id, field));
  const groups = new Map<string, ValueToTick[]>();
  for (const each of values) {
    const group = each.port ?? device.name;
    groups.set(group, [...(groups.get(group) ?? []), each]);
  }
  if (settings.ports.length === 0) return <p>Nothing is plugged into {device.name} yet.</p>;
  return (
    <>
      <p className={styles.count} role="status">
        {done} of {values.length} typed
      </p>
      {changed.length > 0 && (
        <section className={styles.changed} aria-label="Changed since it was typed">
          <h2 className={styles.group}>{countOf(changed.length, 'value')} changed</h2>
          {changed.map((each) => (
            <Tick key={each.field} controllerId={device.id} value={each} was={each.was} />
          ))}
        </section>
      )}
      {[...groups].map(([group, own]) => (
        <section key={group} aria-label={group}>
          <h2 className={styles.group}>{group}</h2>
          {own.map((each) => (
            <Tick key={each.field} controllerId={device.id} value={each} />
          ))}
        </section>
      ))}
      <section aria-label="When all of it is typed">
        <h2 className={styles.group}>When all of it is typed</h2>
        {DEVICE_STEPS.map((step) => {
          const isDone = facts.isStepDone(device.id, step, kept);
          return (
            <label key={step} className={styles.tick} data-done={isDone}>
              <input
                type="checkbox"
                checked={isDone}
                onChange={(event) => note(stepOf(device.id, step, event.currentTarget.checked ? kept : null))}
              />
              <span>
                {capitalised(step)}
                <small>{STEP_WORDS[step]}</small>
              </span>
            </label>
          );
        })}
      </section>
      <button
        type="button"
        className={styles.go}
        onClick={() => goTo({ page: 'note', about: 'device', port: null, way: 'photo' })}
      >
        Photo before the box is closed
      </button>
    </>
  );
}

/** A value with its tick. @param was what was ticked before the plan moved it */
function Tick({ controllerId, value, was }: { controllerId: string; value: ValueToTick; was?: string }) {
  const note = useNote();
  const isTyped = useShow((state) => state.facts).isTyped(controllerId, value.field, value.value);
  const words = capitalised(value.words);
  return (
    <label className={styles.tick} data-done={isTyped}>
      <input
        type="checkbox"
        checked={isTyped}
        onChange={(event) =>
          note(tickOf(controllerId, value.field, event.currentTarget.checked ? value.value : null))
        }
      />
      <span>
        {was !== undefined && value.port ? `${value.port} ${value.words}` : words}
        {was !== undefined && <small>was {was}</small>}
      </span>
      <b className="mono">{value.value}</b>
    </label>
  );
}
