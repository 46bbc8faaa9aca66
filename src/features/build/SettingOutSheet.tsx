'use client';

import { settingOutTable } from '@/core/papers/tables/settingOut';
import { useMemo, useState } from 'react';
import { boundsOf } from '@/core/geometry/bounds';
import type { Plan } from '@/core/plan/planned';
import type { Anchors } from '@/core/props/kind';
import { kindOf } from '@/core/props/registry';
import { placesOnRing, ringDiameterMm, setOut } from '@/core/props/settingOut';
import { formatLength } from '@/core/units/length';
import { Choice } from '@/ui/fields/Choice';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import { Hint, Section, Stack } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit } from '../show/ShowProvider';
import { StakePlan } from './StakePlan';

/** Where every stake, hole or pixel goes, before a tool is touched. */
export function SettingOutSheet({ plan, prop: index }: { plan: Plan; prop: number }) {
  const prop = plan.show.props[index]!;
  const edit = useEdit();
  const anchors = useMemo(() => anchorsOf(plan, index), [plan, index]);
  const [references, setReferences] = useState<[number, number] | undefined>();
  const [chosen, setChosen] = useState<number | null>(null);
  const out = useMemo(
    () => setOut(anchors, { references, ...kindOf(prop).placeRows?.(prop.shape) }),
    [anchors, references, prop],
  );
  const count = out.places.length;
  return (
    <div className={sheets.sheet}>
      <div className={sheets.columns}>
        <div>
          <h2>Every {anchors.word} by tape</h2>
          <p className={sheets.lead}>
            {count < 2 ? (
              'There is nothing to set out yet.'
            ) : (
              <>
                Set {anchors.word} {out.referenceA} and {anchors.word} {out.referenceB},{' '}
                {formatLength(Math.round(out.baseMm))} apart. Hook a tape to each; every other {anchors.word}{' '}
                is where the two tapes cross, on the side that the drawing shows.{' '}
                {anchors.word === 'stake' &&
                  'Ask what is buried there before a stake is driven, and have a second person for anything tall.'}
              </>
            )}
          </p>
          <SheetTable
            testId="setting-out"
            table={settingOutTable(prop.name, out, anchors)}
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
            <Facts facts={kindOf(prop).facts(prop.shape)} />
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

interface PlacesToSetOut extends Anchors {
  xFrom: string;
  yFrom: string;
  /** Whether the middle means something, so that a radius does. */
  middle: boolean;
}

/** The anchors of a kind that has them; for all others the pixels, from the lower left corner of the frame. */
function anchorsOf(plan: Plan, index: number): PlacesToSetOut {
  const prop = plan.show.props[index]!;
  const anchors = kindOf(prop).anchors?.(prop.shape);
  if (anchors) return { ...anchors, xFrom: 'mm from the middle', yFrom: 'mm from the middle', middle: true };
  const { firstPixel, pixelCount } = plan.props[index]!;
  const x = plan.pixels.xMm.subarray(firstPixel, firstPixel + pixelCount);
  const y = plan.pixels.yMm.subarray(firstPixel, firstPixel + pixelCount);
  const bounds = boundsOf(x, y);
  const clearance = prop.frameClearanceMm ?? 0;
  return {
    word: 'pixel',
    view: 'seen from the front, in data order',
    xFrom: 'mm from the left of the frame',
    yFrom: 'mm from its foot',
    middle: false,
    xMm: Array.from(x, (value) => value - (bounds?.leftMm ?? 0) + clearance),
    yMm: Array.from(y, (value) => value - (bounds?.bottomMm ?? 0) + clearance),
  };
}

function OuterSizes({ plan, index }: { plan: Plan; index: number }) {
  const prop = plan.show.props[index]!;
  const { firstPixel, pixelCount } = plan.props[index]!;
  const type = plan.show.pixelTypes.find((each) => each.id === prop.pixelTypeId)!;
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
    `${formatLength(Math.round(width + 2 * around))} × ${formatLength(Math.round(height + 2 * around))}`;
  return (
    <Facts
      facts={[
        { name: 'Pixel to pixel', value: size(0), note: 'between the middles of the outermost' },
        type.bodyMm !== undefined && {
          name: 'Over the pixels',
          value: size(type.bodyMm / 2),
          note: `${formatLength(type.bodyMm)} across each, as ${type.name} is said to be`,
        },
        prop.frameClearanceMm !== undefined && {
          name: 'Frame, inside',
          value: size(prop.frameClearanceMm),
          note: `${formatLength(prop.frameClearanceMm)} all round, from the middles of the pixels`,
        },
      ]}
    />
  );
}

/** The inverse: so many places this far apart, how large is the ring? */
function HowLargeARing() {
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
              value: diameter === null ? 'no ring' : formatLength(Math.round(diameter)),
              note:
                diameter === null
                  ? 'fewer than three make none'
                  : `${formatLength(Math.round(Math.PI * diameter))} around; ${placesOnRing(diameter * 1.1, spacingMm, measured)} fit on one a tenth larger`,
            },
          ]}
        />
      </Stack>
    </Section>
  );
}
