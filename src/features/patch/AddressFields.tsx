'use client';

import { numberingsTable } from '@/core/papers/tables/addresses';
import { ActionIcon, CopyButton, Group, Select, Switch, Tooltip } from '@mantine/core';
import { IconCheck, IconCopy } from '@tabler/icons-react';
import { spansOfRun } from '@/core/plan/planIndex';
import { latestOut, outWords } from '@/core/show/handedOut';
import { CORRECTED_AT } from '@/core/colours/order';
import { policyOf } from '@/core/addressing/policyOf';
import type { PortOptions } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import type { SingleEdit } from '@/core/show/edits/registry';
import { countOf } from '@/core/units/number';
import { WholeField } from '@/ui/fields/fields';
import { useHandOut } from '@/ui/handingOut';
import { WordsField } from '@/ui/fields/WordsField';
import { Hint, Row, Stack } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import { useEdit, useShow } from '../show/ShowProvider';
import { NewUniverseSelect } from './NewUniverseSelect';
import { PackingFields } from './PackingFields';
import { PortSelect } from './PortSelect';
import styles from './patch.module.css';
import { lastOf } from '@/core/units/there';
import { controllerAt, plannedAt, propAt, runAt, wireOfRun } from '@/core/plan/records';
import { changedTo } from '@/core/fields/said';
import { lockWords } from '@/core/patch/locks';

/** Pin, spare channels and packing of a prop. */
export function AddressFields({
  plan,
  prop: index,
  runs,
}: {
  plan: Plan;
  prop: number;
  runs: readonly number[];
}) {
  const edit = useEdit();
  const { id } = propAt(plan, index);
  const prop = useShow((state) => state.show.props.find((each) => each.id === id));
  const patch = useShow((state) => state.show.patch);
  const addressing = useShow((state) => state.show.addressing);
  const entries = runs.flatMap((run) => {
    const entry = patch.find((each) => each.propId === id && each.run === runAt(plan, run).number);
    const first = spansOfRun(plan, run)[0];
    return entry && first && first.universe !== null ? [{ run, entry, first }] : [];
  });
  if (!prop || entries.length === 0) return null;
  const pinned = entries.filter(({ entry }) => entry.pin).length;
  const last = lastOf(entries);
  const pinAll = (on: boolean) => {
    const edits = entries.map(({ entry, first }): SingleEdit => ({
      type: 'setRunAddress',
      propId: id,
      run: entry.run,
      change: { pin: on ? { universe: first.universe!, channel: first.startChannel } : null },
    }));
    edit({
      type: 'batch',
      label: on ? `${prop.name} stays at its addresses` : `Addresses of ${prop.name} may move`,
      edits,
    });
  };
  const { controller, port } = wireOfRun(plan, last.run);
  const { packing: _packing, newUniverse: _newUniverse, ...plain } = prop;
  // The setting above, where the prop has none of its own.
  const fromPort = policyOf(addressing, controllerAt(plan, controller), port, plain, {});
  const oneOfSeveral = runs.length === 1 && plannedAt(plan, index).runCount > 1;
  return (
    <Stack>
      <Switch
        label="Keep its addresses fixed"
        description={
          pinned === 0
            ? 'They follow from what lies before'
            : pinned === entries.length
              ? entries
                  .slice(0, 3)
                  .map(({ entry: { pin } }) => `U${pin!.universe} ch ${pin!.channel}, ${lockWords(pin!)}`)
                  .join('; ')
              : `${pinned} of ${countOf(entries.length, 'run')} locked`
        }
        checked={pinned === entries.length}
        onChange={(event) => pinAll(event.currentTarget.checked)}
      />
      <WholeField
        label="Channels kept free after it"
        what="The number of channels"
        least={0}
        most={100_000}
        value={last.entry.spareChannels ?? 0}
        onCommit={(spareChannels) =>
          edit({
            type: 'setRunAddress',
            propId: id,
            run: last.entry.run,
            change: { spareChannels: spareChannels === 0 ? null : spareChannels },
          })
        }
      />
      <PackingFields
        value={prop.packing ?? null}
        inherited={fromPort.packing}
        inheritedWords="As its port"
        onChange={(packing) => edit({ type: 'changeProp', propId: id, change: { packing } })}
      />
      {oneOfSeveral && (
        <PackingFields
          label="Of this run alone"
          value={last.entry.packing ?? null}
          inherited={prop.packing ?? fromPort.packing}
          inheritedWords="As its prop"
          onChange={(packing) =>
            edit({ type: 'setRunAddress', propId: id, run: last.entry.run, change: { packing } })
          }
        />
      )}
      <NewUniverseSelect
        value={prop.newUniverse ?? null}
        inherited={{ value: fromPort.newUniverse, words: 'As its port' }}
        onChange={(newUniverse) => edit({ type: 'changeProp', propId: id, change: { newUniverse } })}
      />
    </Stack>
  );
}

