'use client';

import { useHotkeys } from '@mantine/hooks';
import { otherSide } from '@/core/threading/view';
import { useShowStore } from '../show/ShowProvider';
import { STAGES, keyOf } from '@/core/stages/stages';
import { selectionOf, subjectOfPixel } from '../view/selection';
import { currentView, useGoTo } from '../view/useView';
import { useDialog } from '../view/openDialog';
import { openSearch } from './openSearch';
import { explainNext, letGoOfExplanation } from '@/ui/explain/explaining';

type Hotkey = [keys: string, act: (event: KeyboardEvent) => void, options: { preventDefault: boolean }];

const openKeys = () => useDialog.getState().show('keys');

function hotkey(keys: string, act: () => void): Hotkey {
  return [
    keys,
    (event) => {
      if (isTakenElsewhere(event)) return;
      event.preventDefault();
      act();
    },
    { preventDefault: false },
  ];
}

/** The keys that work on every stage. They rest while a field is typed in or a dialog is open. */
export function useKeys(): void {
  const store = useShowStore();
  const goTo = useGoTo();
  // Keys may come faster than the screen is drawn, so each asks where things stand.
  const now = () => {
    const { plan } = store.getState();
    const view = currentView();
    return { plan, ...view, selection: plan ? selectionOf(plan, view.subject) : {} };
  };

  const walkPixels = (by: number) => () => {
    const { plan, selection } = now();
    const prop = selection.prop === undefined ? undefined : plan?.props[selection.prop];
    if (!plan || !prop || prop.pixelCount === 0) return;
    const last = prop.firstPixel + prop.pixelCount - 1;
    const from = selection.pixel ?? (by > 0 ? prop.firstPixel - by : last - by);
    const next = Math.min(Math.max(from + by, prop.firstPixel), last);
    goTo({ subject: subjectOfPixel(plan, next) }, selection.pixel === undefined ? 'push' : 'replace');
  };
  const walkProps = (by: 1 | -1) => () => {
    const { plan, selection } = now();
    if (!plan) return;
    const { places, props } = plan.show;
    const listed = places.flatMap((place) => props.filter((prop) => prop.placeId === place.id));
    const chosen = selection.prop === undefined ? undefined : props[selection.prop];
    const next = listed[chosen ? listed.indexOf(chosen) + by : by === 1 ? 0 : listed.length - 1];
    if (next) goTo({ subject: { kind: 'prop', propId: next.id } });
  };
  const letGo = () => {
    if (letGoOfExplanation()) return;
    const { subject } = now();
    if (subject?.kind === 'prop' && subject.pixel !== undefined)
      goTo({ subject: { kind: 'prop', propId: subject.propId } });
    else if (subject) goTo({ subject: null });
  };

  useHotkeys(
    [
      ...STAGES.map((stage) => hotkey(keyOf(stage), () => goTo({ stage: stage.id }))),
      hotkey('ArrowLeft', walkPixels(-1)),
      hotkey('ArrowRight', walkPixels(1)),
      hotkey('shift+ArrowLeft', walkPixels(-10)),
      hotkey('shift+ArrowRight', walkPixels(10)),
      hotkey('ArrowUp', walkProps(-1)),
      hotkey('ArrowDown', walkProps(1)),
      hotkey('F', () => goTo({ side: otherSide(now().side) }, 'replace')),
      hotkey('E', explainNext),
      hotkey('Z', () => window.dispatchEvent(new Event('rapid-lantern:fit'))),
      hotkey('mod+Z', () => store.getState().undo()),
      hotkey('mod+shift+Z', () => store.getState().redo()),
      hotkey('mod+Y', () => store.getState().redo()),
      hotkey('/', openSearch),
      // From inside a field as well: the keys of the search write nothing.
      ['mod+K', openSearch],
      hotkey('shift+?', openKeys),
      hotkey('?', openKeys),
      hotkey('Escape', letGo),
    ],
    [],
  );
}

/** Whether a key belongs to what has the focus, or to a dialog. */
function isTakenElsewhere(event: KeyboardEvent): boolean {
  // An explanation is no dialog that has to be answered.
  if (document.querySelector('[role="dialog"]:not([data-testid="explanation"])')) return true;
  // While a run is carried from port to port by keyboard, arrows and Escape are its own.
  if (document.querySelector('[data-dragging="true"]')) return true;
  const target = event.target instanceof HTMLElement ? event.target : null;
  if (!target) return false;
  if (target.closest('[role="menu"], [role="listbox"], textarea, [contenteditable="true"]')) return true;
  const choice = target.matches('input[type="radio"], input[type="checkbox"]');
  if (target.matches('input') && !choice) return true;
  // Arrows move within a group of choices, a slider or along the ruler; letters and digits still work there.
  const ownsArrows =
    choice || target.closest('[role="radiogroup"], [role="slider"], [role="application"]') !== null;
  return ownsArrows && event.key.startsWith('Arrow');
}
