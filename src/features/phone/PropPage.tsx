import { useMemo, useState } from 'react';
import { addressOf } from '@/core/answers/lookup';
import { e131Words, numberingsOf, strandWords } from '@/core/answers/numberings';
import type { Plan } from '@/core/plan/planned';
import { endsOf } from '@/core/plan/endsOfRuns';
import { kindOf } from '@/core/props/registry';
import { SIDES, type ViewSide } from '@/core/threading/view';
import { countOf, groupDigits } from '@/core/units/number';
import { PixelCanvas } from '@/ui/picture/PixelCanvas';
import { sceneOf } from '@/ui/picture/scene';
import styles from './phone.module.css';
import { FactRows } from './FactRows';
import { usePhoneView } from './usePhoneView';
import { propAt, plannedAt, runAt, controllerAt, propOfRun } from '@/core/plan/records';

const LAYERS = { numbers: true, jumpers: true, ports: true, chevrons: true, scaleBar: false } as const;
const MARGIN_PX = 56;

/** A prop with one hand: its picture from either side, and any of its pixels with its address. */
export function PropPage({ plan, prop }: { plan: Plan; prop: number }) {
  const [{ side, pixel }, goTo] = usePhoneView();
  const shown = propAt(plan, prop);
  const { firstPixel, pixelCount } = plannedAt(plan, prop);
  const kind = kindOf(shown);
  const sides = kind.sides ?? SIDES;
  const scene = useMemo(() => sceneOf(plan, prop), [plan, prop]);
  const selected = pixel !== null && pixel <= pixelCount ? pixel - 1 : -1;
  const choose = (index: number) => goTo({ pixel: index < 0 ? null : index + 1 });
  return (
    <>
      <div className={styles.pair} role="group" aria-label="Side">
        {(['front', 'back'] as const).map((each: ViewSide) => (
          <button key={each} type="button" aria-pressed={side === each} onClick={() => goTo({ side: each })}>
            {sides[each]}
          </button>
        ))}
      </div>
      <div className={styles.picture}>
        <PixelCanvas
          scene={scene}
          side={side}
          layers={LAYERS}
          selected={selected}
          selectedRun={-1}
          onSelect={choose}
          callout={() => null}
          marginPx={MARGIN_PX}
          label={`${shown.name}, ${countOf(pixelCount, 'pixel')}, ${sides[side]}`}
        />
      </div>
      {pixelCount === 0 ? (
        <p>No pixels yet: say in Build where they come from.</p>
      ) : (
        <FindPixel count={pixelCount} selected={selected} onChoose={choose} />
      )}
      {selected >= 0 ? (
        <PixelFacts plan={plan} pixel={firstPixel + selected} />
      ) : (
        <PropFacts plan={plan} prop={prop} />
      )}
      <div className={styles.pair}>
        <button type="button" onClick={() => goTo({ page: 'test', about: 'prop', port: null })}>
          Light it
        </button>
        <button type="button" onClick={() => goTo({ page: 'note', about: 'prop', port: null, way: null })}>
          Note of it
        </button>
      </div>
    </>
  );
}

/** By its number in data order, which is how they are counted along the wire. */
function FindPixel({
  count,
  selected,
  onChoose,
}: {
  count: number;
  selected: number;
  onChoose: (pixel: number) => void;
}) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const find = () => {
    const number = Number(text.trim().replace(/[ ,.](?=\d{3}\b)/g, ''));
    const isThere = Number.isInteger(number) && number >= 1 && number <= count;
    setProblem(
      isThere
        ? null
        : `“${text.trim().slice(0, 20)}” is no pixel of it: they go from 1 to ${groupDigits(count)}.`,
    );
    if (isThere) onChoose(number - 1);
  };
  const walk = (to: number) => {
    setProblem(null);
    onChoose(to);
  };
  return (
    <form
      className={styles.find}
      onSubmit={(event) => {
        event.preventDefault();
        find();
      }}
    >
      <button
        type="button"
        aria-label="The pixel before"
        disabled={selected <= 0}
        onClick={() => walk(selected - 1)}
      >
        ←
      </button>
      <input
        aria-label="Pixel in data order"
        inputMode="numeric"
        autoComplete="off"
        placeholder={`pixel 1 to ${groupDigits(count)}`}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <button type="submit">Find</button>
      <button
        type="button"
        aria-label="The next pixel"
        disabled={selected >= count - 1}
        onClick={() => walk(selected + 1)}
      >
        →
      </button>
      {problem !== null && <p role="alert">{problem}</p>}
    </form>
  );
}

function PixelFacts({ plan, pixel }: { plan: Plan; pixel: number }) {
  const address = addressOf(plan, pixel);
  const prop = propOfRun(plan, plan.pixels.run[pixel]!);
  const { wire } = address;
  return (
    <section aria-label="The pixel" aria-live="polite">
      <h2 className={styles.port}>
        {wire ? wire.portName : 'on no port'}
        {wire && <small>place {groupDigits(wire.place)}</small>}
      </h2>
      <p>
        Pixel {groupDigits(address.pixelInProp)}
        {plannedAt(plan, runAt(plan, plan.pixels.run[pixel]!).prop).runCount > 1 &&
          `, ${groupDigits(address.pixelInRun)} of run ${address.run}`}
        , {strandWords(address, kindOf(prop).strandWord(prop.threading))}
        {wire?.e131 && <strong className="mono"> · {e131Words(wire.e131)}</strong>}
      </p>
      {wire ? (
        <FactRows rows={numberingsOf(address).map(({ name, value }) => [name, value])} />
      ) : (
        <p>Its run is on no port yet, so it has no address.</p>
      )}
    </section>
  );
}

function PropFacts({ plan, prop }: { plan: Plan; prop: number }) {
  const runs = plan.runs.flatMap((run, index) => (run.prop === prop ? [index] : []));
  return (
    <section aria-label="Its runs">
      {runs.map((index) => {
        const run = runAt(plan, index);
        const { wire } = run;
        const ends = endsOf(plan, [index]);
        const device = wire && controllerAt(plan, wire.controller);
        return (
          <div key={index}>
            <h2 className={styles.group}>
              {runs.length > 1 ? `Run ${run.number}` : 'On the wire'}: {countOf(run.pixelCount, 'pixel')}
            </h2>
            {wire && device ? (
              <FactRows
                rows={[
                  ['Device', device.name],
                  ['Port', addressOf(plan, run.firstPixel).wire?.portName ?? ''],
                  ['Starts at', ends?.start ?? 'no address'],
                  ['Ends at', ends?.end ?? 'no address'],
                ]}
              />
            ) : (
              <p>On no port yet: plug it in on Patch.</p>
            )}
          </div>
        );
      })}
      <p>Tap a pixel of the picture, or type its number, and its address is here.</p>
    </section>
  );
}