/** The first and the last pixel of a run in every numbering, side by side, to be copied. */
export function SideBySide({ plan, run: index }: { plan: Plan; run: number }) {
  const { wire, pixelCount } = runAt(plan, index);
  if (!wire || pixelCount === 0) return <Hint>On no port yet, so it has no address.</Hint>;
  const table = numberingsTable(plan, index);
  return (
    <SheetTable
      testId="side-by-side"
      table={table}
      fields={{
        first: (row) => <Copied value={row.first} />,
        last: (row) => row.last && <Copied value={row.last} />,
      }}
    />
  );
}

function Copied({ value }: { value: string }) {
  const handOut = useHandOut();
  return (
    <Group gap={4} wrap="nowrap">
      <span className={`${styles.address} mono`}>{value}</span>
      <CopyButton value={value}>
        {({ copied, copy }) => (
          <Tooltip label={copied ? 'Copied' : 'Copy'}>
            <ActionIcon
              size="xs"
              variant="subtle"
              color="gray"
              aria-label={`Copy ${value}`}
              onClick={() => {
                copy();
                handOut('copied', value);
              }}
            >
              {copied ? <IconCheck size={12} /> : <IconCopy size={12} />}
            </ActionIcon>
          </Tooltip>
        )}
      </CopyButton>
    </Group>
  );
}

const PIN_WORDS = {
  label: { label: 'Pin, printed', placeholder: 'D4' },
  software: { label: 'in software', placeholder: '2' },
  header: { label: 'on the header', placeholder: '7' },
};

/** A port as a whole: kept free, or exchanged with another. */
export function PortTools({ plan, controller, port }: { plan: Plan; controller: number; port: number }) {
  const edit = useEdit();
  const device = controllerAt(plan, controller);
  const current = useShow((state) => state.show.controllers.find((each) => each.id === device.id));
  if (!current) return null;
  const options = current.portOptions ?? [];
  const own = options.find((each) => each.port === port);
  const set = (change: { [Option in keyof PortOptions]?: PortOptions[Option] | null }) => {
    const said = changedTo<PortOptions>({ ...own, port }, change);
    const rest = options.filter((each) => each.port !== port);
    const next = Object.keys(said).length > 1 ? [...rest, said] : rest;
    edit({
      type: 'changeController',
      controllerId: device.id,
      change: { portOptions: next.length > 0 ? next : null },
    });
  };
  return (
    <Stack>
      <Switch
        label="Reserved: nothing is proposed for it"
        checked={own?.reserved === true}
        onChange={(event) => set({ reserved: event.currentTarget.checked || null })}
      />
      <WordsField
        label="Its socket sits"
        placeholder="back, third from the left"
        most={60}
        value={own?.socket ?? ''}
        onCommit={(socket) => set({ socket: socket || null })}
      />
      <Row>
        {(['label', 'software', 'header'] as const).map((name) => (
          <WordsField
            key={name}
            label={PIN_WORDS[name].label}
            placeholder={PIN_WORDS[name].placeholder}
            most={20}
            value={own?.pin?.[name] ?? ''}
            onCommit={(text) => {
              const { [name]: _, ...rest } = own?.pin ?? {};
              const pin = { ...rest, ...(text !== '' && { [name]: text }) };
              set({ pin: Object.keys(pin).length > 0 ? pin : null });
            }}
          />
        ))}
      </Row>
      <Hint>Printed label, number in software and place on the header are three different things.</Hint>
      <PortSelect
        plan={plan}
        label="Swap everything on it with"
        placeholder="another port"
        value={null}
        onChoose={(other) => {
          if (other && (other.controller !== controller || other.port !== port))
            edit({
              type: 'swapPorts',
              one: { controllerId: device.id, port },
              other: { controllerId: controllerAt(plan, other.controller).id, port: other.port },
            });
        }}
      />
      <PackingFields
        value={own?.packing ?? null}
        inherited={current.packing ?? plan.show.addressing.packing}
        inheritedWords="As its controller"
        onChange={(packing) => set({ packing })}
      />
      <NewUniverseSelect
        value={own?.newUniverse ?? null}
        inherited={{
          value: current.newUniverse ?? plan.show.addressing.newUniverse,
          words: 'As its controller',
        }}
        onChange={(newUniverse) => set({ newUniverse })}
      />
    </Stack>
  );
}

