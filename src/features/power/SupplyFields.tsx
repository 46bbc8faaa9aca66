'use client';

import { Button, Select, Switch } from '@mantine/core';
import { MOST_LEAD_MM } from '@/core/catalogue/feed';
import { newId, newName } from '@/core/fields/fields';
import { FED_BY, FED_BY_WORDS, SUPPLY_LIMITS, type FuseRow, type Supply } from '@/core/catalogue/supply';
import { retyped, usual } from '@/core/figures/figure';
import { formatAmps, parseCurrent, parseVolts } from '@/core/units/electric';
import type { Plan } from '@/core/plan/planned';
import { LengthField, NameField, WholeField } from '@/ui/fields/fields';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Row, Stack } from '@/ui/Panel';
import { StandingFields } from '../figures/StandingFields';
import { useEdit, useShow } from '../show/ShowProvider';
import { CurrentField } from './CurrentField';
import { FuseSelect } from './FuseSelect';
import { WireSelect } from './WireSelect';

/** The usual rating at the voltage that most of the show has, under a name of its own. */
function newSupply(supplies: readonly Supply[], volts: number, placeId?: string): Supply {
  const name = newName(
    'Supply',
    supplies.map((each) => each.name),
  );
  return {
    id: newId('supply'),
    name,
    volts,
    ratedAmps: usual(volts < 7 ? 15 : 12.5, 'a usual closed one'),
    ...(placeId === undefined ? {} : { placeId }),
  };
}

/** Adds a supply for what is looked at. */
export function AddSupply({ plan, prop }: { plan: Plan; prop: number | undefined }) {
  const edit = useEdit();
  const supplies = useShow((state) => state.show.supplies);
  const of = plan.show.props[prop ?? 0];
  const type = plan.show.pixelTypes.find((each) => each.id === of?.pixelTypeId);
  return (
    <Button
      variant="default"
      onClick={() =>
        edit({
          type: 'addSupply',
          supply: newSupply(supplies, type?.volts ?? 12, prop === undefined ? undefined : of?.placeId),
        })
      }
    >
      Add a supply
    </Button>
  );
}

/** The fields of a supply. */
export function SupplyFields({ supply }: { supply: Supply }) {
  const edit = useEdit();
  const places = useShow((state) => state.show.places);
  const change = (fields: Partial<Supply>) =>
    edit({ type: 'changeSupply', supplyId: supply.id, change: fields });
  return (
    <Stack>
      <NameField label="Name" value={supply.name} onCommit={(name) => change({ name })} />
      <Row>
        <ParsedField
          label="Volts"
          value={supply.volts}
          format={(volts) => `${volts} V`}
          parse={(text) => parseVolts(text, SUPPLY_LIMITS.leastVolts, SUPPLY_LIMITS.mostVolts)}
          onCommit={(volts) => change({ volts })}
        />
        <ParsedField
          label="Rated for"
          value={supply.ratedAmps.value}
          format={formatAmps}
          parse={(text) => {
            const read = parseCurrent(text, supply.volts, 'A');
            if (!read.ok) return read;
            const { leastAmps, mostAmps } = SUPPLY_LIMITS;
            return read.value >= leastAmps && read.value <= mostAmps
              ? read
              : {
                  ok: false,
                  message: `A supply is rated from ${formatAmps(leastAmps)} to ${mostAmps} A; “${text.trim()}” is ${formatAmps(read.value)}.`,
                };
          }}
          onCommit={(amps) => change({ ratedAmps: retyped(supply.ratedAmps, amps) })}
        />
      </Row>
      <StandingFields
        label="Rated for"
        figure={supply.ratedAmps}
        onCommit={(ratedAmps) => change({ ratedAmps })}
      />
      <Select
        label="Stands at"
        clearable
        placeholder="not said yet"
        value={supply.placeId ?? null}
        data={places.map((place) => ({ value: place.id, label: place.name }))}
        onChange={(placeId) => edit({ type: 'changeSupply', supplyId: supply.id, change: { placeId } })}
      />
      <OthersFields supply={supply} />
      <FuseRowFields supply={supply} />
      <Button
        size="compact-sm"
        variant="subtle"
        color="gray"
        onClick={() => edit({ type: 'removeSupply', supplyId: supply.id })}
      >
        Remove it and its leads
      </Button>
    </Stack>
  );
}

