'use client';

import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  closestCorners,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
  type Announcements,
  type Over,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import { Button, Group } from '@mantine/core';
import { IconSettings } from '@tabler/icons-react';
import { useState, type CSSProperties } from 'react';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import type { PlannedPort } from '@/core/patch/plug';
import type { Edit } from '@/core/show/edits/registry';
import { countOf } from '@/core/units/number';
import { EffectPreview } from '../show/EffectPreview';
import { useEdit } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import { useGoTo, useView } from '../view/useView';
import styles from './patch.module.css';
import { AddController } from './AddController';
import { controllerWords } from './words';
import { universeWords } from '@/core/plan/explainRun';
import { portWords } from '@/core/devices/portWords';
import { runName } from '@/core/plan/runName';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt, controllerAt } from '@/core/plan/records';

type DropTarget = { kind: 'port'; controller: number; port: number; position?: number } | { kind: 'tray' };

const INSTRUCTIONS = {
  draggable:
    'Press Space to pick it up, arrow up and down to go from port to port, Space to put it there, Escape to leave it. Enter shows its settings.',
};

/** With more ports than this on screen, only the controller that is worked on shows its own. */
const MOST_PORTS_OPEN = 120;

/** By pointer what is below it; by keyboard the row that was gone to. */
const underPointerOrRow: CollisionDetection = (args) =>
  args.pointerCoordinates
    ? pointerWithin(args)
    : closestCorners({
        ...args,
        droppableContainers: args.droppableContainers.filter(({ id }) => !String(id).startsWith('before')),
      });

/** Enter stays what it is on every button. */
const DRAG_KEYS = { start: ['Space'], cancel: ['Escape'], end: ['Space'] };

/** Arrow up and down go from one port, or the tray, to the next. */
const toNextPort: KeyboardCoordinateGetter = (event, { currentCoordinates, context }) => {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.code];
  if (!by) return undefined;
  event.preventDefault();
  const rows = [...context.droppableContainers.getEnabled()]
    .filter(
      (container) =>
        (container.data.current as DropTarget | undefined)?.kind === 'tray' ||
        !String(container.id).startsWith('before'),
    )
    .flatMap((container) => {
      const rect = context.droppableRects.get(container.id);
      return rect ? [rect] : [];
    })
    .sort((a, b) => a.top - b.top);
  const next =
    by === 1
      ? rows.find((rect) => rect.top > currentCoordinates.y + 1)
      : rows.findLast((rect) => rect.top < currentCoordinates.y - 1);
  return next && { x: next.left + 4, y: next.top + 1 };
};

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
                  {controllerWords(controller)}
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

