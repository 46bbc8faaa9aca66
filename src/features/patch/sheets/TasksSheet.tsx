'use client';

import { deviceValuesTable, portSettingsTable } from '@/core/papers/tables/addresses';
import { Button, Checkbox, Chip, Group } from '@mantine/core';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { keptValues } from '@/core/devices/settings/typed';
import type { Plan } from '@/core/plan/planned';
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
  const note = useNote();
  const facts = useShow((state) => state.facts);
  const { tasks } = show;
  const done = tasks.filter((task) => facts.isTyped(task.controllerId, task.field, task.new));
  const devices = plan.show.controllers.map((controller, index) => ({
    controller,
    settings: deviceSettings(plan, index),
    kept: keptValues(deviceSettings(plan, index)),
    tasks: tasks.filter((task) => task.controllerId === controller.id),
  }));
  return (
    <div className={sheets.sheet}>
      <Group justify="space-between" mb="md">
        <p className={sheets.lead} data-tight>
          {tasks.length === 0
            ? 'Nothing has to be typed again. Once values are out, a change that moves some asks first and notes here what it moves: see “Before addresses move” beside the ports.'
            : `${countOf(tasks.length - done.length, 'value')} to type, ${done.length} typed. Tick them off on site.`}
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
      {devices.map(({ controller, settings, kept, tasks: own }) => (
        <section key={controller.id} aria-label={controller.name}>
          <Group justify="space-between" mt="lg" mb={6}>
            <h2 data-tight>{controller.name}</h2>
            <Chip.Group
              multiple
              value={DEVICE_STEPS.filter((step) => facts.isStepDone(controller.id, step, kept))}
              onChange={(next) =>
                note(
                  ...DEVICE_STEPS.filter(
                    (step) => next.includes(step) !== facts.isStepDone(controller.id, step, kept),
                  ).map((step) => stepOf(controller.id, step, next.includes(step) ? kept : null)),
                )
              }
            >
              <Group gap={6}>
                {DEVICE_STEPS.map((step) => (
                  <Chip
                    key={step}
                    value={step}
                    size="xs"
                    variant="outline"
                    title={`${step}: ${STEP_WORDS[step]}`}
                  >
                    {step}
                  </Chip>
                ))}
              </Group>
            </Chip.Group>
          </Group>
          {own.map((task) => (
            <Checkbox
              key={task.id}
              my={6}
              checked={done.includes(task)}
              onChange={(event) =>
                note(tickOf(task.controllerId, task.field, event.currentTarget.checked ? task.new : null))
              }
              label={
                <>
                  <b className="mono">{task.port || controller.name}</b> {task.what}: {task.old} →{' '}
                  <b className="mono">{task.new}</b>
                </>
              }
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
      ))}
    </div>
  );
}
