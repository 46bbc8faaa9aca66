'use client';

import { Button, SegmentedControl, Select, Switch } from '@mantine/core';
import { useState } from 'react';
import {
  BUILD_WORDS,
  coloursOf,
  electricOf,
  LIGHT_BUILDS,
  PLAUSIBLE_COLOUR_AMPS,
  PLAUSIBLE_IDLE_AMPS,
  type DrawPart,
  type Electric,
  type ElectricSaid,
  type Knee,
  type Rail,
} from '@/core/catalogue/electric';
import { ohmOf } from '@/core/catalogue/wire';
import type { PixelType } from '@/core/catalogue/pixelType';
import { basesWords, retyped, type Figure } from '@/core/figures/figure';
import type { Plan } from '@/core/plan/planned';
import { FULL_WHITE, fullAmps, litBy } from '@/core/power/shown';
import { WHITE_BY } from '@/core/show/schema';
import { capitalised } from '@/core/units/words';
import { isPanelled } from '@/core/props/registry';
import { formatAmps, formatWatts } from '@/core/units/electric';
import { WholeField } from '@/ui/fields/fields';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { Facts } from '@/ui/Facts';
import { Hint, Row, Stack } from '@/ui/Panel';
import { StandingFields } from '../figures/StandingFields';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useShow } from '../show/ShowProvider';
import { CurrentField } from './CurrentField';
import { WHITE_WORDS } from './words';
import styles from './power.module.css';
import { Opening } from '../sheets/Opening';
import { WireSelect } from './WireSelect';

type WireRail = Extract<Rail, { kind: 'wire' }>;

const PART_WORDS: Record<DrawPart, string> = {
  idle: 'Dark, its chip alone',
  R: 'Red, fullest',
  G: 'Green, fullest',
  B: 'Blue, fullest',
  W: 'White light, fullest',
};

/** Current of a pixel of each type, with its basis. */
export function DrawSheet({ plan }: { plan: Plan }) {
  const types = useShow((state) => state.show.pixelTypes);
  const used = types.filter((type) =>
    plan.show.props.some((prop) => prop.pixelTypeId === type.id && !isPanelled(prop)),
  );
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Every amp on these pages comes from here. The usual figures are worst cases; what you measure on a
        metre always wins, and a figure of a 5 V part says nothing of a 12 V part. Panels are told on Build,
        with their amps at full white.
      </p>
      {used.length === 0 && <p className={sheets.empty}>No prop is made of single pixels yet.</p>}
      <div className={styles.cards}>
        {used.map((type) => (
          <TypeCard key={type.id} type={type} />
        ))}
      </div>
    </div>
  );
}