/** Speech about a run that is carried; its new address is read out behind it. */
function announcementsOf(plan: Plan): Announcements {
  const run = ({ id }: { id: UniqueIdentifier }) => runName(plan, Number(id));
  const place = (over: Over | null) => {
    const target = over?.data.current as DropTarget | undefined;
    if (!target) return 'over nothing';
    if (target.kind === 'tray') return 'over the runs on no port';
    const port = portName(controllerAt(plan, target.controller), target.port);
    return target.position === undefined
      ? `over port ${port}`
      : `over port ${port}, as number ${target.position} on it`;
  };
  return {
    onDragStart: ({ active }) => `${run(active)} is picked up.`,
    onDragOver: ({ active, over }) => `${run(active)}, ${place(over)}.`,
    onDragEnd: ({ active, over }) => `${run(active)} is let go ${place(over)}.`,
    onDragCancel: ({ active }) => `${run(active)} stays where it was.`,
  };
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

interface PortRowProps {
  plan: Plan;
  controller: number;
  port: number;
  planned: PlannedPort | undefined;
  selection: Selection;
}

function PortRow({ plan, controller: index, port, planned, selection }: PortRowProps) {
  const goTo = useGoTo();
  const { subject } = useView();
  const controller = controllerAt(plan, index);
  const name = portName(controller, port);
  const limit = controller.mostPixelsPerPort;
  const places = planned?.places ?? 0;
  const { setNodeRef, isOver } = useDroppable({
    id: name,
    data: { kind: 'port', controller: index, port } satisfies DropTarget,
  });
  // A port that holds too much is drawn full; its runs keep their shares.
  const whole = Math.max(limit, places);
  return (
    <div
      className={styles.port}
      data-free={!planned}
      data-chosen={subject?.kind === 'port' && subject.port === name}
      data-testid={`port-${name}`}
    >
      <button
        type="button"
        className={styles.portName}
        aria-label={`Port ${name}`}
        onClick={() => goTo({ subject: { kind: 'port', port: name } })}
      >
        {name}
      </button>
      <div ref={setNodeRef} className={styles.bar} data-over={isOver} data-full={places > limit}>
        {planned?.runs.map((run) => {
          const { pixelCount, wire, prop } = runAt(plan, run);
          return (
            <RunOnPort
              key={run}
              plan={plan}
              run={run}
              share={(pixelCount / whole) * 100}
              skipped={wire!.skippedPixels}
              chosen={
                subject?.kind === 'port'
                  ? subject.port === name
                  : selection.prop === prop &&
                    (subject?.kind !== 'prop' || subject.run === undefined || selection.run === run)
              }
            />
          );
        })}
      </div>
      <div className={`${styles.load} mono`}>
        {planned ? (
          <>
            <div>
              {portWords(plan, index, port)?.count} ·{' '}
              {places > limit ? <b>{percent(places, limit)} too many</b> : percent(places, limit)}
            </div>
            <div className={styles.universes}>{universeWords(plan, planned.runs) || 'one flat space'}</div>
            <div className={styles.runNames}>{planned.runs.map((run) => runName(plan, run)).join(', ')}</div>
          </>
        ) : (
          <span className={styles.free}>free</span>
        )}
      </div>
    </div>
  );
}

function percent(places: number, limit: number): string {
  const share = (places / limit) * 100;
  return share > 0 && share < 1 ? '<1%' : `${Math.round(share)}%`;
}

interface RunOnPortProps {
  plan: Plan;
  run: number;
  /** Percent of the bar. */
  share: number;
  skipped: number;
  chosen: boolean;
}

function RunOnPort({ plan, run, share, skipped, chosen }: RunOnPortProps) {
  const { wire } = runAt(plan, run);
  // A run dropped on another goes before it.
  const { setNodeRef, isOver } = useDroppable({
    id: `before ${run}`,
    data: {
      kind: 'port',
      controller: wire!.controller,
      port: wire!.port,
      position: wire!.chainPosition,
    } satisfies DropTarget,
  });
  return (
    <>
      {skipped > 0 && (
        <span className={`${styles.skipped} mono`} title={`${countOf(skipped, 'skipped pixel')} before it`}>
          {skipped}
        </span>
      )}
      <div ref={setNodeRef} className={styles.seat} data-over={isOver} style={{ width: `${share}%` }}>
        <RunChip plan={plan} run={run} chosen={chosen} wide />
      </div>
    </>
  );
}

function RunChip({ plan, run, chosen, wide }: { plan: Plan; run: number; chosen: boolean; wide?: boolean }) {
  const goTo = useGoTo();
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: run });
  const { prop, number, pixelCount } = runAt(plan, run);
  const name = runName(plan, run);
  return (
    <button
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      type="button"
      className={styles.chip}
      style={chipColour(prop)}
      data-wide={wide}
      data-chosen={chosen}
      data-dragging={isDragging}
      title={`${name}, ${countOf(pixelCount, 'pixel')}`}
      onClick={() => goTo({ subject: { kind: 'prop', propId: propAt(plan, prop).id, run: number } })}
    >
      <span className={styles.chipName}>{name}</span>
    </button>
  );
}

function chipColour(prop: number): CSSProperties {
  return { '--chip': `var(--run-${(prop % 6) + 1})` } as CSSProperties;
}
