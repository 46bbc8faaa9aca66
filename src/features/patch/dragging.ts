import {
  closestCorners,
  pointerWithin,
  type CollisionDetection,
  type KeyboardCoordinateGetter,
  type Announcements,
  type Over,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { runName } from '@/core/plan/runName';
import { controllerAt } from '@/core/plan/records';

/** A place on which a run may be dropped. */
export type DropTarget =
  { kind: 'port'; controller: number; port: number; position?: number } | { kind: 'tray' };

export const INSTRUCTIONS = {
  draggable:
    'Press Space to pick it up, arrow up and down to go from port to port, Space to put it there, Escape to leave it. Enter shows its settings.',
};

/** By pointer what is below it; by keyboard the row that was gone to. */
export const underPointerOrRow: CollisionDetection = (args) =>
  args.pointerCoordinates
    ? pointerWithin(args)
    : closestCorners({
        ...args,
        droppableContainers: args.droppableContainers.filter(({ id }) => !String(id).startsWith('before')),
      });

/** Enter stays what it is on every button. */
export const DRAG_KEYS = { start: ['Space'], cancel: ['Escape'], end: ['Space'] };

/** Arrow up and down go from one port, or the tray, to the next. */
export const toNextPort: KeyboardCoordinateGetter = (event, { currentCoordinates, context }) => {
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

/** Speech about a run that is carried; its new address is read out behind it. */
export function announcementsOf(plan: Plan): Announcements {
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
