'use client';

import { cutList } from '@/core/papers/tables/stock';
import type { Place } from '@/core/figures/explained';
import { useMemo, useState } from 'react';
import { boundsOf } from '@/core/geometry/bounds';
import type { Plan } from '@/core/plan/planned';
import type { PixelRange } from '@/core/props/extras';
import { RANGE_CONVENTIONS, rangeProblems, wordsUnder } from '@/core/props/ranges';
import { threadedOf } from '@/core/plan/threadedOf';
import { piecesOf } from '@/core/answers/stockPieces';
import {
  PLUG_KINDS,
  STOCK_LIMITS,
  USUAL_STRINGS,
  USUAL_STRIP,
  estimateCoverage,
  planStock,
  stockPitchMm,
  type Stock,
} from '@/core/catalogue/stock';
import type { Prop } from '@/core/props/registry';
import { formatLength } from '@/core/units/length';
import { countOf, groupDigits } from '@/core/units/number';
import { Select } from '@mantine/core';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Choice } from '@/ui/fields/Choice';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import { Hint, Section, Stack } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useLatestProp } from '../show/ShowProvider';
import { CoverageBar } from './CoverageBar';
import { RangeRows } from './RangeRows';
import { byId } from '@/core/units/there';
import { propAt, plannedAt } from '@/core/plan/records';
import { said } from '@/core/fields/said';

/** Batches are counted as builders count what they hold: from 1, the last one inside. */
const CONVENTION = byId(RANGE_CONVENTIONS, '1-inclusive');

/** Stock of a prop: the number of strings or rolls, the cuts and joints, the rest. */
export function StockSheet({ plan, prop: index }: { plan: Plan; prop: number }) {
  const prop = useLatestProp(plan, index);
  const edit = useEdit();
  const set = (stock: Stock | null) => edit({ type: 'changeProp', propId: prop.id, change: { stock } });
  return (
    <div className={sheets.sheet}>
      <div className={sheets.columns}>
        <div>
          <h2>Made from</h2>
          <div className={sheets.choice}>
            <Choice
              label="Stock"
              value={prop.stock?.kind ?? 'none'}
              onChange={(kind) =>
                set(kind === 'strings' ? USUAL_STRINGS : kind === 'strip' ? USUAL_STRIP : null)
              }
              data={[
                { value: 'none', label: 'Not said' },
                { value: 'strings', label: 'Strings' },
                { value: 'strip', label: 'Strip by the roll' },
              ]}
            />
          </div>
          {prop.stock ? (
            <Needed plan={plan} index={index} stock={prop.stock} onChange={set} />
          ) : (
            <p className={sheets.lead}>
              Say what it is made from, and the number of strings or rolls, every cut and every splice follow.
            </p>
          )}
          <Batches plan={plan} index={index} />
        </div>
        <Estimate plan={plan} index={index} />
      </div>
    </div>
  );
}

interface NeededProps {
  plan: Plan;
  index: number;
  stock: Stock;
  onChange: (stock: Stock) => boolean;
}

