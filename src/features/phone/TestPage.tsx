import { useState } from 'react';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { PATTERNS } from '@/core/patterns/registry';
import type { TestSelection } from '@/core/patterns/selection';
import type { SentTest } from '@/core/rig/benchState';
import { useShow } from '../show/ShowProvider';
import styles from './phone.module.css';
import { usePhoneView } from './usePhoneView';
import { sendHeld, stopNow, useHeldTest, type TestTarget } from './useHeldTest';
import { keysOf } from '@/core/fields/keys';

/** Those that are wanted on a ladder; the others stand below. */
const FIRST = ['identify', 'ends', 'red', 'green', 'blue', 'white', 'walk', 'last', 'ports', 'labels'];
const LEVELS = [10, 30, 60, 100];
const COLOUR: SentTest['colour'] = [255, 160, 60, 0];
const TARGET_WORDS: Record<TestTarget, string> = { rig: 'To the simulator', devices: 'To the devices' };

/** Tests with a thumb. What is sent ends a few seconds after this phone is not heard of any more. */
export function TestPage({ plan, controller, prop }: { plan: Plan; controller: number; prop: number }) {
  const showId = useShow((state) => state.id);
  const [{ about, port }, goTo] = usePhoneView();
  const { to, test } = useHeldTest();
  const [percent, setPercent] = useState(30);
  const { controllers, props } = plan.show;
  const device = controllers[controller];
  const on: TestSelection =
    about === 'prop' && props[prop]
      ? { on: 'prop', propId: props[prop].id }
      : about === 'device' && device
        ? port !== null
          ? { on: 'port', controllerId: device.id, port }
          : { on: 'controller', controllerId: device.id }
        : { on: 'show' };
  const send = (pattern: string, change: Partial<SentTest> = {}) =>
    void sendHeld(showId, {
      pattern,
      on,
      level: percent / 100,
      colour: COLOUR,
      step: pattern === 'walk' ? (test?.step ?? 0) : null,
      ...change,
    });
  const setLevel = (next: number) => {
    setPercent(next);
    if (!test) return;
    // A test that was not agreed to is not sent, and must not look as if it were.
    void sendHeld(showId, { ...test, level: next / 100 }).then((isDone) => isDone || setPercent(percent));
  };
  const isWalking = test?.pattern === 'walk';
  const firsts = FIRST.flatMap((id) => PATTERNS.filter((each) => each.id === id));
  const others = PATTERNS.filter(({ id }) => !FIRST.includes(id) && id !== 'off');
  const buttons = (patterns: typeof PATTERNS) =>
    patterns.map(({ id, name }) => (
      <button key={id} type="button" aria-pressed={test?.pattern === id} onClick={() => send(id)}>
        {name}
      </button>
    ));
  return (
    <>
      <div className={styles.pair} role="group" aria-label="Where it goes">
        {keysOf(TARGET_WORDS).map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={to === each}
            onClick={() => {
              // Elsewhere it begins anew, so that nobody is lit by surprise.
              if (test) void stopNow(showId);
              useHeldTest.setState({ to: each });
            }}
          >
            {TARGET_WORDS[each]}
          </button>
        ))}
      </div>
      {about === 'device' && port !== null && device && (
        <p>
          Only port {portName(device, port)}.{' '}
          <button type="button" className={styles.plain} onClick={() => goTo({ port: null })}>
            All of it
          </button>
        </p>
      )}
      <div className={styles.tests} role="group" aria-label="Tests">
        {buttons(firsts)}
      </div>
      {isWalking && test && (
        <div className={styles.walk}>
          <button
            type="button"
            onClick={() => send('walk', { step: Math.max(0, (test.step ?? 0) - 1) })}
            disabled={(test.step ?? 0) === 0}
          >
            ← before
          </button>
          <output className={styles.step}>pixel {(test.step ?? 0) + 1}</output>
          <button type="button" onClick={() => send('walk', { step: (test.step ?? 0) + 1 })}>
            next →
          </button>
        </div>
      )}
      <h2 className={styles.group}>Level</h2>
      <div className={styles.levels} role="group" aria-label="Level">
        {LEVELS.map((each) => (
          <button key={each} type="button" aria-pressed={percent === each} onClick={() => setLevel(each)}>
            {each} %
          </button>
        ))}
      </div>
      <p className={styles.count}>
        It ends by itself when this phone sleeps, is closed or is not heard for 5 seconds. Lights may come on:
        nobody should have hands in a box.
      </p>
      <details className={styles.others}>
        <summary>Other tests</summary>
        <div className={styles.tests}>{buttons(others)}</div>
      </details>
    </>
  );
}
