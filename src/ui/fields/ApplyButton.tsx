import { Button, type ButtonProps } from '@mantine/core';
import { useLayoutEffect, useRef, useState, type MouseEvent } from 'react';
import { flushSync } from 'react-dom';
import { Hint } from '../Panel';

/** The part of a page whose fields a button depends on. */
const AROUND = '[role=dialog], form, section, [role=region], [data-fields]';

/**
 * A button that does something with the fields around it. While one of them holds what could not be read, the value before would be
 * applied in its place, so the button is refused with the sentence of that field, which has the focus then.
 */
export function ApplyButton({ onClick, ...rest }: ButtonProps & { onClick: () => void; type?: 'button' }) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const latest = useRef(onClick);
  useLayoutEffect(() => {
    latest.current = onClick;
  });
  const press = ({ currentTarget }: MouseEvent<HTMLButtonElement>) => {
    // The field that is typed into is read first, so that what it says now is applied.
    flushSync(() => {
      if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
    });
    const field = currentTarget.closest(AROUND)?.querySelector<HTMLElement>('input[aria-invalid=true]');
    setRefusal(field ? sentenceOf(field) : null);
    if (field) field.focus();
    else if (!currentTarget.disabled) latest.current();
  };
  return (
    <>
      {refusal !== null && (
        <div role="alert">
          <Hint>Nothing is applied: {refusal}</Hint>
        </div>
      )}
      {/* Left at the press, a field may grow by its sentence and move the button away from under the pointer. */}
      <Button {...rest} onMouseDown={(event) => event.preventDefault()} onClick={press} />
    </>
  );
}

/** The sentence below a field that was refused. */
function sentenceOf(field: HTMLElement): string {
  const told = (field.getAttribute('aria-describedby') ?? '')
    .split(' ')
    .map((id) => (id ? document.getElementById(id)?.textContent : ''))
    .find(Boolean);
  return told ?? 'a field cannot be read.';
}
