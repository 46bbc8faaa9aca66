'use client';

import { Select } from '@mantine/core';
import { addressOf } from '@/core/answers/lookup';
import { toldUniverse } from '@/core/addressing/numbering';
import { partsWords } from '@/core/protocols/protocol';
import { protocolOf, universesOf } from '@/core/protocols/registry';
import { portName, type Controller } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { countOf, groupDigits } from '@/core/units/number';
import { Facts, type Fact } from '@/ui/Facts';
import { WholeField } from '@/ui/fields/fields';
import { linkWords } from '@/core/catalogue/link';
import { textOf } from '@/core/figures/explained';
import { Why } from '@/ui/explain/Why';
import { Hint, Row, Section, Stack } from '@/ui/Panel';
import { useEdit, useShow } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import { useView } from '../view/useView';
import { ShowTotals } from '../picture/ShowTotals';
import { AddressFields, PortTools, ShowAddressFields, SideBySide } from './AddressFields';
import { ControllerPanel } from './ControllerPanel';
import { Locks } from './Locks';
import { NewUniverseSelect } from './NewUniverseSelect';
import { PackingFields } from './PackingFields';
import { PortSelect } from './PortSelect';
import { endsOf } from '@/core/plan/endsOfRuns';
import {
  explainChannels,
  explainPixels,
  explainShowChannel,
  explainStart,
  explainUniverses,
} from '@/core/plan/explainRun';
import { colourPlan } from '@/core/devices/colourOrders';
import { listOf } from '@/core/units/words';
import { placesOf, portTiming } from '@/core/devices/portTiming';
import { portWords } from '@/core/devices/portWords';
import { runName } from '@/core/plan/runName';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt, controllerAt, wireOfRun } from '@/core/plan/records';

/** The right side of Patch: a run and its port, a port, a controller, or the policy of the whole show. */
export function PatchPanel({ plan, selection }: { plan: Plan; selection: Selection }) {
  const { subject } = useView();
  const controllers = useShow((state) => state.show.controllers);
  if (subject?.kind === 'controller') {
    const controller = controllers.find((each) => each.id === subject.controllerId);
    if (controller) return <ControllerPanel key={controller.id} controller={controller} plan={plan} />;
  }
  if (subject?.kind === 'port' && selection.controller !== undefined && selection.port !== undefined)
    return (
      <PortPanel plan={plan} controller={controllerAt(plan, selection.controller)} selection={selection} />
    );
  if (selection.prop !== undefined) return <PropPatchPanel plan={plan} selection={selection} />;
  return <PolicyPanel plan={plan} />;
}

function PropPatchPanel({ plan, selection }: { plan: Plan; selection: Selection }) {
  const { subject } = useView();
  const index = selection.prop!;
  const prop = plannedAt(plan, index);
  const { name } = propAt(plan, index);
  const oneRun = subject?.kind === 'prop' && subject.run !== undefined && selection.run !== undefined;
  const runs = oneRun ? [selection.run!] : Array.from({ length: prop.runCount }, (_, i) => prop.firstRun + i);
  const ends = endsOf(plan, runs);
  const pixels = explainPixels(plan, runs);
  const channels = explainChannels(plan, runs);
  const start = ends && explainStart(plan, ends.firstRun);
  const universes = explainUniverses(plan, runs);
  const showChannel = ends && explainShowChannel(plan, ends.firstRun);
  const colours = colourPlan(plan, itemAt(runs, 0));
  return (
    <>
      <Section title={oneRun ? runName(plan, selection.run!) : name}>
        <Facts
          facts={[
            { name: 'Pixels', value: groupDigits(pixels.value), why: pixels },
            { name: 'Channels', value: groupDigits(channels.value), why: channels },
            {
              name: 'Starts at',
              value: start ? textOf(start, plan.show.lengths) : 'no address yet',
              why: start,
              address: true,
            },
            ends && { name: 'Ends at', value: ends.end, address: true },
            ends && {
              name: 'Universes',
              value: universes
                ? textOf(universes, plan.show.lengths)
                : `none: ${linkWords(plan.show, controllerAt(plan, wireOfRun(plan, ends.firstRun).controller))}`,
              why: universes,
              address: true,
            },
            ends && {
              name: 'Show channel',
              value: (
                <>
                  {showChannel && <Why of={showChannel} />}–{groupDigits(ends.lastShowChannel)}
                </>
              ),
            },
            {
              name: 'Colour order',
              value: listOf(colours.chips),
              note: `of its chips; the controller is told ${colours.controller}, the sender ${colours.sender}`,
            },
            ...(runs.length === 1 ? deviceFacts(plan, itemAt(runs, 0)) : []),
          ]}
        />
      </Section>
      {runs.length === 1 && (
        <Section title="Side by side">
          <SideBySide plan={plan} run={itemAt(runs, 0)} />
        </Section>
      )}
      <Section title={runs.length === 1 ? 'Its port' : 'Its ports'}>
        <Stack>
          {runs.slice(0, 24).map((run) => (
            <RunPortFields key={run} plan={plan} run={run} />
          ))}
          {runs.length > 24 && (
            <Hint>And {countOf(runs.length - 24, 'more run')}: click one among the ports.</Hint>
          )}
        </Stack>
      </Section>
      <Section title="Its channels">
        <AddressFields plan={plan} prop={index} runs={runs} />
      </Section>
    </>
  );
}

