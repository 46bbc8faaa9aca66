'use client';

import {
  FloatingFocusManager,
  FloatingPortal,
  autoUpdate,
  flip,
  offset,
  shift,
  useDismiss,
  useFloating,
  useInteractions,
} from '@floating-ui/react';
import { useState } from 'react';
import {
  formulaInFigures,
  formulaInWords,
  inputsOf,
  standsOn,
  textOf,
  type Explained,
  type Place,
} from '@/core/figures/explained';
import { standingWords } from '@/core/figures/figure';
import { capitalised } from '@/core/units/words';
import { useDialog } from '../view/openDialog';
import { stageOf } from '@/core/stages/stages';
import { useGoTo } from '../view/useView';
import styles from '@/ui/explain/explain.module.css';
import { useExplaining } from '@/ui/explain/explaining';
import { useLengths } from '@/ui/lengths';
import { lastOf } from '@/core/units/there';

/** The explanation that is open, beside its number. */
export function Explanation() {
  const { shown, held, hide } = useExplaining();
  const {
    refs: { setFloating },
    floatingStyles,
    context,
  } = useFloating({
    open: shown !== null,
    onOpenChange: (open) => open || hide(true),
    elements: { reference: shown?.at ?? null },
    placement: 'left-start',
    middleware: [
      offset(10),
      flip({ padding: 8, fallbackAxisSideDirection: 'end' }),
      shift({ padding: 8, crossAxis: true }),
    ],
    whileElementsMounted: autoUpdate,
  });
  const { getFloatingProps } = useInteractions([
    useDismiss(context, { referencePress: false, escapeKey: false }),
  ]);
  if (!shown) return null;
  const card = (
    <div
      ref={setFloating}
      style={floatingStyles}
      className={styles.card}
      role={held ? 'dialog' : 'tooltip'}
      aria-label={`How ${shown.explained.name} comes about`}
      data-testid="explanation"
      data-held={held}
      {...getFloatingProps()}
    >
      <Steps key={keyOf(shown.explained)} of={shown.explained} />
      {!held && (
        <p className={styles.rule}>Click the number, or press E, to keep this open and follow its links.</p>
      )}
    </div>
  );
  return (
    <FloatingPortal>
      {held ? (
        <FloatingFocusManager context={context} modal={false} returnFocus={false}>
          {card}
        </FloatingFocusManager>
      ) : (
        card
      )}
    </FloatingPortal>
  );
}

/** More than these are told by their number. */
const MOST_INPUTS = 10;

const keyOf = (explained: Explained) => `${explained.name} ${explained.value}`;

/** One value after another: an input that was computed itself can be asked in turn. */
function Steps({ of: first }: { of: Explained }) {
  const lengths = useLengths();
  const [path, setPath] = useState<readonly Explained[]>([first]);
  const explained = lastOf(path);
  const words = formulaInWords(explained);
  const inputs = inputsOf(explained);
  const bases = standsOn(explained);
  return (
    <>
      {path.length > 1 && (
        <button type="button" className={styles.back} onClick={() => setPath(path.slice(0, -1))}>
          ← {path.at(-2)!.name}
        </button>
      )}
      <div className={styles.head}>
        <span>{capitalised(explained.name)}</span>
        <b>{textOf(explained, lengths)}</b>
      </div>
      {words !== null && (
        <p className={styles.formula}>
          = {words}
          <span>= {formulaInFigures(explained, lengths)}</span>
        </p>
      )}
      {explained.because !== undefined && <p>{explained.because}</p>}
      {inputs.length > 0 && (
        <ul className={styles.inputs}>
          {inputs.slice(0, MOST_INPUTS).map((input, i) => (
            <li key={i}>
              <InputName input={input} onAsk={() => setPath([...path, input])} />
              <b>{textOf(input, lengths)}</b>
              {input.standing && <small>{standingWords(input.standing)}</small>}
            </li>
          ))}
          {inputs.length > MOST_INPUTS && <li>and {inputs.length - MOST_INPUTS} more</li>}
        </ul>
      )}
      {explained.standing && <p>{capitalised(standingWords(explained.standing))}</p>}
      {inputs.length > 0 && bases !== '' && <p>Stands on: {bases}.</p>}
      {explained.rule !== undefined && <p className={styles.rule}>{explained.rule}</p>}
      {explained.place && <PlaceLink place={explained.place} />}
    </>
  );
}

function InputName({ input, onAsk }: { input: Explained; onAsk: () => void }) {
  if (input.formula ?? input.because)
    return (
      <button type="button" className={styles.ask} onClick={onAsk}>
        {input.name}
      </button>
    );
  return input.place ? <PlaceLink place={input.place} words={input.name} /> : <span>{input.name}</span>;
}

function PlaceLink({ place, words }: { place: Place; words?: string }) {
  const goTo = useGoTo();
  const { hide } = useExplaining.getState();
  return (
    <button
      type="button"
      className={styles.ask}
      onClick={() => {
        hide(true);
        goTo({
          stage: place.stage,
          ...(place.subject && { subject: place.subject }),
          ...(place.sheet !== undefined && { sheet: place.sheet }),
        });
        if (place.list) useDialog.getState().show(place.list);
      }}
    >
      {words ?? `See it in ${stageOf(place.stage).label}`} →
    </button>
  );
}