function Needed({ plan, index, stock, onChange }: NeededProps) {
  const prop = propAt(plan, index);
  const planned = plannedAt(plan, index);
  const { pieces, made } = useMemo(() => {
    const found = piecesOf(prop, threadedOf(plan, index), stock);
    const place: Place = { stage: 'build', subject: { kind: 'prop', propId: prop.id }, sheet: 'stock' };
    return { pieces: found, made: planStock(found, stock, place) };
  }, [plan, index, prop, stock]);
  const source = stock.kind === 'strings' ? 'string' : 'roll';
  const pitch = stockPitchMm(stock);
  const length = (pixels: number) => formatLength(Math.round(pixels * pitch), plan.show.lengths);
  return (
    <>
      <div className={sheets.fields}>
        {stock.kind === 'strings' ? (
          <>
            <WholeField
              label="Pixels a string"
              what="The number of pixels on a string"
              least={1}
              most={STOCK_LIMITS.pixelsPerString}
              value={stock.pixelsPerString}
              onCommit={(pixelsPerString) => onChange({ ...stock, pixelsPerString })}
            />
            <LengthField
              isSpacing
              label="Wire between two"
              what="The wire between two pixels"
              leastMm={1}
              mostMm={5000}
              value={stock.pitchMm}
              onCommit={(pitchMm) => onChange({ ...stock, pitchMm })}
            />
            <div data-wide>
              <Choice
                label="A new string"
                value={stock.laid}
                onChange={(laid) => onChange({ ...stock, laid: laid === 'perStrand' ? laid : 'runOn' })}
                data={[
                  { value: 'runOn', label: 'Where one ends' },
                  { value: 'perStrand', label: 'Each strand' },
                ]}
              />
            </div>
          </>
        ) : (
          <>
            <WholeField
              label="Pixels a metre"
              what="The number of pixels a metre"
              least={1}
              most={STOCK_LIMITS.perMetre}
              value={Math.round(stock.pixelsPerMetre)}
              onCommit={(pixelsPerMetre) => onChange({ ...stock, pixelsPerMetre })}
            />
            <WholeField
              label="A cut mark every"
              description="pixels"
              what="The number of pixels between cut marks"
              least={1}
              most={STOCK_LIMITS.group}
              value={stock.pixelsPerCut}
              onCommit={(pixelsPerCut) => onChange({ ...stock, pixelsPerCut })}
            />
            <LengthField
              label="A roll holds"
              what="The length of a roll"
              leastMm={10}
              mostMm={STOCK_LIMITS.rollMm}
              value={stock.rollMm}
              onCommit={(rollMm) => onChange({ ...stock, rollMm })}
            />
          </>
        )}
        <Select
          label="Plug at the input"
          clearable
          placeholder="not said"
          value={stock.inputPlug ?? null}
          data={[...PLUG_KINDS]}
          onChange={(plug) => onChange(saying(stock, { inputPlug: plug ?? undefined }))}
        />
        <ParsedField
          label="Printed there"
          placeholder="DI, an arrow"
          value={stock.inputMark ?? ''}
          format={(mark) => mark}
          parse={(text) =>
            text.trim().length <= 20
              ? { ok: true, value: text.trim() }
              : { ok: false, message: 'At most 20 letters: just what is printed.' }
          }
          onCommit={(mark) => onChange(saying(stock, { inputMark: mark === '' ? undefined : mark }))}
        />
      </div>
      <div className={sheets.facts} data-testid="stock-facts">
        <Facts
          facts={[
            {
              name: `To buy`,
              value: countOf(made.sources.value, source),
              why: made.sources,
              note: `${countOf(made.pixelsPerSource.value, 'pixel')} each, ${groupDigits(planned.pixelCount)} wanted`,
            },
            {
              name: 'Pieces',
              value: countOf(pieces.length, 'piece'),
              note:
                stock.kind === 'strings'
                  ? 'parted at seams, and where the wire does not reach to the next pixel'
                  : `cut at marks; ${length(planned.pixelCount + made.unusedPixels)} in all`,
            },
            {
              name: 'Splices inside a piece',
              value: made.splices.length === 0 ? 'none' : String(made.splices.length),
              note:
                made.splices.length === 0
                  ? undefined
                  : `after pixel ${made.splices.slice(0, 12).map(groupDigits).join(', ')}${made.splices.length > 12 ? ', …' : ''}`,
            },
            made.unusedPixels > 0 && {
              name: 'Lost to cut marks',
              value: countOf(made.unusedPixels, 'pixel'),
              note: 'on the strip but past the end of a piece',
            },
            {
              name: 'Left over',
              value: countOf(made.sparePixels.value, 'pixel'),
              why: made.sparePixels,
              note:
                made.sparePixels.value === 0
                  ? 'nothing to mend with: buy one more'
                  : `the longest part ${countOf(made.longestSpare, 'pixel')}, ${length(made.longestSpare)}`,
            },
          ]}
        />
        <Hint>
          Disconnect before you cut or join. Keep spares of the same batch: another one may have another tint.
        </Hint>
      </div>
      <h2>Cut list</h2>
      <SheetTable testId="cut-list" table={cutList(prop.name, stock, pieces, made, plan.show.lengths)} />
    </>
  );
}

/** The stock with something said anew; what is not said any more is gone. */
function saying(stock: Stock, change: Partial<Pick<Stock, 'inputPlug' | 'inputMark'>>): Stock {
  return said<Stock>({ ...stock, ...change });
}