/** The device's own count of a run: its LEDs, and under Art-Net its port-addresses. */
function deviceFacts(plan: Plan, index: number): Fact[] {
  const run = runAt(plan, index);
  const first = addressOf(plan, run.firstPixel).wire;
  const last = addressOf(plan, run.firstPixel + run.pixelCount - 1).wire;
  if (!first || !last) return [];
  const device = controllerAt(plan, run.wire!.controller);
  const { name } = device;
  const protocol = protocolOf(device);
  const words = ({ e131 }: typeof first) => {
    const parts = e131 && universesOf(device)?.partsOf?.(toldUniverse(device, e131.universe));
    return parts ? partsWords(parts) : null;
  };
  const [from, to] = [words(first), words(last)];
  return [
    ...(from && to
      ? [
          {
            name: protocol.name,
            value: `${from} – ${to}`,
            note: 'net.sub-net.universe, from 0',
            address: true,
          },
        ]
      : []),
    {
      name: 'LEDs',
      value: `${groupDigits(first.ledIndex)}–${groupDigits(last.ledIndex)}`,
      note: `as ${name} counts, the last one included; where a screen asks for an exclusive stop, type ${groupDigits(last.ledIndex + 1)}`,
      address: true,
    },
  ];
}

/** The place of a run: port, place behind it, skipped pixels before it. */
function RunPortFields({ plan, run: index }: { plan: Plan; run: number }) {
  const edit = useEdit();
  const { show } = plan;
  const run = runAt(plan, index);
  const { wire } = run;
  const which = { propId: itemAt(show.props, run.prop).id, run: run.number };
  const words = plannedAt(plan, run.prop).runCount > 1 ? `Run ${run.number}` : 'Port';
  const neighbours = wire
    ? plan.ports.find((each) => each.controller === wire.controller && each.port === wire.port)!.runs.length
    : 0;

  return (
    <Stack>
      <Row>
        <PortSelect
          plan={plan}
          label={words}
          noneLabel="on no port"
          value={wire}
          onChoose={(to) =>
            to
              ? edit({
                  type: 'putRun',
                  ...which,
                  controllerId: itemAt(show.controllers, to.controller).id,
                  port: to.port,
                })
              : edit({ type: 'takeOffRun', ...which })
          }
        />
        {wire && (
          <WholeField
            label="Skipped before it"
            what="The number of skipped pixels"
            least={0}
            most={10_000}
            value={wire.skippedPixels}
            onCommit={(skippedPixels) => edit({ type: 'setSkippedPixels', ...which, skippedPixels })}
          />
        )}
      </Row>
      {wire && neighbours > 1 && (
        <Select
          label={`Place behind ${portName(itemAt(show.controllers, wire.controller), wire.port)}`}
          allowDeselect={false}
          value={String(wire.chainPosition)}
          data={Array.from({ length: neighbours }, (_, i) => ({
            value: String(i + 1),
            label: `${i + 1} of ${neighbours}`,
          }))}
          onChange={(value) =>
            value &&
            edit({
              type: 'putRun',
              ...which,
              controllerId: itemAt(show.controllers, wire.controller).id,
              port: wire.port,
              position: Number(value),
            })
          }
        />
      )}
    </Stack>
  );
}

