import { deviceSettings } from '@/core/devices/deviceSettings';
import { keptValues, valuesToTick, type ValueToTick } from '@/core/devices/settings/typed';
import type { Plan } from '@/core/plan/planned';
import { DEVICE_STEPS, stepOf, tickOf } from '@/core/show/facts';
import { STEP_WORDS } from '@/core/show/stepWords';
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
      {[...groups].map(([group, own]) => (
        <section key={group} aria-label={group}>
          <h2 className={styles.group}>{group}</h2>
          {own.map(({ field, words, value }) => {
            const isTyped = facts.isTyped(device.id, field, value);
            return (
              <label key={field} className={styles.tick} data-done={isTyped}>
                <input
                  type="checkbox"
                  checked={isTyped}
                  onChange={(event) =>
                    note(tickOf(device.id, field, event.currentTarget.checked ? value : null))
                  }
                />
                <span>{capitalised(words)}</span>
                <b className="mono">{value}</b>
              </label>
            );
          })}
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
