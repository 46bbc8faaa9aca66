'use client';

import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { Button, Group } from '@mantine/core';
import { IconSettings } from '@tabler/icons-react';
import { useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { Edit } from '@/core/show/edits/registry';
import { countOf } from '@/core/units/number';
import { EffectPreview } from '../show/EffectPreview';
import { useEdit } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import { useGoTo, useView } from '../view/useView';
import styles from './patch.module.css';
import { AddController } from './AddController';
import { PortRow } from './PortRow';
import { RunChip, chipColour } from './RunChip';
import {
  DRAG_KEYS,
  INSTRUCTIONS,
  announcementsOf,
  toNextPort,
  underPointerOrRow,
  type DropTarget,
} from './dragging';
import { controllerWords } from './words';
import { runName } from '@/core/plan/runName';
import { itemAt } from '@/core/units/there';
import { plannedAt, runAt } from '@/core/plan/records';

/** With more ports than this on screen, only the controller that is worked on shows its own. */
const MOST_PORTS_OPEN = 120;

/** Every controller with its ports, each port with its runs to scale. Runs are dragged from port to port. */
export function PatchView({ plan, selection }: { plan: Plan; selection: Selection }) {
  const edit = useEdit();
  const goTo = useGoTo();
  const { subject } = useView();
  const [dragged, setDragged] = useState<number | null>(null);
  /** The effect of dropping the run where it is held. */
  const [heldOver, setHeldOver] = useState<Edit | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: toNextPort, keyboardCodes: DRAG_KEYS }),
  );
  const { show } = plan;
  const allOpen = show.controllers.reduce((sum, { ports }) => sum + ports, 0) <= MOST_PORTS_OPEN;
  const worksOn =
    selection.controller ??
    (selection.run === undefined ? undefined : runAt(plan, selection.run).wire?.controller) ??
    (selection.prop === undefined ? undefined : firstControllerOf(plan, selection.prop));
  const loose = plan.runs.flatMap((run, index) => (run.wire ? [] : [index]));

  /** The edit that dropping a run makes; null where it changes nothing. */
  const editOf = ({ active, over }: Pick<DragEndEvent, 'active' | 'over'>): Edit | null => {
    const target = over?.data.current as DropTarget | undefined;
    const run = plan.runs[Number(active.id)];
    if (!target || !run) return null;
    const which = { propId: itemAt(show.props, run.prop).id, run: run.number };
    if (target.kind === 'tray') return run.wire ? { type: 'takeOffRun', ...which } : null;
    const controllerId = itemAt(show.controllers, target.controller).id;
    if (
      run.wire?.controller === target.controller &&
      run.wire.port === target.port &&
      target.position === undefined
    )
      return null;
    return { type: 'putRun', ...which, controllerId, port: target.port, position: target.position };
  };
  const drop = (event: DragEndEvent) => {
    setDragged(null);
    setHeldOver(null);
    const made = editOf(event);
    if (made) edit(made);
  };

  return (
    <DndContext
      id="patch"
      accessibility={{ screenReaderInstructions: INSTRUCTIONS, announcements: announcementsOf(plan) }}
      sensors={sensors}
      collisionDetection={underPointerOrRow}
      onDragStart={({ active }) => setDragged(Number(active.id))}
      onDragOver={(event) => setHeldOver(editOf(event))}
      onDragEnd={drop}
      onDragCancel={() => {
        setDragged(null);
        setHeldOver(null);
      }}
    >
      <div className={styles.view} aria-label="Controllers and their ports" role="region">
        <Group justify="space-between" mb={10} gap={8}>
          <Button
            size="compact-sm"
            variant={subject ? 'default' : 'light'}
            leftSection={<IconSettings size={15} />}
            onClick={() => goTo({ subject: null })}
          >
            Packing and universes
          </Button>
          <AddController />
        </Group>
        {(loose.length > 0 || dragged !== null) && <Tray plan={plan} runs={loose} selection={selection} />}
        {show.controllers.length === 0 && (
          <p className={styles.free}>
            A controller has the ports that feed your props. Add the first one by its kind, which brings its
            ports and what each of them drives, then put the runs on its ports.
          </p>
        )}
        {show.controllers.map((controller, index) => {
          const open = allOpen || index === worksOn;
          const used = plan.ports.filter((port) => port.controller === index);
          return (
            <section
              key={controller.id}
              ref={
                subject?.kind === 'controller' && subject.controllerId === controller.id ? inSight : undefined
              }
              className={styles.controller}
              aria-label={controller.name}
            >
              <button
                type="button"
                className={styles.controllerHead}
                aria-current={subject?.kind === 'controller' && subject.controllerId === controller.id}
                onClick={() => goTo({ subject: { kind: 'controller', controllerId: controller.id } })}
              >
                <span className={styles.controllerName}>{controller.name}</span>
                <span className={`${styles.controllerFacts} mono`}>
                  {controllerWords(show, controller)}
                  {open ? '' : ` · ${used.length} in use`}
                </span>
              </button>
              {open &&
                Array.from({ length: controller.ports }, (_, i) => (
                  <PortRow
                    key={i}
                    plan={plan}
                    controller={index}
                    port={i + 1}
                    planned={used.find((each) => each.port === i + 1)}
                    selection={selection}
                  />
                ))}
            </section>
          );
        })}
      </div>
      <DragOverlay dropAnimation={null}>
        {dragged !== null && plan.runs[dragged] && (
          <div className={`${styles.chip} ${styles.overlay}`} style={chipColour(plan.runs[dragged].prop)}>
            {runName(plan, dragged)}
            {heldOver && (
              <div className={styles.effect} aria-live="polite">
                <EffectPreview key={JSON.stringify(heldOver)} edit={heldOver} />
              </div>
            )}
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}

/** A selection from elsewhere, by search or in the address, is in sight. */
function inSight(element: HTMLElement | null): void {
  element?.scrollIntoView({ block: 'nearest' });
}

function firstControllerOf(plan: Plan, prop: number): number | undefined {
  const { firstRun, runCount } = plannedAt(plan, prop);
  return plan.runs.slice(firstRun, firstRun + runCount).find((run) => run.wire)?.wire!.controller;
}

function Tray({ plan, runs, selection }: { plan: Plan; runs: readonly number[]; selection: Selection }) {
  const { setNodeRef, isOver } = useDroppable({ id: 'tray', data: { kind: 'tray' } satisfies DropTarget });
  return (
    <section
      ref={setNodeRef}
      className={styles.tray}
      data-over={isOver}
      data-empty={runs.length === 0}
      aria-label="Runs on no port"
    >
      <div className={styles.trayTitle}>
        {runs.length > 0
          ? `${countOf(runs.length, 'run')} on no port: drag ${runs.length === 1 ? 'it' : 'each'} onto one, or choose a port on the right`
          : 'Drop here to take it off its port'}
      </div>
      <div className={styles.trayRuns}>
        {runs.map((run) => (
          <RunChip
            key={run}
            plan={plan}
            run={run}
            chosen={selection.run === run || selection.prop === runAt(plan, run).prop}
          />
        ))}
      </div>
    </section>
  );
}
