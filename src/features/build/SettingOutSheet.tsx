'use client';

import { settingOutTable } from '@/core/papers/tables/settingOut';
import { useMemo, useState } from 'react';
import { boundsOf } from '@/core/geometry/bounds';
import type { Plan } from '@/core/plan/planned';
import { placesToSetOut } from '@/core/answers/placesToSetOut';
import { kindOf } from '@/core/props/registry';
import {
  knottedRope,
  placesOnRing,
  ringDiameterMm,
  setOut,
  type KnottedRope,
  type SettingOut,
} from '@/core/props/settingOut';
import { formatLength } from '@/core/units/length';
import { Choice } from '@/ui/fields/Choice';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import { Hint, Section, Stack } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit } from '../show/ShowProvider';
import { StakePlan } from './StakePlan';
import { useLengths } from '@/ui/lengths';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, pixelTypeOf } from '@/core/plan/records';

/** The place of every stake, hole or pixel, before a tool is touched. */
export function SettingOutSheet({ plan, prop: index }: { plan: Plan; prop: number }) {
  const prop = propAt(plan, index);
  const edit = useEdit();
  const anchors = useMemo(() => placesToSetOut(plan, index), [plan, index]);
  const [way, setWay] = useState<Way>('tapes');
  const [chosenTapes, setReferences] = useState<[number, number] | undefined>();
  // From the pole, the ends are the two that are found first.
  const atEnds: [number, number] | undefined =
    way === 'pole' && anchors.xMm.length > 1 ? [1, anchors.xMm.length] : undefined;
  const references = chosenTapes ?? atEnds;
  const [chosen, setChosen] = useState<number | null>(null);
  const out = useMemo(
    () => setOut(anchors, { references, ...kindOf(prop).placeRows?.(prop.shape) }),
    [anchors, references, prop],
  );
  const count = out.places.length;
  const rope = useMemo(() => knottedRope(out), [out]);
  return (
    <div className={sheets.sheet}>
      <div className={sheets.columns}>
        <div>
          <h2>Every {anchors.word} by tape</h2>
          {anchors.middle && count > 1 && (
            <Choice
              label="Found"
              value={way}
              onChange={(next) => setWay(WAYS.find((each) => each.value === next)!.value)}
              data={WAYS.filter((each) => each.value !== 'rope' || rope !== null)}
            />
          )}
          <p className={sheets.lead} data-testid="how-to-set-out">
            {count < 2 ? (
              'There is nothing to set out yet.'
            ) : (
              <>
                <HowToSetOut way={way} word={anchors.word} out={out} rope={rope} />{' '}
                {anchors.word === 'stake' &&
                  'Ask what is buried there before a stake is driven, and have a second person for anything tall.'}
              </>
            )}
          </p>
          <SheetTable
            testId="setting-out"
            table={settingOutTable(prop.name, out, anchors, plan.show.lengths)}
            chosen={(place) => place.number === chosen}
            onChoose={(place) => setChosen(place.number === chosen ? null : place.number)}
          />
        </div>
        <div>
          <StakePlan out={out} view={anchors.view} chosen={chosen} onChoose={setChosen} />
          {count >= 2 && (
            <Section title="Tapes">
              <Stack>
                <div className={sheets.fields} data-tight>
                  <WholeField
                    label={`Tape A at ${anchors.word}`}
                    what="Its number"
                    least={1}
                    most={count}
                    value={out.referenceA}
                    onCommit={(a) => a !== out.referenceB && setReferences([a, out.referenceB])}
                    w={130}
                  />
                  <WholeField
                    label={`Tape B at ${anchors.word}`}
                    what="Its number"
                    least={1}
                    most={count}
                    value={out.referenceB}
                    onCommit={(b) => b !== out.referenceA && setReferences([out.referenceA, b])}
                    w={130}
                  />
                </div>
              </Stack>
            </Section>
          )}
          <Section title="Measures">
            <Facts facts={kindOf(prop).facts(prop.shape, plan.show.lengths)} />
          </Section>
          <Section title="Outer size">
            <Stack>
              <LengthField
                label="Clearance to the frame around it"
                what="The clearance"
                leastMm={0}
                mostMm={100_000}
                value={prop.frameClearanceMm ?? 0}
                onCommit={(frameClearanceMm) =>
                  edit({
                    type: 'changeProp',
                    propId: prop.id,
                    change: { frameClearanceMm: frameClearanceMm === 0 ? null : frameClearanceMm },
                  })
                }
              />
              <OuterSizes plan={plan} index={index} />
            </Stack>
          </Section>
          <HowLargeARing />
        </div>
      </div>
    </div>
  );
}

/** The way to find places: from two that stand, from a pole that stands already, or with one rope around it. */
const WAYS = [
  { value: 'tapes', label: 'By two tapes' },
  { value: 'pole', label: 'From the pole' },
  { value: 'rope', label: 'With one rope' },
] as const;
type Way = (typeof WAYS)[number]['value'];