/** Which batch of pixels is where: two batches differ in tint, and the eye sees the border. */
function Batches({ plan, index }: { plan: Plan; index: number }) {
  const prop = useLatestProp(plan, index);
  const { pixelCount } = plannedAt(plan, index);
  const edit = useEdit();
  const [typed, setTyped] = useState<PixelRange[] | null>(null);
  const batches = prop.batches ?? [];
  const shown = typed ?? batches;
  const problems = rangeProblems(shown, pixelCount, wordsUnder(CONVENTION)).filter(
    ({ kind }) => kind !== 'sum',
  );
  return (
    <>
      <h2>Batches</h2>
      <p className={sheets.lead}>
        Two batches differ in tint. Write down which is where, so that a difference on the display is known
        for what it is, and a spare comes from the right reel.
      </p>
      {batches.length > 0 && <CoverageBar ranges={shown} pixelCount={pixelCount} />}
      <RangeRows
        word="batch"
        ranges={batches}
        pixelCount={pixelCount}
        before={0}
        convention={CONVENTION}
        onTyping={setTyped}
        onCommit={(next) =>
          edit({ type: 'changeProp', propId: prop.id, change: { batches: next.length === 0 ? null : next } })
        }
      />
      {problems.map((problem) => (
        <p key={problem.message} className={sheets.problem}>
          {problem.message}
        </p>
      ))}
    </>
  );
}

/** One that is built tells how much another size takes. */
function Estimate({ plan, index }: { plan: Plan; index: number }) {
  const prop: Prop = propAt(plan, index);
  const { firstPixel, pixelCount } = plannedAt(plan, index);
  const known = useMemo(() => {
    const end = firstPixel + pixelCount;
    const bounds = boundsOf(
      plan.pixels.xMm.subarray(firstPixel, end),
      plan.pixels.yMm.subarray(firstPixel, end),
    );
    return bounds
      ? {
          pixels: pixelCount,
          widthMm: bounds.rightMm - bounds.leftMm,
          heightMm: bounds.topMm - bounds.bottomMm,
        }
      : null;
  }, [plan, firstPixel, pixelCount]);
  const [wanted, setWanted] = useState<{ widthMm: number; heightMm: number } | null>(null);
  if (!known) return <div />;
  const size = wanted ?? {
    widthMm: Math.round(known.widthMm * 1.5),
    heightMm: Math.round(known.heightMm * 1.5),
  };
  const estimate = estimateCoverage(known, size);
  const inStrings = (pixels: number) =>
    prop.stock
      ? countOf(
          Math.ceil(pixels / planStock([], prop.stock).pixelsPerSource.value),
          prop.stock.kind === 'strings' ? 'string' : 'roll',
        )
      : undefined;
  return (
    <div>
      <Section title="The same in another size">
        <Stack>
          <Hint>
            Judged by this one: {countOf(known.pixels, 'pixel')} on{' '}
            {formatLength(Math.round(known.widthMm), plan.show.lengths)} ×{' '}
            {formatLength(Math.round(known.heightMm), plan.show.lengths)}.
          </Hint>
          <LengthField
            label="Width of the other"
            what="The width"
            leastMm={0}
            mostMm={1_000_000}
            value={size.widthMm}
            onCommit={(widthMm) => setWanted({ ...size, widthMm })}
          />
          <LengthField
            label="Height of the other"
            what="The height"
            leastMm={0}
            mostMm={1_000_000}
            value={size.heightMm}
            onCommit={(heightMm) => setWanted({ ...size, heightMm })}
          />
          {estimate && (
            <Facts
              facts={[
                {
                  name: 'As an outline',
                  value: countOf(estimate.byLength, 'pixel'),
                  note: ['grows with the length around', inStrings(estimate.byLength)]
                    .filter(Boolean)
                    .join(' · '),
                },
                {
                  name: 'As a filled shape',
                  value: countOf(estimate.bySurface, 'pixel'),
                  note: ['grows with the surface', inStrings(estimate.bySurface)].filter(Boolean).join(' · '),
                },
              ]}
            />
          )}
        </Stack>
      </Section>
    </div>
  );
}