/** Wishes of a show besides its packing. */
export function ShowAddressFields() {
  const edit = useEdit();
  const out = latestOut(useShow((state) => state.facts));
  const addressing = useShow((state) => state.show.addressing);
  return (
    <Stack>
      <Select
        label="Inside a controller, channels follow"
        allowDeselect={false}
        value={addressing.order ?? 'ports'}
        data={[
          { value: 'ports', label: 'its ports' },
          { value: 'props', label: 'the list of props' },
        ]}
        onChange={(order) =>
          edit({ type: 'setAddressing', change: { order: order === 'props' ? 'props' : 'ports' } })
        }
      />
      <WholeField
        label="The first show channel is"
        what="The first show channel"
        least={1}
        most={10_000_000}
        value={addressing.firstShowChannel ?? 1}
        onCommit={(firstShowChannel) => edit({ type: 'setAddressing', change: { firstShowChannel } })}
      />
      <Select
        label="A universe counts, in show channels"
        allowDeselect={false}
        value={String(addressing.showChannelsPerUniverse ?? 'packing')}
        data={[
          { value: 'packing', label: 'what its packing holds' },
          { value: '510', label: '510, each of them' },
          { value: '512', label: '512, each of them' },
        ]}
        onChange={(counted) =>
          edit({
            type: 'setAddressing',
            change: { showChannelsPerUniverse: counted === '510' ? 510 : counted === '512' ? 512 : null },
          })
        }
      />
      <Hint>As the program does that sends it: its list of universes says the size of each.</Hint>
      <Select
        label="Colours are put in order"
        allowDeselect={false}
        value={addressing.coloursAt ?? 'controller'}
        data={CORRECTED_AT.map((at) => ({ value: at, label: `at the ${at}` }))}
        onChange={(at) => at && edit({ type: 'setAddressing', change: { coloursAt: at } })}
      />
      <Hint>At one end only. Corrected at both, two colours are exchanged.</Hint>
      <Select
        label="Before addresses move"
        allowDeselect={false}
        value={String(addressing.askBeforeMoving ?? 'onceOut')}
        data={[
          { value: 'onceOut', label: 'ask, once values are out' },
          { value: 'true', label: 'always ask' },
          { value: 'false', label: 'never ask' },
        ]}
        onChange={(asks) =>
          edit({
            type: 'setAddressing',
            change: { askBeforeMoving: asks === 'onceOut' ? null : asks === 'true' },
          })
        }
      />
      <Hint>
        {out
          ? `Values are out: ${outWords(out)}. `
          : 'Values are out once they are copied, downloaded, printed, sent or ticked. '}
        Asking says what moves and notes what has to be typed again; without it, a notice says what moved.
      </Hint>
    </Stack>
  );
}