interface HowToSetOutProps {
  way: Way;
  word: string;
  out: SettingOut;
  rope: KnottedRope | null;
}

function HowToSetOut({ way, word, out, rope }: HowToSetOutProps) {
  const lengths = useLengths();
  const length = (mm: number) => formatLength(Math.round(mm), lengths);
  const first = itemAt(out.places, 0);
  if (way === 'rope' && rope)
    return (
      <>
        Tie a rope that does not stretch into a loop of {length(rope.totalMm)}: its knot over the pole, a mark
        at <b>{length(rope.radiusMm)}</b> and another at <b>{length(rope.radiusMm + rope.chordMm)}</b>. Hold
        the first mark at {word} 1, pull the rope tight, and the second mark is {word} 2; then the first mark
        goes to {word} 2, and so on.
        {rope.closingMm !== null &&
          ` When all stand, ${word} ${out.places.length} has to be ${length(rope.closingMm)} from ${word} 1.`}
      </>
    );
  if (way === 'pole')
    return (
      <>
        The pole stands: hook a tape to it and set {word} 1 at its radius, <b>{length(first.radiusMm)}</b>, on
        the side that the drawing shows. Then {word} {out.referenceB}, at its own radius and{' '}
        {length(out.baseMm)} from {word} {out.referenceA}. Every other one is where its radius from the pole
        meets tape A from {word} {out.referenceA}; tape B checks it.
      </>
    );
  return (
    <>
      Set {word} {out.referenceA} and {word} {out.referenceB}, {length(out.baseMm)} apart. Hook a tape to
      each; every other {word} is where the two tapes cross, on the side that the drawing shows.
    </>
  );
}

function OuterSizes({ plan, index }: { plan: Plan; index: number }) {
  const prop = propAt(plan, index);
  const { firstPixel, pixelCount } = plannedAt(plan, index);
  const type = pixelTypeOf(plan.show, prop);
  const bounds = useMemo(
    () =>
      boundsOf(
        plan.pixels.xMm.subarray(firstPixel, firstPixel + pixelCount),
        plan.pixels.yMm.subarray(firstPixel, firstPixel + pixelCount),
      ),
    [plan, firstPixel, pixelCount],
  );
  if (!bounds) return <Hint>No pixels yet, so no size.</Hint>;
  const [width, height] = [bounds.rightMm - bounds.leftMm, bounds.topMm - bounds.bottomMm];
  const size = (around: number) =>
    `${formatLength(Math.round(width + 2 * around), plan.show.lengths)} × ${formatLength(Math.round(height + 2 * around), plan.show.lengths)}`;
  return (
    <Facts
      facts={[
        { name: 'Pixel to pixel', value: size(0), note: 'between the middles of the outermost' },
        type.bodyMm !== undefined && {
          name: 'Over the pixels',
          value: size(type.bodyMm / 2),
          note: `${formatLength(type.bodyMm, plan.show.lengths)} across each, as ${type.name} is said to be`,
        },
        prop.frameClearanceMm !== undefined && {
          name: 'Frame, inside',
          value: size(prop.frameClearanceMm),
          note: `${formatLength(prop.frameClearanceMm, plan.show.lengths)} all round, from the middles of the pixels`,
        },
      ]}
    />
  );
}

/** The inverse: so many places this far apart, how large is the ring? */
function HowLargeARing() {
  const lengths = useLengths();
  const [count, setCount] = useState(50);
  const [spacingMm, setSpacingMm] = useState(50);
  const [measured, setMeasured] = useState<'alongTheCurve' | 'straightAcross'>('straightAcross');
  const diameter = ringDiameterMm(count, spacingMm, measured);
  return (
    <Section title="How large a ring?">
      <Stack>
        <div className={sheets.fields} data-tight>
          <WholeField
            label="This many"
            what="The number"
            least={1}
            most={100_000}
            value={count}
            onCommit={setCount}
            w={130}
          />
          <LengthField
            isSpacing
            label="This far apart"
            what="The spacing"
            leastMm={1}
            mostMm={100_000}
            value={spacingMm}
            onCommit={setSpacingMm}
            w={130}
          />
        </div>
        <Choice
          label="The spacing is measured"
          value={measured}
          onChange={(value) => setMeasured(value === 'alongTheCurve' ? value : 'straightAcross')}
          data={[
            { value: 'straightAcross', label: 'Straight' },
            { value: 'alongTheCurve', label: 'Along the curve' },
          ]}
        />
        <Facts
          facts={[
            {
              name: 'Diameter',
              value: diameter === null ? 'no ring' : formatLength(Math.round(diameter), lengths),
              note:
                diameter === null
                  ? 'fewer than three make none'
                  : `${formatLength(Math.round(Math.PI * diameter), lengths)} around; ${placesOnRing(diameter * 1.1, spacingMm, measured)} fit on one a tenth larger`,
            },
          ]}
        />
      </Stack>
    </Section>
  );
}