/** Start of its feeds: its terminals, or a row of fuses that one pair of wires feeds. */
function FuseRowFields({ supply }: { supply: Supply }) {
  const edit = useEdit();
  const { fuseRow: row } = supply;
  const positions = useShow(({ show }) =>
    Math.max(
      1,
      Math.min(
        64,
        show.feeds.filter(({ from }) => from.kind === 'supply' && from.supplyId === supply.id).length,
      ),
    ),
  );
  const set = (fuseRow: FuseRow | null) =>
    edit({ type: 'changeSupply', supplyId: supply.id, change: { fuseRow } });
  return (
    <>
      <Switch
        label="Its leads begin at a row of fuses"
        description="A distribution board: one pair of wires feeds it, and each lead has a position"
        checked={row !== undefined}
        onChange={(event) =>
          set(event.currentTarget.checked ? { positions, wire: 'mm2-4', lengthMm: 300 } : null)
        }
      />
      {row && (
        <>
          <Row>
            <WholeField
              label="Its positions"
              what="The number of positions"
              least={1}
              most={64}
              value={row.positions}
              onCommit={(positions) => set({ ...row, positions })}
            />
            <FuseSelect
              label="Fuse before it"
              value={row.fuseAmps}
              onChange={(fuseAmps) => {
                const { fuseAmps: _, ...rest } = row;
                set(fuseAmps === null ? rest : { ...rest, fuseAmps });
              }}
            />
          </Row>
          <Row>
            <WireSelect
              label="Its pair of wires"
              value={row.wire}
              onChange={(wire) => set({ ...row, wire })}
            />
            <LengthField
              label="Length, one way"
              what="The pair"
              leastMm={1}
              mostMm={MOST_LEAD_MM}
              value={row.lengthMm}
              onCommit={(lengthMm) => set({ ...row, lengthMm })}
            />
          </Row>
        </>
      )}
    </>
  );
}

type Other = NonNullable<Supply['others']>[number];

/** Loads besides pixels and boards of the show: a small computer, a regulator. */
function OthersFields({ supply }: { supply: Supply }) {
  const edit = useEdit();
  const others = supply.others ?? [];
  const set = (list: Other[]) =>
    edit({
      type: 'changeSupply',
      supplyId: supply.id,
      change: { others: list.length === 0 ? null : list },
    });
  const setOne = (at: number, change: Partial<Other>) =>
    set(others.map((other, i) => (i === at ? { ...other, ...change } : other)));
  return (
    <>
      {others.map((other, at) => (
        <div key={at}>
          <Row>
            <NameField label="Also on it" value={other.name} onCommit={(name) => setOne(at, { name })} />
            <CurrentField
              label="It draws"
              value={other.amps.value}
              volts={supply.volts}
              bareUnit="A"
              mostAmps={60}
              onCommit={(amps) => setOne(at, { amps: retyped(other.amps, amps) })}
            />
          </Row>
          <Select
            label="Fed by"
            clearable
            placeholder="not said"
            description={other.by && FED_BY_WORDS[other.by].means}
            value={other.by ?? null}
            data={FED_BY.map((by) => ({ value: by, label: FED_BY_WORDS[by].label }))}
            onChange={(by) => {
              const { by: _, ...rest } = other;
              set(others.map((each, i) => (i === at ? (by ? { ...rest, by } : rest) : each)));
            }}
          />
          <Button
            size="compact-sm"
            variant="subtle"
            color="gray"
            onClick={() => set(others.filter((_, i) => i !== at))}
          >
            Take {other.name} off
          </Button>
        </div>
      ))}
      <Button
        size="compact-sm"
        variant="default"
        onClick={() =>
          set([
            ...others,
            {
              name: newName(
                'Small computer',
                others.map(({ name }) => name),
              ),
              amps: usual(2.5, 'a small computer at work'),
              by: 'inlet',
            },
          ])
        }
      >
        Something else hangs on it…
      </Button>
    </>
  );
}
