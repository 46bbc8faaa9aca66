'use client';

import { Button, Group, Select, Switch } from '@mantine/core';
import { useState } from 'react';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { foundIn } from '@/core/devices/found';
import { HELD_BY_DEVICE } from '@/core/devices/settings/registry';
import { settingWords } from '@/core/devices/settings/typed';
import { whole } from '@/core/devices/settings/values';
import type { Controller } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { isAsPlanned, setupOfFound, type DeviceSetup, type PortSetup } from '@/core/rig/deviceSetup';
import { PROTOCOLS } from '@/core/protocols/registry';
import { capitalised } from '@/core/units/words';
import { said } from '@/core/fields/said';
import { Hint } from '@/ui/Panel';
import { SettingField } from '../sheets/SettingField';
import { rowKey, type RowId } from '@/core/devices/portRows';
import { SettingGrid, settingsOfUse } from '../sheets/SettingGrid';
import sheets from '../sheets/sheets.module.css';
import { useShow } from '../show/ShowProvider';
import { FaultList } from './FaultList';
import { PollDevice } from './PollDevice';
import styles from './liveTest.module.css';
import { useWatchedBench } from '../sending/watchBench';
import { useRig } from '../sending/useRig';

const PERCENT = whole(0, 100);
const LIMITER_MA = whole(1, 200_000);

/** The devices of the rig with the settings that they hold, beside those that are planned. */
export function SimulatorSheet({ plan }: { plan: Plan }) {
  const { show } = plan;
  const facts = useShow((state) => state.facts);
  const [{ devices, faults }, change] = useRig();
  useWatchedBench(useShow((state) => state.id));
  const used = show.controllers.filter((_, index) => deviceSettings(plan, index).ports.length > 0);
  const [chosen, setChosen] = useState<string | null>(null);
  const device = used.find(({ id }) => id === chosen) ?? used[0];
  if (!device)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>
          No port is in use yet. Patch a prop first: then its device stands here.
        </p>
      </div>
    );
  const index = show.controllers.indexOf(device);
  const planned = deviceSettings(plan, index);
  const setup: DeviceSetup = devices.find(({ controllerId }) => controllerId === device.id) ?? {
    controllerId: device.id,
  };
  const keep = (next: DeviceSetup) => {
    const others = devices.filter(({ controllerId }) => controllerId !== device.id);
    change({ devices: isAsPlanned(next) ? others : [...others, next] });
  };
  /** A value that is absent is as planned. */
  const set: SetSetup = (fields) => keep(said({ ...setup, ...fields }));
  const found = foundIn(plan, facts).find(
    (each) => each.controllerId === device.id && each.where === 'controller',
  );
  const others = used.filter(({ id }) => devices.some(({ controllerId }) => controllerId === id));
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        The simulator stands in for your devices, and holds what you type here. Grey is planned; what differs
        is kept with the show, and every test shows what it does.
      </p>
      <div className={styles.rigTop}>
        <Select
          label="Device"
          allowDeselect={false}
          value={device.id}
          data={used.map(({ id, name }) => ({
            value: id,
            label: others.some((other) => other.id === id) ? `${name}, differs` : name,
          }))}
          onChange={setChosen}
        />
        <Group gap={8}>
          <Button
            variant="default"
            disabled={isAsPlanned(setup)}
            onClick={() => keep({ controllerId: device.id })}
          >
            As planned
          </Button>
          <Button
            variant="default"
            disabled={!found}
            title={
              found ? undefined : 'Note on Patch, on its sheet Compare with devices, what the device lists'
            }
            onClick={() => {
              const made = found && setupOfFound(plan, found);
              if (made) keep(made);
            }}
          >
            As found
          </Button>
          <Button
            variant="subtle"
            color="gray"
            disabled={devices.length === 0 && faults.length === 0}
            onClick={() => change({ devices: [], faults: [] })}
          >
            Reset the whole simulator
          </Button>
        </Group>
      </div>
      {!found && (
        <Hint>
          What you found on the real device can be loaded here once it is noted on Patch, on its sheet Compare
          with devices.
        </Hint>
      )}
      <HeldValues device={device} planned={planned} setup={setup} set={set} />
      <DeviceFlags setup={setup} set={set} />
      <HeldByPorts device={device} planned={planned} setup={setup} set={set} />
      <h3>Faults that are set</h3>
      {faults.length === 0 ? (
        <Hint>None. Choose a prop and set one beside its live test: wiring, joints, panels, power.</Hint>
      ) : (
        <FaultList
          plan={plan}
          faults={faults}
          label="Faults that are set"
          onChange={(next) => change({ faults: next })}
        />
      )}
      <PollDevice key={device.id} device={device} />
    </div>
  );
}

