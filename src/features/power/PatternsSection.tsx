'use client';

import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { electricOf } from '@/core/catalogue/electric';
import { newName } from '@/core/fields/fields';
import { patternsTable } from '@/core/papers/tables/brightness';
import type { Plan } from '@/core/plan/planned';
import type { SupplyCap } from '@/core/power/caps';
import { patternPercent } from '@/core/power/measuredPattern';
import { FULL_WHITE, fullAmps } from '@/core/power/shown';
import { kindOf, isPanelled } from '@/core/props/registry';
import type { MeasuredPattern, PowerPolicy } from '@/core/show/schema';
import { formatAmps } from '@/core/units/electric';
import { NameField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';
import { CurrentField } from './CurrentField';
import styles from './power.module.css';
import { showLight, showPercent } from './useShown';
import { ApplyButton } from '@/ui/fields/ApplyButton';

const MOST_PATTERNS = 20;

/** Real current of moving pictures: measured on a piece, scaled to the whole show. */
export function PatternsSection({ plan, supplies }: { plan: Plan; supplies: readonly SupplyCap[] }) {
  const edit = useEdit();
  const goTo = useGoTo();
  const policy = useShow((state) => state.show.power);
  const patterns = policy?.patterns ?? [];
  const now: PowerPolicy = policy ?? { levelPercent: 100, whiteBy: 'all' };
  const set = (list: MeasuredPattern[]) => {
    const { patterns: _, ...rest } = now;
    return edit({ type: 'setPower', power: list.length === 0 ? rest : { ...rest, patterns: list } });
  };
  return (
    <>
      <h3>Patterns that you measured</h3>
      {patterns.length === 0 ? (
        <p className={sheets.empty}>
          Moving pictures draw less than white. Let one run on a piece, read the meter, and see what it comes
          to in the whole show.
        </p>
      ) : (
        <SheetTable
          testId="measured-patterns"
          table={patternsTable(plan, patterns, supplies)}
          after={{
            head: '',
            cell: ({ name, percent }) => (
              <>
                <Button
                  size="compact-sm"
                  variant="default"
                  onClick={() => {
                    showLight('white');
                    showPercent(Math.ceil(percent.value));
                    goTo({ sheet: null });
                  }}
                >
                  Look at it
                </Button>
                <Button
                  size="compact-sm"
                  variant="subtle"
                  color="gray"
                  aria-label={`Forget ${name}`}
                  onClick={() => set(patterns.filter((each) => each.name !== name))}
                >
                  Forget it
                </Button>
              </>
            ),
          }}
        />
      )}
      {patterns.length < MOST_PATTERNS && (
        <div className={styles.apart}>
          <Measure
            plan={plan}
            names={patterns.map(({ name }) => name)}
            onUse={(one) => set([...patterns, one])}
          />
        </div>
      )}
      <p className={sheets.lead}>
        A pattern is a cap that only its program keeps: it sizes no supply, no wire and no fuse.
      </p>
    </>
  );
}

interface Lights {
  label: string;
  volts: number;
  darkAmps: number;
  whiteAmps: number;
}

/** Subjects of a measurement: types of single pixels, and panels of walls. */
function lightsOf({ show }: Plan): Lights[] {
  const types = show.pixelTypes.filter((type) =>
    show.props.some((prop) => prop.pixelTypeId === type.id && !isPanelled(prop)),
  );
  return [
    ...types.map((type): Lights => {
      const electric = electricOf(type);
      return {
        label: `pixels, ${type.name}`,
        volts: type.volts,
        darkAmps: electric.draw.idle!.value / 1000,
        whiteAmps: fullAmps(electric, type.colourOrder, FULL_WHITE),
      };
    }),
    ...show.props.flatMap((prop): Lights[] => {
      const power = kindOf(prop).panelPower?.(prop.shape);
      if (!power) return [];
      const { volts, ampsFullWhite } = power;
      return [{ label: `panels, ${prop.name}`, volts, darkAmps: 0, whiteAmps: ampsFullWhite.value }];
    }),
  ];
}

function Measure({
  plan,
  names,
  onUse,
}: {
  plan: Plan;
  names: readonly string[];
  onUse: (pattern: MeasuredPattern) => boolean;
}) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [of, setOf] = useState(0);
  const [count, setCount] = useState(50);
  const [amps, setAmps] = useState(0.5);
  const lights = lightsOf(plan);
  const on = lights[of] ?? lights[0];
  if (!open || !on)
    return (
      <Button
        size="compact-sm"
        variant="default"
        disabled={!on}
        onClick={() => {
          setName(newName('Pattern', names));
          setOpen(true);
        }}
      >
        A pattern that you measured…
      </Button>
    );
  const percent = patternPercent(amps, { count, ...on });
  const isTaken = names.some((each) => each.toLowerCase() === name.toLowerCase());
  const use = () => {
    if (!percent.ok) return;
    const how = `${formatAmps(amps)} on ${count} ${on.label}`.slice(0, 200);
    const when = new Date().toISOString().slice(0, 10);
    if (onUse({ name, percent: { value: percent.value, basis: 'measured', when, how } })) setOpen(false);
  };
  return (
    <Stack>
      <Row>
        <NameField label="What ran" value={name} onCommit={setName} />
        <Select
          label="It was measured on"
          allowDeselect={false}
          value={String(lights.indexOf(on))}
          data={lights.map(({ label }, i) => ({ value: String(i), label }))}
          onChange={(value) => value !== null && setOf(Number(value))}
        />
      </Row>
      <Row>
        <WholeField
          label="How many of them"
          what="The number of them"
          least={1}
          most={10_000}
          value={count}
          onCommit={setCount}
        />
        <CurrentField
          label="The meter showed"
          value={amps}
          volts={on.volts}
          bareUnit="A"
          mostAmps={200}
          onCommit={setAmps}
        />
      </Row>
      {!percent.ok && <Hint>{percent.message}</Hint>}
      {isTaken && <Hint>There is a pattern of that name: give this one another.</Hint>}
      <Row>
        <ApplyButton size="compact-sm" disabled={!percent.ok || isTaken} onClick={use}>
          {percent.ok ? `Keep it: ${percent.value} % of full white` : 'Keep it'}
        </ApplyButton>
        <Button size="compact-sm" variant="subtle" color="gray" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </Row>
    </Stack>
  );
}
