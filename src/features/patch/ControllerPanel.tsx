'use client';

import { isInUniverses, linkOf, type Link } from '@/core/catalogue/link';
import { PROTOCOLS, protocolOf, universesOf } from '@/core/protocols/registry';
import { LAST_PORT_ADDRESS } from '@/core/protocols/artNet';
import { Button, Group, SegmentedControl, Select, Switch } from '@mantine/core';
import {
  LAST_UNIVERSE,
  MOST_PIXELS_PER_PORT,
  MOST_PORTS,
  type Controller,
} from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import type { SingleEdit } from '@/core/show/edits/registry';
import { MaybeWholeField, NameField, WholeField } from '@/ui/fields/fields';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint, Row, Section, Stack } from '@/ui/Panel';
import { notify, useEdit, useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';
import { DeviceCareFields } from './DeviceCareFields';
import { KindFields } from './KindFields';
import { Locks } from './Locks';
import { NewUniverseSelect } from './NewUniverseSelect';
import { PackingFields } from './PackingFields';

/** Settings of a controller. */
export function ControllerPanel({ controller, plan }: { controller: Controller; plan: Plan }) {
  const edit = useEdit();
  const goTo = useGoTo();
  const link = linkOf(plan.show, controller);
  const index = plan.show.controllers.findIndex((each) => each.id === controller.id);
  const firstUsed = plan.spans.find((span) => span.controller === index)?.universe;
  const set: SetController = (change) =>
    edit({ type: 'changeController', controllerId: controller.id, change });
  const remove = () =>
    edit({ type: 'removeController', controllerId: controller.id }, () => {
      goTo({ subject: null });
      notify(`${controller.name} is removed, and its runs are on no port. Ctrl Z brings it back.`);
    });

  return (
    <>
      <Section title="Controller">
        <Basics controller={controller} link={link} set={set} />
      </Section>
      <Section title="What it can do">
        <KindFields controller={controller} />
      </Section>
      {!isInUniverses(plan.show, controller) ? (
        <Section title="Addresses">
          <Hint>{NO_UNIVERSES[link]}</Hint>
        </Section>
      ) : (
        <Section title="Addresses">
          <Universes controller={controller} firstUsed={firstUsed ?? null} set={set} />
        </Section>
      )}
      <Locks isOf={(entry) => entry.controllerId === controller.id} />
      <Section title="How the device counts">
        <HowItCounts controller={controller} set={set} />
      </Section>
      <Section title="Firmware and access">
        <DeviceCareFields controllerId={controller.id} />
      </Section>
      <Group mt="lg" gap={8}>
        <Button
          variant="default"
          size="compact-md"
          disabled={index <= 0}
          onClick={() => edit({ type: 'moveController', controllerId: controller.id, index: index - 1 })}
        >
          Move up
        </Button>
        <Button
          variant="default"
          size="compact-md"
          disabled={index === plan.show.controllers.length - 1}
          onClick={() => edit({ type: 'moveController', controllerId: controller.id, index: index + 1 })}
        >
          Move down
        </Button>
        <Button variant="default" size="compact-md" onClick={remove}>
          Remove
        </Button>
      </Group>
    </>
  );
}

type SetController = (change: Extract<SingleEdit, { type: 'changeController' }>['change']) => boolean;

interface PartProps {
  controller: Controller;
  set: SetController;
}

const NO_UNIVERSES: Readonly<Record<Link, string>> = {
  network: 'DDP uses no universes: bytes count from 0 in one flat space over all ports of this controller.',
  raw: 'A receiver card is told no addresses: it takes its part of the picture from raw frames, straight from the sender’s port.',
  serial:
    'A serial line has no addresses: the bytes of one picture follow one another over all ports of this controller.',
  own: 'Nothing is sent to it, so it has no addresses: its own program makes the pictures, and counts the pixels over all ports of this controller.',
};

function Basics({ controller, link, set }: PartProps & { link: Link }) {
  return (
    <Stack>
      <NameField label="Name" value={controller.name} onCommit={(name) => set({ name })} />
      <Row>
        <ParsedField
          label="Letters of its ports"
          value={controller.label}
          format={(label) => label}
          parse={(text) => {
            const label = text.trim().toUpperCase();
            return /^[A-Z]{1,3}$/.test(label) && label !== 'U' && label !== 'CH'
              ? { ok: true, value: label }
              : { ok: false, message: `One to three letters, not U or CH; “${text.trim()}” is not.` };
          }}
          onCommit={(label) => set({ label })}
        />
        {link === 'network' && (
          <Select
            label="Protocol"
            allowDeselect={false}
            value={controller.protocol}
            data={PROTOCOLS.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(value) => value && set({ protocol: value })}
          />
        )}
      </Row>
      <Row>
        <WholeField
          label="Ports"
          what="The number of ports"
          least={1}
          most={MOST_PORTS}
          value={controller.ports}
          onCommit={(ports) => set({ ports })}
        />
        <WholeField
          label="Most pixels a port"
          what="The most pixels on a port"
          least={1}
          most={MOST_PIXELS_PER_PORT}
          value={controller.mostPixelsPerPort}
          onCommit={(mostPixelsPerPort) => set({ mostPixelsPerPort })}
        />
      </Row>
    </Stack>
  );
}

/** @param firstUsed the first universe that it has, where it has one */
function Universes({ controller, firstUsed, set }: PartProps & { firstUsed: number | null }) {
  const showAddressing = useShow((state) => state.show.addressing);
  const universes = universesOf(controller);
  return (
    <Stack>
      <MaybeWholeField
        label="First universe"
        what="A universe"
        least={1}
        most={LAST_UNIVERSE}
        value={controller.firstUniverse}
        placeholder={firstUsed ? `follows on: ${firstUsed}` : 'follows on'}
        onCommit={(firstUniverse) => set({ firstUniverse })}
      />
      <Hint>Left empty, it follows on after the controller above.</Hint>
      <MaybeWholeField
        label="Last universe that is its own"
        what="A universe"
        least={1}
        most={LAST_UNIVERSE}
        value={controller.lastUniverse ?? null}
        placeholder="as many as it needs"
        onCommit={(lastUniverse) => set({ lastUniverse })}
      />
      <NewUniverseSelect
        value={controller.newUniverse ?? null}
        inherited={{ value: showAddressing.newUniverse, words: 'As the show' }}
        onChange={(newUniverse) => set({ newUniverse })}
      />
      <PackingFields
        value={controller.packing}
        inherited={showAddressing.packing}
        onChange={(packing) => set({ packing })}
      />
      {universes?.hasOffset && (
        <>
          <ParsedField
            label={`${protocolOf(controller).name} offset`}
            value={controller.artNetOffset}
            format={(offset) => (offset > 0 ? `+${offset}` : String(offset).replace('-', '−'))}
            parse={(text) => parseOffset(text)}
            onCommit={(artNetOffset) => set({ artNetOffset })}
          />
          <Hint>
            Added to a universe to get its {universes.word}. −1 where the device calls its first universe 0, 0
            where it calls it 1.
          </Hint>
        </>
      )}
    </Stack>
  );
}

function HowItCounts({ controller, set }: PartProps) {
  const showAddressing = useShow((state) => state.show.addressing);
  return (
    <Stack>
      <div>
        <SegmentedControl
          fullWidth
          aria-label="Its first LED is number"
          value={String(controller.firstLedIndex)}
          onChange={(value) => set({ firstLedIndex: value === '1' ? 1 : 0 })}
          data={[
            { value: '0', label: 'First LED is 0' },
            { value: '1', label: 'First LED is 1' },
          ]}
        />
      </div>
      <Select
        label="Colours are put in order"
        allowDeselect={false}
        value={controller.coloursAt ?? 'show'}
        data={[
          { value: 'show', label: `As the show: at the ${showAddressing.coloursAt ?? 'controller'}` },
          { value: 'controller', label: 'at the controller: it is told the order of the chips' },
          { value: 'sender', label: 'at the sender: the controller keeps to RGB' },
        ]}
        onChange={(at) => at && set({ coloursAt: at === 'show' ? null : at })}
      />
      <Switch
        label="Skipped pixels take channels"
        checked={controller.skippedPixelsTakeChannels}
        onChange={(event) => set({ skippedPixelsTakeChannels: event.currentTarget.checked })}
      />
      <Hint>
        Off where the controller itself clocks dark pixels out before a run; on where the sender has to leave
        channels for them.
      </Hint>
    </Stack>
  );
}

function parseOffset(text: string) {
  const value = Number(text.trim().replace('−', '-'));
  return text.trim() !== '' &&
    Number.isInteger(value) &&
    value >= -LAST_UNIVERSE &&
    value <= LAST_PORT_ADDRESS
    ? { ok: true as const, value }
    : {
        ok: false as const,
        message: `An offset is a whole number from −63,999 to 32,767; “${text.trim()}” is not.`,
      };
}