type SetSetup = (fields: { [Field in keyof DeviceSetup]?: DeviceSetup[Field] | undefined }) => void;

interface HeldProps {
  device: Controller;
  planned: ReturnType<typeof deviceSettings>;
  setup: DeviceSetup;
  set: SetSetup;
}

/** Values that the device has once. */
function HeldValues({ device, planned, setup, set }: HeldProps) {
  return (
    <div className={sheets.fields}>
      <Select
        label="Protocol"
        allowDeselect={false}
        value={setup.protocol ?? device.protocol}
        data={PROTOCOLS.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(value) =>
          set({ protocol: value === device.protocol ? undefined : (value as DeviceSetup['protocol']) })
        }
      />
      {HELD_BY_DEVICE.map((setting) => {
        const want = planned[setting.field];
        return want !== null ? (
          <SettingField
            key={setting.field}
            label={capitalised(settingWords(setting, device))}
            values={setting.simulatedValues ?? setting.values}
            placeholder={String(want)}
            usual={want}
            value={setup[setting.field]}
            onCommit={(value) => set({ [setting.field]: value })}
          />
        ) : null;
      })}
      <SettingField
        label="Brightness, in percent"
        values={PERCENT}
        placeholder="100"
        usual={100}
        value={setup.brightnessPercent}
        onCommit={(brightnessPercent) =>
          set({
            brightnessPercent: brightnessPercent === undefined ? undefined : Number(brightnessPercent),
          })
        }
      />
      <SettingField
        label="Limiter, in mA"
        values={LIMITER_MA}
        placeholder="none"
        value={setup.limiterMa}
        onCommit={(limiterMa) => set({ limiterMa: limiterMa === undefined ? undefined : Number(limiterMa) })}
      />
    </div>
  );
}

function DeviceFlags({ setup, set }: Pick<HeldProps, 'setup' | 'set'>) {
  return (
    <div className={styles.switches}>
      <Flag
        label="Output enabled"
        isOn={!setup.isOutputOff}
        onChange={(on) => set({ isOutputOff: on ? undefined : true })}
      />
      <Flag
        label="Saved"
        isOn={!setup.isUnsaved}
        onChange={(on) => set({ isUnsaved: on ? undefined : true })}
      />
      <Flag
        label="Restarted"
        isOn={!setup.wantsRestart}
        onChange={(on) => set({ wantsRestart: on ? undefined : true })}
      />
      <Flag
        label="Shows a test of its own"
        isOn={setup.ownTest ?? false}
        onChange={(on) => set({ ownTest: on ? true : undefined })}
      />
    </div>
  );
}

/** Values that the device has for each port. */
function HeldByPorts({ device, planned, setup, set }: HeldProps) {
  const setRow = (row: RowId, fields: { [Field in keyof PortSetup]?: PortSetup[Field] | undefined }) => {
    const before = saidOf(row) ?? { port: row.port, ...((row.part ?? 1) > 1 && { part: row.part }) };
    const after = said({ ...before, ...fields });
    const others = (setup.ports ?? []).filter((each) => rowKey(each) !== rowKey(row));
    const { port: _, part: __, ...more } = after;
    set({ ports: Object.keys(more).length > 0 ? [...others, after] : others });
  };
  const saidOf = (row: RowId): PortSetup | undefined =>
    setup.ports?.find((each) => rowKey(each) === rowKey(row));
  // One count of starts is enough, but for what was found in the other.
  const settings = settingsOfUse(planned).filter(
    ({ field, startsBy }) => startsBy !== 'device' || setup.ports?.some((port) => port[field] !== undefined),
  );
  return (
    <SettingGrid
      label={`Ports of ${device.name} on the simulator`}
      controller={device}
      rows={planned.ports}
      settings={settings}
      cell={(row, setting, name) => {
        const want = planned.ports.find((each) => rowKey(each) === rowKey(row))?.[setting.field] ?? null;
        return (
          <SettingField
            isCell
            label={name}
            values={setting.simulatedValues ?? setting.values}
            placeholder={String(want ?? '')}
            usual={want}
            value={saidOf(row)?.[setting.field]}
            onCommit={(value) => setRow(row, { [setting.field]: value })}
          />
        );
      }}
      last={{
        head: 'on',
        cell: (row, name) => (
          <Switch
            size="xs"
            aria-label={`${name} is on`}
            checked={!saidOf(row)?.isOff}
            onChange={(event) => setRow(row, { isOff: event.currentTarget.checked ? undefined : true })}
          />
        ),
      }}
    />
  );
}

function Flag({
  label,
  isOn,
  onChange,
}: {
  label: string;
  isOn: boolean;
  onChange: (isOn: boolean) => void;
}) {
  return <Switch label={label} checked={isOn} onChange={(event) => onChange(event.currentTarget.checked)} />;
}
