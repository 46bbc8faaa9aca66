import { portName } from '@/core/catalogue/controller';
import type { PlannedPort } from '@/core/patch/plug';
import type { Plan } from '@/core/plan/planned';
import { runName } from '@/core/plan/runName';
import { countOf, groupDigits } from '@/core/units/number';
import { portWords } from '@/core/devices/portWords';
import styles from './phone.module.css';
import { FactRows } from './FactRows';
import { usePhoneView } from './usePhoneView';
import { runAt, controllerAt } from '@/core/plan/records';

/** The ports of a device, and one of them with its facts first. */
export function PortsPage({ plan, controller }: { plan: Plan; controller: number }) {
  const [{ port }, goTo] = usePhoneView();
  const device = controllerAt(plan, controller);
  const planned = (number: number) =>
    plan.ports.find((each) => each.controller === controller && each.port === number);
  if (port !== null && port <= device.ports)
    return <OnePort plan={plan} controller={controller} port={port} planned={planned(port)} />;
  return (
    <ul className={styles.list}>
      {Array.from({ length: device.ports }, (_, i) => {
        const at = planned(i + 1);
        const typed = portWords(plan, controller, i + 1);
        return (
          <li key={i}>
            <button type="button" className={styles.row} onClick={() => goTo({ port: i + 1 })}>
              <strong className="mono">{portName(device, i + 1)}</strong>
              <span className={styles.words}>
                {at ? at.runs.map((run) => runName(plan, run)).join(', ') : 'free'}
                {typed && (
                  <small className="mono">{[typed.start, typed.pixels].filter(Boolean).join(' · ')}</small>
                )}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

interface OnePortProps {
  plan: Plan;
  controller: number;
  port: number;
  planned: PlannedPort | undefined;
}

function OnePort({ plan, controller, port, planned }: OnePortProps) {
  const [, goTo] = usePhoneView();
  const device = controllerAt(plan, controller);
  const typed = portWords(plan, controller, port);
  const facts: [string, string][] = planned
    ? [
        ['To type', typed?.pixels ?? 'nothing'],
        ['Starts at', typed?.start ?? 'no address'],
        ['Ends at', typed?.end ?? 'no address'],
        ['Pixels lit', groupDigits(planned.pixels)],
        ['On the wire', `${groupDigits(planned.places)} of ${groupDigits(device.mostPixelsPerPort)}`],
      ]
    : [];
  return (
    <>
      <h2 className={styles.port}>{portName(device, port)}</h2>
      {planned ? <FactRows rows={facts} /> : <p>Nothing is plugged in here.</p>}
      {planned && (
        <ol className={styles.runs} aria-label="Behind it, in order">
          {planned.runs.map((run) => (
            <li key={run}>
              {runName(plan, run)}{' '}
              <span className="mono">{countOf(runAt(plan, run).pixelCount, 'pixel')}</span>
            </li>
          ))}
        </ol>
      )}
      {planned && (
        <div className={styles.pair}>
          <button type="button" onClick={() => goTo({ page: 'test', about: 'device', port })}>
            Light it
          </button>
          <button type="button" onClick={() => goTo({ page: 'note', about: 'device', port })}>
            Note of it
          </button>
        </div>
      )}
      <div className={styles.walk}>
        <button type="button" disabled={port <= 1} onClick={() => goTo({ port: port - 1 })}>
          ← {port > 1 ? portName(device, port - 1) : 'first port'}
        </button>
        <button type="button" onClick={() => goTo({ port: null })}>
          All ports
        </button>
        <button type="button" disabled={port >= device.ports} onClick={() => goTo({ port: port + 1 })}>
          {port < device.ports ? portName(device, port + 1) : 'last port'} →
        </button>
      </div>
    </>
  );
}