function TypeCard({ type }: { type: PixelType }) {
  const edit = useEdit();
  const electric = electricOf(type);
  const said = type.electric ?? {};
  const set = (change: Partial<ElectricSaid>) =>
    edit({ type: 'changePixelType', pixelTypeId: type.id, change: { electric: { ...said, ...change } } });
  const parts: DrawPart[] = ['idle', ...coloursOf(type)];
  const setPart = (part: DrawPart, figure: Figure<number>) => set({ draw: { ...said.draw, [part]: figure } });
  const white = fullAmps(electric, type.colourOrder, FULL_WHITE);
  const setKnee = (colour: Exclude<DrawPart, 'idle'>, change: Partial<Knee>) =>
    set({ knees: { ...said.knees, [colour]: { ...electric.knees[colour], ...change } } });
  return (
    <section className={styles.card} aria-label={type.name}>
      <h3>{type.name}</h3>
      <Facts
        facts={[
          {
            name: 'A pixel at full white',
            value: formatAmps(white),
            note: `${formatWatts(white * type.volts)} at ${type.volts} V · ${basesWords(parts.map((part) => electric.draw[part]!))}`,
          },
          ...(coloursOf(type).length === 4
            ? WHITE_BY.map((whiteBy) => ({
                name: capitalised(WHITE_WORDS[whiteBy]),
                value: formatAmps(fullAmps(electric, type.colourOrder, { ...FULL_WHITE, whiteBy })),
                note: `${litBy({ ...FULL_WHITE, whiteBy }, type.colourOrder).length} of its 4 lights`,
              }))
            : []),
        ]}
      />
      <Stack>
        <Select
          label="How it is built"
          allowDeselect={false}
          value={electric.build}
          data={LIGHT_BUILDS.map((build) => ({ value: build, label: BUILD_WORDS[build] }))}
          onChange={(build) => build && set({ build })}
        />
        <Measured type={type} onUse={(draw) => set({ draw: { ...said.draw, ...draw } })} />
        {parts.map((part) => (
          <div key={part}>
            <CurrentField
              label={PART_WORDS[part]}
              value={electric.draw[part]!.value / 1000}
              volts={type.volts}
              mostAmps={5}
              plausible={part === 'idle' ? PLAUSIBLE_IDLE_AMPS : PLAUSIBLE_COLOUR_AMPS[electric.build]}
              onCommit={(amps) => setPart(part, retyped(said.draw?.[part], round(amps * 1000)))}
            />
            <StandingFields
              label={PART_WORDS[part]}
              figure={electric.draw[part]}
              onCommit={(figure) => setPart(part, figure)}
            />
          </div>
        ))}
        <Switch
          label="All colours share one current"
          description="In one series chain: white draws about what one colour draws"
          checked={electric.sharesCurrent}
          onChange={(event) => set({ sharesCurrent: event.currentTarget.checked })}
        />
        <RailFields electric={electric} set={set} />
        <Opening words="From which volts on each colour lights">
          <Stack>
            {coloursOf(type).map((colour) => (
              <Row key={colour}>
                <NumberUnitField
                  label={`${PART_WORDS[colour].replace(', fullest', '')} begins at`}
                  unit="V"
                  least={0}
                  most={60}
                  value={electric.knees[colour].cutoffV}
                  onCommit={(cutoffV) => setKnee(colour, { cutoffV })}
                />
                <NumberUnitField
                  label="is full from"
                  aria-label={`${PART_WORDS[colour].replace(', fullest', '')} is full from`}
                  unit="V"
                  least={0}
                  most={60}
                  value={electric.knees[colour].kneeV}
                  onCommit={(kneeV) => setKnee(colour, { kneeV })}
                />
              </Row>
            ))}
          </Stack>
        </Opening>
        <NumberUnitField
          label="Every pixel is to have at least"
          unit="V"
          least={0.5}
          most={60}
          value={electric.leastVolts.value}
          onCommit={(volts) => set({ leastVolts: retyped(electric.leastVolts, volts) })}
        />
      </Stack>
    </section>
  );
}

/** The reading of a meter on a piece, as the current of one pixel. */
function Measured({
  type,
  onUse,
}: {
  type: PixelType;
  onUse: (draw: NonNullable<ElectricSaid['draw']>) => boolean;
}) {
  const [open, setOpen] = useState(false);
  const [amps, setAmps] = useState(1);
  const [count, setCount] = useState(60);
  const [basis, setBasis] = useState<'measured' | 'dataSheet'>('measured');
  if (!open)
    return (
      <Button size="compact-sm" variant="default" onClick={() => setOpen(true)}>
        A piece or a metre of it draws…
      </Button>
    );
  const electric = electricOf(type);
  const colours = coloursOf(type);
  const idle = electric.draw.idle!.value;
  const total = colours.reduce((sum, colour) => sum + electric.draw[colour]!.value, 0);
  const lit = (amps * 1000) / count - idle;
  const use = () => {
    const figure = (value: number): Figure<number> => ({
      value: round(value),
      basis,
      ...(basis === 'measured' && { when: new Date().toISOString().slice(0, 10) }),
      how: `${formatAmps(amps)} on ${count} pixels at full white`,
    });
    const made = Object.fromEntries(
      // The colours keep their shares of it; with one current for all, each is all of it.
      colours.map((colour) => [
        colour,
        figure(electric.sharesCurrent ? lit : (lit * electric.draw[colour]!.value) / total),
      ]),
    );
    if (onUse(made)) setOpen(false);
  };
  return (
    <Stack>
      <Row>
        <CurrentField
          label="It drew, at full white"
          value={amps}
          volts={type.volts}
          bareUnit="A"
          mostAmps={100}
          onCommit={setAmps}
        />
        <WholeField
          label="Pixels of the piece"
          what="The number of pixels"
          least={1}
          most={10_000}
          value={count}
          onCommit={setCount}
        />
      </Row>
      <SegmentedControl
        size="xs"
        aria-label="Who says so"
        value={basis}
        onChange={(value) => setBasis(value)}
        data={[
          { value: 'measured', label: 'a meter' },
          { value: 'dataSheet', label: 'its data sheet' },
        ]}
      />
      <Hint>
        Watts a metre are read too: 14.4 W, and the pixels of a metre. Take a piece that is bright to its end:
        one that fades draws less than its pixels would.
      </Hint>
      <Row>
        <Button size="compact-sm" disabled={lit <= 0} onClick={use}>
          Use {formatAmps(amps / count)} a pixel
        </Button>
        <Button size="compact-sm" variant="subtle" color="gray" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </Row>
    </Stack>
  );
}

