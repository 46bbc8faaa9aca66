'use client';

import { rangesTable } from '@/core/papers/tables/ranges';
import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { PixelRange } from '@/core/props/extras';
import { placeOnDevice } from '@/core/devices/placeOnDevice';
import {
  RANGE_CONVENTIONS,
  laidEndToEnd,
  rangeProblems,
  rangesForOrphans,
  wordsUnder,
} from '@/core/props/ranges';
import { kindOf } from '@/core/props/registry';
import { countOf, groupDigits } from '@/core/units/number';
import { Choice } from '@/ui/fields/Choice';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useLatestProp } from '../show/ShowProvider';
import { CoverageBar } from './CoverageBar';
import { RangeRows } from './RangeRows';
import { capitalised } from '@/core/units/words';
import { byId } from '@/core/units/there';
import { plannedAt, controllerAt } from '@/core/plan/records';

/** Named stretches of a prop that a stand-alone microcontroller, or the builder, calls by name. */
export function RangesSheet({ plan, prop: index }: { plan: Plan; prop: number }) {
  const prop = useLatestProp(plan, index);
  const planned = plannedAt(plan, index);
  const { pixelCount } = planned;
  const edit = useEdit();
  const place = placeOnDevice(plan, index);
  const device = place && controllerAt(plan, place.controller);
  const [conventionId, setConventionId] = useState(
    RANGE_CONVENTIONS.find((each) => each.firstIndex === (device?.firstLedIndex ?? 0))!.id,
  );
  const [from, setFrom] = useState<'device' | 'prop'>('device');
  const before = from === 'device' ? (place?.before ?? 0) : 0;
  const [typed, setTyped] = useState<PixelRange[] | null>(null);
  const ranges = prop.ranges ?? [];
  const shown = typed ?? ranges;
  const convention = byId(RANGE_CONVENTIONS, conventionId);
  const problems = rangeProblems(shown, pixelCount, wordsUnder(convention, before));
  const set = (next: PixelRange[]) =>
    edit({ type: 'changeProp', propId: prop.id, change: { ranges: next.length === 0 ? null : next } });
  const byStrands = () => {
    const word = kindOf(prop).strandWord(prop.threading);
    set(
      planned.strands.slice(0, 500).map((strand) => ({
        name: `${capitalised(word)} ${strand.number}`,
        firstPixel: strand.firstPixel + 1,
        pixelCount: strand.pixelCount,
      })),
    );
  };
  return (
    <div className={sheets.sheet}>
      <h2>Named ranges</h2>
      <p className={sheets.lead}>
        A stand-alone microcontroller counts the {countOf(pixelCount, 'pixel')} of all runs of this prop as
        one line, in data order. Name its stretches here once; each screen that asks for them wants other
        numbers.
      </p>
      {pixelCount === 0 ? (
        <p className={sheets.empty}>No pixels yet, so there is nothing to name.</p>
      ) : (
        <>
          {shown.length > 0 && <CoverageBar ranges={shown} pixelCount={pixelCount} />}
          <div className={sheets.fields}>
            <Select
              label="Typed as the device’s screen has them"
              allowDeselect={false}
              value={conventionId}
              data={RANGE_CONVENTIONS.map((each) => ({ value: each.id, label: each.words }))}
              onChange={(value) => value && setConventionId(value)}
              data-wide
            />
            {device && place.before > 0 && (
              <div data-wide>
                <Choice
                  label="Counted from"
                  value={from}
                  onChange={(value) => setFrom(value === 'prop' ? 'prop' : 'device')}
                  data={[
                    { value: 'device', label: `the first LED of ${device.name}` },
                    { value: 'prop', label: 'the first of this prop' },
                  ]}
                />
              </div>
            )}
          </div>
          {device && place.before > 0 && from === 'device' && (
            <p className={sheets.lead}>
              {countOf(place.before, 'LED')} of {device.name} {place.before === 1 ? 'comes' : 'come'} before
              this prop, so its first one is {groupDigits(place.before + convention.firstIndex)}.
            </p>
          )}
          {!device && planned.runCount > 0 && (
            <p className={sheets.lead}>
              Its runs are not one after another on one device, so these numbers count from the first pixel of
              the prop.
            </p>
          )}
          <RangeRows
            key={`${conventionId} ${before}`}
            word="range"
            ranges={ranges}
            pixelCount={pixelCount}
            convention={convention}
            before={before}
            onTyping={setTyped}
            onCommit={set}
          />
          <div role="status" data-testid="range-problems">
            {problems.map((problem) => (
              <p key={problem.message} className={sheets.problem}>
                {problem.message}
              </p>
            ))}
            {shown.length > 0 && problems.length === 0 && (
              <p className={sheets.good}>Every pixel is in one range.</p>
            )}
          </div>
          {ranges.length > 0 && problems.length > 0 && typed === null && (
            <div className={sheets.fields} data-below>
              {problems.some(({ kind }) => kind === 'orphans') && (
                <Button
                  variant="default"
                  size="compact-md"
                  w="auto"
                  onClick={() => set(rangesForOrphans(ranges, pixelCount))}
                >
                  Make a range of what is in none
                </Button>
              )}
              <Button
                variant="default"
                size="compact-md"
                w="auto"
                onClick={() => set(laidEndToEnd(ranges, pixelCount))}
              >
                Lay them end to end
              </Button>
            </div>
          )}
          {ranges.length === 0 && planned.strands.length > 1 && (
            <Button mt={10} variant="default" size="compact-md" onClick={byStrands}>
              One range a {kindOf(prop).strandWord(prop.threading)}
            </Button>
          )}
          {ranges.length > 0 && (
            <>
              <h2>The same ranges on every kind of screen</h2>
              <SheetTable testId="conventions" table={rangesTable(ranges, before)} />
            </>
          )}
        </>
      )}
    </div>
  );
}
