import { useHotkeys } from '@mantine/hooks';
import { startPattern, stepBy } from '../sending/useTest';

const TYPED =
  'input:not([type="radio"]):not([type="checkbox"]), textarea, [contenteditable], [role="listbox"]';

/** Keys typed into a field are none of the bench; a choice between two, which keeps the focus when it is pressed, is no field. */
const isTyped = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement && target.closest(TYPED) !== null;

/** A button that was walked to by keys is pressed by the space bar; one that was clicked is done with. */
const isPressed = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement && target.matches('button:focus-visible, input:focus-visible');

/** Keys that work wherever the focus is but in a field: fills, dark, and the steps of a walk. */
export function useTestKeys(): void {
  const unlessTyped = (act: () => void) => (event: KeyboardEvent) => {
    if (isTyped(event)) return;
    event.preventDefault();
    act();
  };
  const unlessPressed = (act: () => void) => (event: KeyboardEvent) => {
    if (!isPressed(event)) unlessTyped(act)(event);
  };
  const plain = { preventDefault: false };
  useHotkeys(
    [
      ['space', unlessPressed(() => stepBy(1)), plain],
      ['shift+space', unlessPressed(() => stepBy(-1)), plain],
      ['R', unlessTyped(() => startPattern('red')), plain],
      ['G', unlessTyped(() => startPattern('green')), plain],
      ['B', unlessTyped(() => startPattern('blue')), plain],
      ['W', unlessTyped(() => startPattern('white')), plain],
      ['0', unlessTyped(() => startPattern('off')), plain],
    ],
    [],
  );
}
