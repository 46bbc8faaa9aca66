'use client';

import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { readingsTable, readWords } from '@/core/papers/tables/readings';
import type { Plan } from '@/core/plan/planned';
import type { ExplainedPart } from '@/core/power/explainReadings';
import { numberNoted, withRead, type ReadingPlace } from '@/core/power/readingPlaces';
import { noReading, readingNote } from '@/core/power/readings';
import { formatVolts, parseCurrent, parseVolts } from '@/core/units/electric';
import { countOf, parseWhole } from '@/core/units/number';
import { ParsedField } from '@/ui/fields/ParsedField';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useAnswer, useEdit, useNote, useShow } from '../show/ShowProvider';
import styles from './power.module.css';
import { ShownTools } from './ShownTools';
import { useShown } from './useShown';

/** Readings on site beside the expected values, and their meaning for the wiring. */
export function ReadingsSheet({ plan, prop }: { plan: Plan; prop: number | null }) {
  const { shown, percent } = useShown();
  const facts = useShow((state) => state.facts);
  const noted = useMemo(
    () => facts.ofKind('measurement').filter(({ field }) => field.startsWith('reading ')),
    [facts],
  );
  const asked = useMemo(() => ({ facts: noted, shown, prop }), [noted, shown, prop]);
  const places = useAnswer('readingPlaces', asked);
  const parts = useAnswer('readings', noted);
  const type = plan.show.pixelTypes.find((each) => each.id === plan.show.props[prop ?? -1]?.pixelTypeId);
  if (plan.show.feeds.length === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>No lead yet. Choose a prop on the left and bring a lead to it.</p>
      </div>
    );
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Show this to all of it, put the tips of the meter on plus and ground, and type what it says. Amps go
        through the meter: unplug, put it in the place of the fuse, plug in again. Only the low voltage side,
        never inside a supply.
      </p>
      <div className={styles.tools}>
        <ShownTools {...(type && { colourOrder: type.colourOrder })} />
      </div>
      {parts && noted.length > 0 && <Explained plan={plan} parts={parts} />}
      {!places && <p role="status">Working out what to expect…</p>}
      {places && (
        <SheetTable
          testId="readings"
          table={readingsTable(places, `at ${percent} %`)}
          fields={{ read: (place) => <ReadField place={place} /> }}
        />
      )}
      <p className={sheets.lead}>
        Without a meter, count: the first pixel that is no longer white at full, and the level at which white
        comes back to the end. A tint that stays at a low level is another batch of parts, not a drop.
      </p>
    </div>
  );
}

const WORDS = { V: 'Volts', A: 'Amps', pixel: 'Pixel', '%': 'Level' };

/** A box for what is read; emptied, the reading is taken back. */
export function ReadField({ place }: { place: ReadingPlace }) {
  const note = useNote();
  const { unit, noted, list, recordId, value } = place;
  return (
    <ParsedField
      aria-label={`${WORDS[unit]} read: ${place.where}`}
      placeholder={unit}
      className={styles.box}
      value={numberNoted(noted)}
      format={(read: number | null) => (read === null ? '' : readWords(unit, read))}
      parse={(text) => {
        if (text.trim() === '') return { ok: true as const, value: null };
        switch (unit) {
          case 'V':
            return parseVolts(text, 0, 60);
          case 'A': {
            // A meter shows amps; watts would want the volts of the same moment.
            if (/w/i.test(text)) return { ok: false, message: 'What the meter shows, in A or mA.' };
            const read = parseCurrent(text, 1, 'A');
            return read.ok && read.value > 400 ? { ok: false, message: 'At most 400 A.' } : read;
          }
          case 'pixel':
            return parseWhole(text.replace(/pixel/i, ''), 1, 100_000, 'The pixel');
          case '%':
            return parseWhole(text.replace('%', ''), 0, 100, 'The level');
        }
      }}
      onCommit={(read) => {
        if (read !== null) note(readingNote(list, recordId, withRead(value, read)));
        else if (noted) note(noReading(noted));
      }}
    />
  );
}

/** Meaning of the readings, part by part of the power network. */
function Explained({ plan, parts }: { plan: Plan; parts: readonly ExplainedPart[] }) {
  const edit = useEdit();
  return (
    <div className={styles.cards} role="status">
      {parts.map((part, at) => {
        const asPlanned = part.checks.filter((check) => check.isAsPlanned).length;
        return (
          <section key={at} className={styles.card} aria-label="What the readings say">
            <h3>
              {part.isAsPlanned
                ? `${countOf(part.checks.length, 'reading')}, as planned`
                : `${asPlanned} of ${countOf(part.checks.length, 'reading')} as planned`}
            </h3>
            {!part.isAsPlanned && part.causes.length === 0 && (
              <p className={styles.small}>
                No single thing that is other than planned explains them. Read once more, or look for two
                faults.
              </p>
            )}
            {part.causes.map((cause) => (
              <div key={cause.id} className={styles.cause}>
                <p>{cause.words}.</p>
                <p className={styles.small}>
                  {cause.misfit <= 1 ? 'It explains all of them.' : 'It explains part of it.'} {cause.advice}
                </p>
                {cause.edit && (
                  <Button size="compact-sm" variant="default" onClick={() => edit(cause.edit!)}>
                    Use it in the plan
                  </Button>
                )}
              </div>
            ))}
            {part.next && (
              <p className={styles.small}>
                Read next at {plan.show.props[part.next.prop]?.name} run {part.next.run}, pixel{' '}
                {part.next.pixel}, {Math.round(100 * part.next.shown.level)} %:{' '}
                {part.next.volts.map(({ cause, volts }) => `${formatVolts(volts)} if “${cause}”`).join('; ')}.
              </p>
            )}
          </section>
        );
      })}
    </div>
  );
}
