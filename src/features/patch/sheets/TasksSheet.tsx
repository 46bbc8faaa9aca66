'use client';

import { deviceValuesTable, portSettingsTable } from '@/core/papers/tables/addresses';
import { Button, Checkbox, Chip, Group } from '@mantine/core';
import type { Controller } from '@/core/catalogue/controller';
import { deviceSettings } from '@/core/devices/deviceSettings';
import {
  changedSinceTyped,
  keptValues,
  valuesToTick,
  type ChangedValue,
} from '@/core/devices/settings/typed';
import type { DeviceSettings } from '@/core/devices/settings/registry';
import type { Plan } from '@/core/plan/planned';
import type { Task } from '@/core/show/schema';
import { DEVICE_STEPS, stepOf, tickOf } from '@/core/show/facts';
import { STEP_WORDS } from '@/core/show/stepWords';
import { countOf } from '@/core/units/number';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../../sheets/sheets.module.css';
import { useEdit, useNote, useShow } from '../../show/ShowProvider';

/** Values to type into each device, those to type again, and the progress of each. */
export function TasksSheet({ plan }: { plan: Plan }) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const facts = useShow((state) => state.facts);
  const { tasks } = show;
  const done = tasks.filter((task) => facts.isTyped(task.controllerId, task.field, task.new));
  const devices = plan.show.controllers.map((controller, index) => ({
    controller,
    settings: deviceSettings(plan, index),
    tasks: tasks.filter((task) => task.controllerId === controller.id),
    // Ticked values that have moved since, but for those that are tasks already.
    changed: changedSinceTyped(valuesToTick(deviceSettings(plan, index), controller), (field) =>
      facts.typedValue(controller.id, field),
    ).filter(
      ({ field, value }) =>
        !tasks.some(
          (task) => task.controllerId === controller.id && task.field === field && task.new === value,
        ),
    ),
  }));
  const changedCount = devices.reduce((sum, { changed }) => sum + changed.length, 0);
  return (
    <div className={sheets.sheet}>
      <Group justify="space-between" mb="md">
        <p className={sheets.lead} data-tight>
          {tasks.length + changedCount === 0
            ? 'Nothing has to be typed again. Once values are out, a change that moves some asks first and notes here what it moves: see “Before addresses move” beside the ports.'
            : `${countOf(tasks.length - done.length + changedCount, 'value')} to type, ${done.length} typed. Tick them off on site.`}
        </p>
        {done.length > 0 && (
          <Button
            size="compact-md"
            variant="default"
            onClick={() => edit({ type: 'removeTasks', taskIds: done.map((task) => task.id) })}
          >
            Put away what is typed
          </Button>
        )}
      </Group>
      <p className={sheets.lead}>{DEVICE_STEPS.map((step) => `${step}: ${STEP_WORDS[step]}`).join(' · ')}</p>
      {devices.map((device) => (
        <DeviceTasks
          key={device.controller.id}
          plan={plan}
          device={device}
          isDone={(task) => done.includes(task)}
        />
      ))}
    </div>
  );
}

interface DeviceTasksProps {
  plan: Plan;
  device: {
    controller: Controller;
    settings: DeviceSettings;
    /** Values to type again, as an edit noted them. */
    tasks: readonly Task[];
    changed: readonly ChangedValue[];
  };
  isDone: (task: Task) => boolean;
}

/** One device: its progress, its values to type again, and all of its values. */
function DeviceTasks({ plan, device: { controller, settings, tasks, changed }, isDone }: DeviceTasksProps) {
  const note = useNote();
  return (
    <section aria-label={controller.name}>
      <Group justify="space-between" mt="lg" mb={6}>
        <h2 data-tight>{controller.name}</h2>
        <DeviceSteps controllerId={controller.id} kept={keptValues(settings)} />
      </Group>
      {tasks.map((task) => (
        <AgainBox
          key={task.id}
          where={task.port || controller.name}
          words={task.what}
          from={task.old}
          to={task.new}
          isDone={isDone(task)}
          onChange={(on) => note(tickOf(task.controllerId, task.field, on ? task.new : null))}
        />
      ))}
      {changed.map((each) => (
        <AgainBox
          key={each.field}
          where={each.port ?? controller.name}
          words={each.words}
          from={each.was}
          to={`${each.value} (changed since it was ticked)`}
          isDone={false}
          onChange={() => note(tickOf(controller.id, each.field, each.value))}
        />
      ))}
      {settings.ports.length === 0 ? (
        <p className={sheets.lead}>Nothing is plugged in.</p>
      ) : (
        <>
          <SheetTable table={deviceValuesTable(plan.show, controller, settings)} />
          <SheetTable table={portSettingsTable(controller, settings.ports)} />
        </>
      )}
    </section>
  );
}

interface AgainBoxProps {
  where: string;
  words: string;
  from: string;
  to: string;
  isDone: boolean;
  onChange: (on: boolean) => void;
}

/** A value to type again, with its tick. */
function AgainBox({ where, words, from, to, isDone, onChange }: AgainBoxProps) {
  return (
    <Checkbox
      my={6}
      checked={isDone}
      onChange={(event) => onChange(event.currentTarget.checked)}
      label={
        <>
          <b className="mono">{where}</b> {words}: {from} → <b className="mono">{to}</b>
        </>
      }
    />
  );
}

/** The four steps of a device. */
function DeviceSteps({ controllerId, kept }: { controllerId: string; kept: ReturnType<typeof keptValues> }) {
  const note = useNote();
  const facts = useShow((state) => state.facts);
  return (
    <Chip.Group
      multiple
      value={DEVICE_STEPS.filter((step) => facts.isStepDone(controllerId, step, kept))}
      onChange={(next) =>
        note(
          ...DEVICE_STEPS.filter(
            (step) => next.includes(step) !== facts.isStepDone(controllerId, step, kept),
          ).map((step) => stepOf(controllerId, step, next.includes(step) ? kept : null)),
        )
      }
    >
      <Group gap={6}>
        {DEVICE_STEPS.map((step) => (
          <Chip key={step} value={step} size="xs" variant="outline" title={`${step}: ${STEP_WORDS[step]}`}>
            {step}
          </Chip>
        ))}
      </Group>
    </Chip.Group>
  );
}
