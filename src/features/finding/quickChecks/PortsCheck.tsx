import { Select } from '@mantine/core';
import { useState } from 'react';
import { portName } from '@/core/catalogue/controller';
import { portOrderOf } from '@/core/diagnose/help/portOrder';
import { portsOfController } from '@/core/plan/planIndex';
import type { Plan } from '@/core/plan/planned';
import { runName } from '@/core/plan/runName';
import { listOf } from '@/core/units/words';
import { MaybeWholeField } from '@/ui/fields/fields';
import { HelpAnswer, QuickCheck } from './QuickCheck';

/** Which plugs are exchanged, from how many lights are lit on each string. */
export function PortsCheck({ plan, prop }: { plan: Plan; prop: number | null }) {
  const devices = plan.show.controllers.flatMap((device, index) =>
    portsOfController(plan, index).length > 1 ? [{ device, index }] : [],
  );
  const own = plan.runs.find((run) => run.prop === prop)?.wire?.controller;
  const [chosen, setChosen] = useState(
    () => (devices.find(({ index }) => index === own) ?? devices[0])?.device.id ?? null,
  );
  const [lit, setLit] = useState<ReadonlyMap<number, number>>(new Map());
  const of = devices.find(({ device }) => device.id === chosen);
  // A prop whose device has one plug has none to exchange.
  const isOnOneOfThem = own === undefined || devices.some(({ index }) => index === own);
  if (!of || !isOnOneOfThem) return null;
  const { device, index } = of;
  const ports = portsOfController(plan, index);
  const name = (port: number) => (port >= 1 && port <= device.ports ? portName(device, port) : String(port));
  const order = portOrderOf([...lit].map(([planned, count]) => ({ planned, lit: count })));
  const sentences = [
    ...order.dark.map(
      (port) => `What belongs on ${name(port)} is dark: its plug, its port, or its data wire.`,
    ),
    ...order.doubled.map((port) => `Two strings show ${port}: count once more, or one wire is split.`),
    ...(order.swaps.length > 0
      ? [
          `Exchange plugs: ${listOf(order.swaps.map(([one, other]) => `${name(one)} with ${name(other)}`))}.`,
          `Or leave them, and plan it so: ${listOf(
            [...order.remap]
              .filter(([port, planned]) => port !== planned)
              .map(([port, planned]) => `what was on ${name(planned)} is on ${name(port)}`),
          )}.`,
        ]
      : lit.size > 0 && order.dark.length + order.doubled.length === 0
        ? ['These are on their ports.']
        : []),
  ];
  return (
    <QuickCheck
      title="Which plug is where?"
      says="The test “Port numbers” lights as many lights on each port as its number. Count them at each string."
    >
      <Select
        label="Device"
        allowDeselect={false}
        data={devices.map((each) => ({ value: each.device.id, label: each.device.name }))}
        value={chosen}
        onChange={(value) => {
          setChosen(value);
          setLit(new Map());
        }}
      />
      {ports.map(({ port, runs }) => (
        <MaybeWholeField
          key={`${device.id} ${port}`}
          label={`${portName(device, port)}: ${runs.map((run) => runName(plan, run)).join(', ')}`}
          what="The lights that are lit"
          placeholder={`${port} where it is right`}
          least={0}
          most={256}
          value={lit.get(port) ?? null}
          onCommit={(count) => {
            const next = new Map(lit);
            if (count === null) next.delete(port);
            else next.set(port, count);
            setLit(next);
          }}
        />
      ))}
      {sentences.length > 0 && (
        <HelpAnswer>
          {sentences.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
