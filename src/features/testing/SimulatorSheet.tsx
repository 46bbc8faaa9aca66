'use client';

import { Button, Group, Select, Switch } from '@mantine/core';
import { useState } from 'react';
import { PROTOCOL_NAMES, PROTOCOLS, portName } from '@/core/catalogue/controller';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { foundIn } from '@/core/devices/found';
import { DIRECTIONS } from '@/core/devices/settings';
import type { Plan } from '@/core/plan/planned';
import { isAsPlanned, setupOfFound, type DeviceSetup, type PortSetup } from '@/core/rig/deviceSetup';
import type { Parsed } from '@/core/units/length';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint } from '@/ui/Panel';
import grid from '../patch/sheets/FoundGrid.module.css';
import sheets from '../sheets/sheets.module.css';
import { useShow } from '../show/ShowProvider';
import { FaultList } from './FaultList';
import { PollDevice } from './PollDevice';
import styles from './testing.module.css';
import { useWatchedBench } from './useBench';
import { useRig } from './useRig';

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
  const set = (fields: { [Field in keyof DeviceSetup]?: DeviceSetup[Field] | undefined }) =>
    keep(without({ ...setup, ...fields }));
  const setPort = (port: number, fields: { [Field in keyof PortSetup]?: PortSetup[Field] | undefined }) => {
    const before = setup.ports?.find((each) => each.port === port) ?? { port };
    const after = without({ ...before, ...fields });
    const others = (setup.ports ?? []).filter((each) => each.port !== port);
    set({ ports: Object.keys(after).length > 1 ? [...others, after] : others });
  };
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
            title={found ? undefined : 'Note on Patch, on the sheet Found, what the device lists'}
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
          What you found on the real device can be loaded here once it is noted on Patch, on its sheet Found.
        </Hint>
      )}
      <div className={sheets.fields}>
        <Select
          label="Protocol"
          allowDeselect={false}
          value={setup.protocol ?? device.protocol}
          data={PROTOCOLS.map((value) => ({ value, label: PROTOCOL_NAMES[value] }))}
          onChange={(value) =>
            set({ protocol: value === device.protocol ? undefined : (value as DeviceSetup['protocol']) })
          }
        />
        {planned.firstUniverse !== null && (
          <NumberCell
            label={device.protocol === 'artnet' ? 'First port-address' : 'First universe'}
            planned={planned.firstUniverse}
            value={setup.firstUniverse}
            least={0}
            most={63_999}
            onCommit={(firstUniverse) => set({ firstUniverse })}
          />
        )}
        {planned.firstUniverse !== null && (
          <NumberCell
            label="Channels a universe"
            planned={planned.channelsPerUniverse}
            value={setup.channelsPerUniverse}
            least={1}
            most={512}
            onCommit={(channelsPerUniverse) => set({ channelsPerUniverse })}
          />
        )}
        <NumberCell
          label="Brightness, in percent"
          planned={100}
          value={setup.brightnessPercent}
          least={0}
          most={100}
          onCommit={(brightnessPercent) => set({ brightnessPercent })}
        />
        <NumberCell
          label="Limiter, in mA"
          planned={null}
          value={setup.limiterMa}
          least={1}
          most={200_000}
          onCommit={(limiterMa) => set({ limiterMa })}
        />
      </div>
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
      <div className={grid.wrap}>
        <table className={grid.grid} aria-label={`Ports of ${device.name} on the simulator`}>
          <thead>
            <tr>
              <th scope="col">Port</th>
              <th scope="col">Pixels</th>
              <th scope="col">Hidden</th>
              {planned.firstUniverse !== null && <th scope="col">Start universe</th>}
              {planned.firstUniverse !== null && <th scope="col">Start channel</th>}
              <th scope="col">Colour order</th>
              <th scope="col">Direction</th>
              <th scope="col">On</th>
            </tr>
          </thead>
          <tbody>
            {planned.ports.map((want) => {
              const name = portName(device, want.port);
              const said: Partial<PortSetup> = setup.ports?.find((each) => each.port === want.port) ?? {};
              const number = (
                field: 'pixels' | 'hiddenPixels' | 'universe' | 'channel',
                least: number,
                most: number,
              ) => (
                <td>
                  <NumberCell
                    ariaLabel={`${name} ${field}`}
                    planned={want[field]}
                    value={said[field]}
                    least={least}
                    most={most}
                    onCommit={(value) => setPort(want.port, { [field]: value })}
                  />
                </td>
              );
              return (
                <tr key={want.port}>
                  <th scope="row">{name}</th>
                  {number('pixels', 0, 100_000)}
                  {number('hiddenPixels', 0, 10_000)}
                  {planned.firstUniverse !== null && number('universe', 0, 63_999)}
                  {planned.firstUniverse !== null && number('channel', 1, 512)}
                  <td>
                    <OrderCell
                      label={`${name} colour order`}
                      planned={want.colourOrder}
                      value={said.colourOrder}
                      onCommit={(colourOrder) => setPort(want.port, { colourOrder })}
                    />
                  </td>
                  <td>
                    <Select
                      size="xs"
                      className={styles.cell}
                      aria-label={`${name} direction`}
                      allowDeselect={false}
                      data={[...DIRECTIONS]}
                      value={said.direction ?? want.direction}
                      onChange={(value) =>
                        setPort(want.port, {
                          direction: value === want.direction ? undefined : (value as PortSetup['direction']),
                        })
                      }
                    />
                  </td>
                  <td>
                    <Switch
                      size="xs"
                      aria-label={`${name} is on`}
                      checked={!said.isOff}
                      onChange={(event) =>
                        setPort(want.port, { isOff: event.currentTarget.checked ? undefined : true })
                      }
                    />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <h3>Faults that are set</h3>
      {faults.length === 0 ? (
        <Hint>None. Choose a prop, and set one on its bench: wiring, joints, panels, power.</Hint>
      ) : (
        <FaultList
          plan={plan}
          faults={faults}
          label="Faults that are set"
          onChange={(next) => change({ faults: next })}
        />
      )}
      {device.protocol === 'artnet' && <PollDevice key={device.id} device={device} />}
    </div>
  );
}

/** Without fields of which nothing is said. */
function without<Fields extends object>(
  fields: Fields,
): { [Field in keyof Fields]: Exclude<Fields[Field], undefined> } {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
    [Field in keyof Fields]: Exclude<Fields[Field], undefined>;
  };
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

interface NumberCellProps {
  label?: string;
  ariaLabel?: string;
  /** Words where it differs from universe to universe. */
  planned: number | string | null;
  value: number | undefined;
  least: number;
  most: number;
  /** Undefined is as planned. */
  onCommit: (value: number | undefined) => void;
}

/** A whole number that may be as planned: then it is grey, and an empty field. */
function NumberCell({ label, ariaLabel, planned, value, least, most, onCommit }: NumberCellProps) {
  return (
    <ParsedField
      {...(label ? { label } : { 'aria-label': ariaLabel, size: 'xs', className: styles.cell })}
      inputMode="numeric"
      placeholder={planned === null ? '' : String(planned)}
      value={value}
      format={(number: number | undefined) => (number === undefined ? '' : String(number))}
      parse={(text): Parsed<number | undefined> => {
        const trimmed = text.replace(/[,\s]/g, '');
        if (trimmed === '') return { ok: true, value: undefined };
        const number = Number(trimmed);
        return Number.isInteger(number) && number >= least && number <= most
          ? { ok: true, value: number === planned ? undefined : number }
          : { ok: false, message: `A whole number from ${least} to ${most}; “${text.trim()}” is not.` };
      }}
      onCommit={onCommit}
    />
  );
}

function OrderCell({
  label,
  planned,
  value,
  onCommit,
}: {
  label: string;
  planned: string;
  value: string | undefined;
  onCommit: (value: string | undefined) => void;
}) {
  return (
    <ParsedField
      aria-label={label}
      size="xs"
      className={styles.cell}
      placeholder={planned}
      value={value}
      format={(order: string | undefined) => order ?? ''}
      parse={(text): Parsed<string | undefined> => {
        const order = text.trim().toUpperCase();
        if (order === '' || order === planned) return { ok: true, value: undefined };
        return /^[RGBW]{1,4}$/.test(order) && new Set(order).size === order.length
          ? { ok: true, value: order }
          : { ok: false, message: `R, G, B and W, each once, such as GRB; “${text.trim()}” is not.` };
      }}
      onCommit={onCommit}
    />
  );
}
