import { useEffect, useRef, type RefObject } from 'react';

interface PointerActions {
  pan: (dxPx: number, dyPx: number) => void;
  zoom: (xPx: number, yPx: number, factor: number) => void;
  hover: (xPx: number, yPx: number) => void;
  leave: () => void;
  tap: (xPx: number, yPx: number) => void;
  /** The effect of a drag that begins here instead of panning; undefined where it pans. */
  drag?: (xPx: number, yPx: number) => Drag | undefined;
}

/** A drag on its way. Places are those of the pointer. */
interface Drag {
  move: (xPx: number, yPx: number) => void;
  /** Also called after a mere tap, with `moved` false. */
  end: (xPx: number, yPx: number, moved: boolean) => void;
  cancel: () => void;
}

/** One pointer pans, two zoom, and one that hardly moved is a tap. */
export function usePointers(actions: PointerActions) {
  const down = useRef(new Map<number, { x: number; y: number }>());
  const travelled = useRef(0);
  const drag = useRef<Drag | undefined>(undefined);
  // Parts of a drawing have offsets of their own; places are those in the element that listens.
  const at = (event: React.PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };

  return {
    zoomBy: actions.zoom,
    onPointerDown: (event: React.PointerEvent) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      const place = at(event);
      if (down.current.size === 0) {
        travelled.current = 0;
        drag.current = actions.drag?.(place.x, place.y);
      } else {
        // A second finger zooms.
        drag.current?.cancel();
        drag.current = undefined;
      }
      down.current.set(event.pointerId, place);
    },
    onPointerMove: (event: React.PointerEvent) => {
      const now = at(event);
      const before = down.current.get(event.pointerId);
      if (!before) return actions.hover(now.x, now.y);
      down.current.set(event.pointerId, now);
      const [dx, dy] = [now.x - before.x, now.y - before.y];
      travelled.current += Math.hypot(dx, dy);
      const others = [...down.current].filter(([id]) => id !== event.pointerId).map(([, place]) => place);
      const other = others[0];
      if (!other) {
        if (drag.current) drag.current.move(now.x, now.y);
        else if (travelled.current > 4) actions.pan(dx, dy);
        return;
      }
      const spread = Math.hypot(now.x - other.x, now.y - other.y);
      const spreadBefore = Math.hypot(before.x - other.x, before.y - other.y);
      if (spreadBefore > 0) actions.zoom((now.x + other.x) / 2, (now.y + other.y) / 2, spread / spreadBefore);
      actions.pan(dx / 2, dy / 2);
    },
    onPointerUp: (event: React.PointerEvent) => {
      const wasDown = down.current.delete(event.pointerId);
      const { x, y } = at(event);
      const dragged = drag.current;
      drag.current = undefined;
      if (dragged && event.type === 'pointerup') return dragged.end(x, y, travelled.current > 4);
      if (dragged) return dragged.cancel();
      if (wasDown && event.type === 'pointerup' && travelled.current <= 4) actions.tap(x, y);
    },
    onPointerLeave: () => {
      if (down.current.size === 0) actions.leave();
    },
  };
}

/** Zooms with the wheel. React listens to it passively, and the page must not scroll meanwhile. */
export function useWheel(
  ref: RefObject<Element | null>,
  zoomBy: (xPx: number, yPx: number, factor: number) => void,
): void {
  const zoom = useRef(zoomBy);
  useEffect(() => {
    zoom.current = zoomBy;
  });
  useEffect(() => {
    const element = ref.current!;
    const wheel = (event: Event) => {
      const { clientX, clientY, deltaY, deltaMode } = event as WheelEvent;
      event.preventDefault();
      const box = element.getBoundingClientRect();
      zoom.current(clientX - box.left, clientY - box.top, 2 ** (-deltaY / (deltaMode === 1 ? 12 : 360)));
    };
    element.addEventListener('wheel', wheel, { passive: false });
    return () => element.removeEventListener('wheel', wheel);
  }, [ref]);
}