/** To what a meter shows. */
const round = (milliamps: number) => Number(milliamps.toFixed(3));

/** The conductors from pixel to pixel: their size, their resistance and what they carry. */
function RailFields({ electric, set }: { electric: Electric; set: SetElectric }) {
  const { rail } = electric;
  return (
    <>
      {rail.kind === 'wire' ? (
        <WireFields rail={rail} set={set} />
      ) : (
        <NumberUnitField
          label="Its copper, a metre of one conductor"
          unit="Ω"
          least={0.001}
          most={10}
          value={rail.ohmPerM.value}
          onCommit={(ohm) => set({ rail: { ...rail, ohmPerM: retyped(rail.ohmPerM, ohm) } })}
        />
      )}
      <NumberUnitField
        label="Each conductor carries"
        unit="A"
        least={0.1}
        most={100}
        value={electric.railCarriesAmps.value}
        onCommit={(amps) => set({ rail: { ...rail, carriesAmps: retyped(rail.carriesAmps, amps) } })}
      />
      <StandingFields
        label="Each conductor carries"
        figure={electric.railCarriesAmps}
        onCommit={(carriesAmps) => set({ rail: { ...rail, carriesAmps } })}
      />
    </>
  );
}

function WireFields({ rail, set }: { rail: WireRail; set: SetElectric }) {
  /** Another wire has another resistance than the one that was read, and carries another current. */
  const setWire = (change: Partial<WireRail>) => {
    const { ohmPerM, carriesAmps, ...rest } = rail;
    const read = change.wire ? {} : { ...(ohmPerM && { ohmPerM }), ...(carriesAmps && { carriesAmps }) };
    return set({ rail: { ...rest, ...read, ...change } });
  };
  return (
    <>
      <Row>
        <WireSelect label="Wire between" value={rail.wire} onChange={(wire) => setWire({ wire })} />
        <NumberUnitField
          label="Each piece at least"
          unit="mm"
          least={1}
          most={5000}
          value={rail.pitchMm}
          onCommit={(pitchMm) => setWire({ pitchMm })}
        />
      </Row>
      <NumberUnitField
        label="Its resistance, a metre of one conductor"
        unit="Ω"
        least={0.001}
        most={10}
        value={rail.ohmPerM?.value ?? ohmOf(rail.wire, 1000)}
        onCommit={(ohm) => set({ rail: { ...rail, ohmPerM: retyped(rail.ohmPerM, ohm) } })}
      />
      {rail.ohmPerM && (
        <StandingFields
          label="Its resistance"
          figure={rail.ohmPerM}
          onCommit={(ohmPerM) => set({ rail: { ...rail, ohmPerM } })}
        />
      )}
    </>
  );
}

type SetElectric = (change: Partial<ElectricSaid>) => boolean;
