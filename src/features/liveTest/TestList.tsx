import { Select, Slider } from '@mantine/core';
import { portName } from '@/core/catalogue/controller';
import { PATTERNS } from '@/core/patterns/registry';
import { testSelectionSchema, type TestSelection } from '@/core/patterns/selection';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import styles from './liveTest.module.css';
import { setTest, startPattern, useTest } from '../sending/useTest';
import { itemAt } from '@/core/units/there';

/** More of one kind are found by walking. */
const MOST_PARTS = 60;

/** Tests, and the parts to show them on. */
export function TestList({ plan, prop }: { plan: Plan; prop: number | null }) {
  const pattern = useTest((test) => test.pattern);
  const on = useTest((test) => test.on);
  const percent = useTest((test) => test.percent);
  const parts = partsOf(plan, prop);
  return (
    <div className={styles.tests}>
      {parts.length > 1 && (
        <Select
          size="xs"
          className={styles.on}
          aria-label="Shown on"
          allowDeselect={false}
          value={on ? JSON.stringify(on) : ''}
          data={[{ value: '', label: 'all of it' }, ...parts]}
          onChange={(value) => setTest({ on: value ? testSelectionSchema.parse(JSON.parse(value)) : null })}
        />
      )}
      <div className={styles.level}>
        <span id="test-level">Level</span>
        <output className="mono">{percent} %</output>
        <Slider
          aria-labelledby="test-level"
          thumbLabel="Level in percent"
          className={styles.slider}
          min={1}
          max={100}
          label={null}
          value={percent}
          onChange={(next) => setTest({ percent: next })}
        />
      </div>
      <div className={styles.list} role="group" aria-label="What is shown">
        {PATTERNS.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            aria-pressed={id === pattern}
            className={styles.pattern}
            onClick={() => startPattern(id)}
          >
            {name}
          </button>
        ))}
      </div>
    </div>
  );
}

interface Part {
  value: string;
  label: string;
}
const part = (on: TestSelection, label: string): Part => ({ value: JSON.stringify(on), label });

/** Parts of a prop: runs, ports, strands and panels; of the show: places and controllers. */
function partsOf(
  { show, props, runs, ports }: Plan,
  index: number | null,
): { group: string; items: Part[] }[] {
  const groups: { group: string; items: Part[] }[] = [];
  const add = (group: string, items: Part[]) => {
    if (items.length > 1) groups.push({ group, items: items.slice(0, MOST_PARTS) });
  };
  if (index === null) {
    add(
      'Places',
      show.places.map(({ id, name }) => part({ on: 'place', placeId: id }, name)),
    );
    add(
      'Controllers',
      show.controllers.map(({ id, name }) => part({ on: 'controller', controllerId: id }, name)),
    );
    return groups;
  }
  const prop = itemAt(show.props, index);
  const propId = prop.id;
  const { firstRun, runCount, strands } = itemAt(props, index);
  const own = runs.slice(firstRun, firstRun + runCount);
  add(
    'Runs',
    own.map(({ number }) => part({ on: 'run', propId, run: number }, `run ${number}`)),
  );
  add(
    'Ports',
    ports
      .filter((port) => port.runs.some((run) => run >= firstRun && run < firstRun + runCount))
      .map(({ controller, port }) => {
        const device = itemAt(show.controllers, controller);
        return part({ on: 'port', controllerId: device.id, port }, `port ${portName(device, port)}`);
      }),
  );
  const panels = kindOf(prop).panelPower?.(prop.shape);
  if (panels)
    add(
      'Panels',
      Array.from({ length: panels.columns * panels.rows }, (_, i) => ({
        column: 1 + (i % panels.columns),
        row: 1 + Math.floor(i / panels.columns),
      })).flatMap(({ column, row }) =>
        panels.isMissing(column, row)
          ? []
          : [part({ on: 'panel', propId, column, row }, `panel ${column} across, ${row} down`)],
      ),
    );
  else
    add(
      'Strands',
      strands.map((_, i) => part({ on: 'strand', propId, strand: i + 1 }, `strand ${i + 1}`)),
    );
  return groups;
}
