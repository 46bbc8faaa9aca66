import type { Plan } from '@/core/plan/planned';
import styles from './phone.module.css';
import type { PhonePage } from './page';
import { usePhoneView, type PhoneView } from './usePhoneView';

/** Subject of a page: a device, a prop, or any of them and the whole show. */
export function AboutSelect({
  plan,
  about,
  controller,
  prop,
}: {
  plan: Plan;
  about: PhonePage['about'];
  controller: number;
  prop: number;
}) {
  const [view, goTo] = usePhoneView();
  const { controllers, props } = plan.show;
  if (about === 'nothing') return <span className={styles.device} />;
  const ofDevice = controllers[controller] && `device ${controllers[controller].id}`;
  const ofProp = props[prop] && `prop ${props[prop].id}`;
  const value =
    about === 'device'
      ? ofDevice
      : about === 'prop'
        ? ofProp
        : view.about === 'device'
          ? ofDevice
          : view.about === 'prop'
            ? ofProp
            : 'show';
  const choose = (chosen: string) => {
    const [kind, id] = chosen.split(' ');
    const change: Partial<PhoneView> =
      kind === 'device'
        ? { device: id!, port: null, about: 'device' }
        : kind === 'prop'
          ? { prop: id!, pixel: null, about: 'prop' }
          : { about: 'show' };
    goTo(change);
  };
  const options = (kind: string, records: readonly { id: string; name: string }[]) =>
    records.map((each) => (
      <option key={each.id} value={`${kind} ${each.id}`}>
        {each.name}
      </option>
    ));
  return (
    <select
      className={styles.device}
      aria-label={{ device: 'Device', prop: 'Prop', anything: 'About' }[about]}
      value={value ?? ''}
      onChange={(event) => choose(event.currentTarget.value)}
    >
      {about === 'anything' && <option value="show">All of the show</option>}
      {about === 'prop' && options('prop', props)}
      {about === 'device' && options('device', controllers)}
      {about === 'anything' && (
        <>
          <optgroup label="Props">{options('prop', props)}</optgroup>
          <optgroup label="Devices">{options('device', controllers)}</optgroup>
        </>
      )}
    </select>
  );
}