function PortPanel({
  plan,
  controller,
  selection,
}: {
  plan: Plan;
  controller: Controller;
  selection: Selection;
}) {
  const name = portName(controller, selection.port!);
  const planned = plan.ports.find(
    (each) => each.controller === selection.controller && each.port === selection.port,
  );
  const [firstRun] = planned?.runs ?? [];
  // Hidden pixels that take channels come before the first one that is explained.
  const isExplained =
    firstRun !== undefined &&
    !(controller.skippedPixelsTakeChannels && wireOfRun(plan, firstRun).skippedPixels > 0);
  const typed = planned && portWords(plan, planned.controller, planned.port);
  const start = isExplained ? explainStart(plan, firstRun) : undefined;
  const timing = planned && portTiming(plan, planned);
  return (
    <>
      <Section title={`Port ${name}`}>
        <Facts
          facts={[
            { name: 'Controller', value: controller.name },
            typed && { name: 'To type', value: typed.pixels },
            { name: 'Pixels lit', value: groupDigits(planned?.pixels ?? 0) },
            {
              name: 'On the wire',
              value: (
                <>
                  {planned ? <Why of={placesOf(plan, planned)}>{groupDigits(planned.places)}</Why> : 0} of{' '}
                  {groupDigits(controller.mostPixelsPerPort)}
                </>
              ),
              note: 'skipped pixels counted',
            },
            typed?.start != null && { name: 'Starts at', value: typed.start, why: start, address: true },
            typed?.end != null && { name: 'Ends at', value: typed.end, address: true },
            timing && {
              name: 'One picture takes',
              value: textOf(timing.frameTime, plan.show.lengths),
              why: timing.frameTime,
            },
            timing && {
              name: 'At most',
              value: textOf(timing.rate, plan.show.lengths),
              why: timing.rate,
              note: timing.limitedByLine ? 'the line that feeds it is slower than the chips' : undefined,
            },
          ]}
        />
      </Section>
      {planned ? (
        <Section title="Behind it, in order">
          <Stack>
            {planned.runs.map((run) => (
              <div key={run}>
                <strong>{runName(plan, run)}</strong>
                <RunPortFields plan={plan} run={run} />
              </div>
            ))}
          </Stack>
        </Section>
      ) : (
        <Hint>Nothing is plugged in here. Drag a run onto it, or choose {name} for a run of a prop.</Hint>
      )}
      <Section title="The port">
        <PortTools plan={plan} controller={selection.controller!} port={selection.port!} />
      </Section>
      <Locks isOf={(entry) => entry.controllerId === controller.id && entry.port === selection.port} />
    </>
  );
}

function PolicyPanel({ plan }: { plan: Plan }) {
  const edit = useEdit();
  const { packing, newUniverse } = useShow((state) => state.show.addressing);
  return (
    <>
      <Section title="Packing of the show">
        <PackingFields
          value={packing}
          onChange={(next) => next && edit({ type: 'setAddressing', change: { packing: next } })}
        />
      </Section>
      <Section title="New universe">
        <NewUniverseSelect
          value={newUniverse}
          onChange={(next) => next && edit({ type: 'setAddressing', change: { newUniverse: next } })}
        />
      </Section>
      <Section title="Channels of the show">
        <ShowAddressFields />
      </Section>
      <Locks always />
      <ShowTotals plan={plan} />
    </>
  );
}
