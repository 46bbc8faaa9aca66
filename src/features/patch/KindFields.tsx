'use client';

import { isObject } from '@/core/fields/json';
import { retyped, standingWords, type Figure, type Standing } from '@/core/figures/figure';
import {
  HIDES_WORDS,
  PIXEL_SIZES_WORDS,
  STARTS_WORDS,
  silentWords,
  UNIVERSE_SIZES_WORDS,
} from '@/core/catalogue/controllers/telling';
import { listOf } from '@/core/units/words';
import { TellingFields } from './TellingFields';
import { PartNotes, PartNotesEditor } from '../figures/PartNotes';
import { StandingFields } from '../figures/StandingFields';
import { Button, Modal, Select, Textarea } from '@mantine/core';
import { useState } from 'react';
import { portName, type Controller } from '@/core/catalogue/controller';
import { SHIPPED_CONTROLLER_TYPES, limitsOfType, type ControllerType } from '@/core/catalogue/controllerType';
import type { SingleEdit } from '@/core/show/edits/registry';
import { newId, newName } from '@/core/fields/fields';
import { formatLength, type Lengths } from '@/core/units/length';
import { countOf, groupDigits } from '@/core/units/number';
import { Facts, type Fact } from '@/ui/Facts';
import { NameField, WholeField } from '@/ui/fields/fields';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint, Row, Stack } from '@/ui/Panel';
import { notify, useEdit, useShow } from '../show/ShowProvider';
import { CONTROLLER_CLASSES, classOf } from '@/core/catalogue/controllers/registry';
import { said } from '@/core/fields/said';
import { useLengths } from '@/ui/lengths';

/** The kind of a controller, with its limits and their sources. */
export function KindFields({ controller }: { controller: Controller }) {
  const lengths = useLengths();
  const edit = useEdit();
  const types = useShow((state) => state.show.controllerTypes);
  const lastPortInUse = useShow((state) =>
    state.show.patch.reduce(
      (last, entry) => (entry.controllerId === controller.id ? Math.max(last, entry.port) : last),
      1,
    ),
  );
  const [editing, setEditing] = useState(false);
  const type = types.find((each) => each.id === controller.typeId);
  const shipped = SHIPPED_CONTROLLER_TYPES.filter((each) => !types.some((own) => own.id === each.id));
  const choose = (id: string | null) => {
    const found = [...types, ...shipped].find((each) => each.id === id);
    const edits: SingleEdit[] = [];
    if (found && !types.includes(found)) edits.push({ type: 'setControllerType', controllerType: found });
    // Ports in use are not taken away: what hangs on them goes elsewhere first.
    const limits = found && limitsOfType(found);
    const ports = limits && Math.max(limits.ports, lastPortInUse);
    edits.push({
      type: 'changeController',
      controllerId: controller.id,
      change: {
        typeId: found?.id ?? null,
        ...(limits && { ports, mostPixelsPerPort: limits.mostPixelsPerPort }),
      },
    });
    edit({ type: 'batch', label: `${controller.name}: ${found?.name ?? 'no kind'}`, edits }, () => {
      if (limits && ports !== limits.ports)
        notify(
          `${found.name} has ${countOf(limits.ports, 'port')}, but ${portName(controller, lastPortInUse)} is in use: ${controller.name} keeps ${countOf(ports!, 'port')} until what is behind it is moved.`,
        );
    });
  };
  return (
    <Stack>
      <Select
        label="Kind"
        placeholder="not said"
        clearable
        value={controller.typeId ?? null}
        data={[
          { group: 'Of this show', items: types.map((each) => ({ value: each.id, label: each.name })) },
          { group: 'Usual ones', items: shipped.map((each) => ({ value: each.id, label: each.name })) },
        ].filter(({ items }) => items.length > 0)}
        onChange={choose}
      />
      {type ? (
        <>
          <Facts facts={factsOf(type, lengths)} />
          <Hint>Where nothing else is said: {usualStanding(type)}.</Hint>
          <PartNotes notes={type.notes} />
          <Button variant="default" size="compact-md" onClick={() => setEditing(true)}>
            Change this kind…
          </Button>
          <Modal
            opened={editing}
            onClose={() => setEditing(false)}
            title={`Kind of controller · ${type.name}`}
            size="lg"
          >
            <KindEditor type={type} controller={controller} />
          </Modal>
        </>
      ) : (
        <Hint>
          With its kind, more is checked: pixels with many ports on, universes, packings, the load of its
          link.
        </Hint>
      )}
    </Stack>
  );
}

/** The basis of most limits of a kind, told once for all of them. */
function usualStanding(type: ControllerType): string {
  const words = Object.values(type).flatMap((value) =>
    isObject(value) && 'basis' in value ? [standingWords(value)] : [],
  );
  const count = (each: string) => words.filter((other) => other === each).length;
  return words.toSorted((a, b) => count(b) - count(a))[0] ?? '';
}

function factsOf(type: ControllerType, lengths: Lengths): (Fact | false | undefined)[] {
  const usual = usualStanding(type);
  const noteOf = (figure: Standing) => (standingWords(figure) === usual ? undefined : standingWords(figure));
  const known = <Value,>(
    figure: Figure<Value> | undefined,
    name: string,
    words: (value: Value) => string,
  ): Fact | undefined => figure && { name, value: words(figure.value), note: noteOf(figure) };
  return [
    { name: 'Class', value: classOf(type).label },
    {
      name: 'Pixels a port',
      value: type.pixelsPerPort.value
        .map((step) => `${groupDigits(step.pixels)} up to ${step.upToPorts}`)
        .join(', '),
      note: ['ports on', noteOf(type.pixelsPerPort)].filter(Boolean).join('; '),
    },
    known(type.mostPixels, 'Pixels in all', groupDigits),
    known(type.mostUniverses, 'Universes', String),
    known(type.starts, 'Starts', (value) => STARTS_WORDS[value]),
    known(type.universeSizes, 'Universe size', (value) => UNIVERSE_SIZES_WORDS[value]),
    known(type.hides, 'Hides pixels', (value) => HIDES_WORDS[value]),
    known(type.pixelSizes, 'Channels per pixel', (value) => PIXEL_SIZES_WORDS[value]),
    known(type.pixelChannels, 'Takes pixels of', (value) => `${listOf(value.map(String))} channels`),
    known(type.whenSilent, 'When data stops', silentWords),
    known(type.straddles, 'Straddling pixels', (value) => (value ? 'taken' : 'not taken')),
    known(type.artNetNets, 'Art-Net', (value) => (value ? 'with nets' : '0 to 255 only')),
    known(type.linkMbits, 'Link', (value) => `${value} Mbit/s`),
    known(type.receiverCableMm, 'Cable to receivers', (value) => formatLength(value, lengths)),
    type.ownProgram && { name: 'Pictures', value: 'from its own program' },
    type.baud !== undefined && { name: 'Serial', value: `${groupDigits(type.baud)} baud` },
    type.keepFree !== undefined && { name: 'Keep free', value: type.keepFree },
    ...(type.pins ?? []).map((pin) => ({
      name: `Pin ${pin.label || pin.number}`,
      value: pin.number,
      note: pin.boot,
    })),
  ];
}

function KindEditor({ type, controller }: { type: ControllerType; controller: Controller }) {
  const edit = useEdit();
  const types = useShow((state) => state.show.controllerTypes);
  const set = (change: Partial<ControllerType>) => {
    const next = said<ControllerType>({ ...type, ...change });
    return edit({ type: 'setControllerType', controllerType: next });
  };
  /** A limit that is a number; 0 stands for not known. */
  const number = (field: 'mostPixels' | 'mostUniverses' | 'linkMbits', label: string, most: number) => (
    <>
      <WholeField
        label={label}
        description="0 while nobody knows"
        what={label}
        least={0}
        most={most}
        value={Math.round(type[field]?.value ?? 0)}
        onCommit={(value) => set({ [field]: value === 0 ? undefined : retyped(type[field], value) })}
      />
      <StandingFields label={label} figure={type[field]} onCommit={(figure) => set({ [field]: figure })} />
    </>
  );
  const copy = () => {
    const name = newName(
      type.name,
      types.map((each) => each.name),
    );
    const id = newId(name);
    edit({
      type: 'batch',
      label: `A kind of its own for ${controller.name}`,
      edits: [
        { type: 'setControllerType', controllerType: { ...type, id, name } },
        { type: 'changeController', controllerId: controller.id, change: { typeId: id } },
      ],
    });
  };
  return (
    <Stack>
      <NameField label="Name of the kind" value={type.name} onCommit={(name) => set({ name })} />
      <Row>
        <Select
          label="Class"
          allowDeselect={false}
          value={type.class}
          data={CONTROLLER_CLASSES.map(({ id, label }) => ({ value: id, label }))}
          onChange={(value) => value && set({ class: value })}
        />
        <WholeField
          label="Ports of the kind"
          what="The number of ports"
          least={1}
          most={256}
          value={type.ports}
          onCommit={(ports) => set({ ports })}
        />
      </Row>
      <Row>
        <ParsedField
          label="Pixels a port"
          description="by ports switched on: 8: 1024, 16: 680"
          value={type.pixelsPerPort.value}
          format={(steps) => steps.map((step) => `${step.upToPorts}: ${step.pixels}`).join(', ')}
          parse={(text) => {
            const steps = text
              .split(/[,;]/)
              .map((part) => /^\s*(\d+)\s*:\s*(\d+)\s*$/.exec(part))
              .map((found) => found && { upToPorts: Number(found[1]), pixels: Number(found[2]) });
            return steps.length > 0 &&
              steps.length <= 16 &&
              steps.every(
                (step) =>
                  step &&
                  step.upToPorts >= 1 &&
                  step.upToPorts <= 256 &&
                  step.pixels >= 1 &&
                  step.pixels <= 4_000_000,
              )
              ? { ok: true, value: steps as { upToPorts: number; pixels: number }[] }
              : { ok: false, message: 'Pairs of ports and pixels, such as 8: 1024, 16: 680.' };
          }}
          onCommit={(value) => set({ pixelsPerPort: retyped(type.pixelsPerPort, value) })}
        />
      </Row>
      <StandingFields
        label="Pixels a port"
        figure={type.pixelsPerPort}
        onCommit={(pixelsPerPort) => set({ pixelsPerPort })}
      />
      {number('mostPixels', 'Pixels in all', 4_000_000)}
      {number('mostUniverses', 'Universes', 63_999)}
      {number('linkMbits', 'Link, Mbit/s', 10_000)}
      <Row>
        {(
          [
            ['straddles', 'A pixel across two universes', 'is taken', 'is not taken'],
            ['severalUniversesPerPort', 'Several universes on a port', 'yes', 'no, one'],
            ['artNetNets', 'Art-Net beyond port-address 255', 'yes, with nets', 'no'],
          ] as const
        ).map(([field, label, yes, no]) => (
          <Select
            key={field}
            label={label}
            placeholder="not known"
            clearable
            value={type[field] ? String(type[field].value) : null}
            data={[
              { value: 'true', label: yes },
              { value: 'false', label: no },
            ]}
            onChange={(value) =>
              set({
                [field]: value === null ? undefined : retyped(type[field], value === 'true'),
              })
            }
          />
        ))}
      </Row>
      {!classOf(type).takesRawFrames && <FeedFields type={type} onChange={set} />}
      <TellingFields type={type} onChange={set} />
      <Textarea
        label="Pins"
        description="printed label, number in software, what it does at boot: a line each, with a comma first where the label is not known"
        autosize
        minRows={2}
        defaultValue={(type.pins ?? []).map((pin) => `${pin.label}, ${pin.number}, ${pin.boot}`).join('\n')}
        onBlur={(event) => {
          const pins = event.currentTarget.value
            .split('\n')
            .map((line) => line.split(',').map((part) => part.trim()))
            .filter(([label, pin]) => label || pin)
            .slice(0, 64)
            .map(([label, pin = '', ...boot]) => ({
              label: label!.slice(0, 20),
              number: pin.slice(0, 20),
              boot: boot.join(', ').slice(0, 120),
            }));
          if (JSON.stringify(pins) !== JSON.stringify(type.pins ?? []))
            set({ pins: pins.length > 0 ? pins : undefined });
        }}
      />
      <PartNotesEditor part={type.name} notes={type.notes} onChange={(notes) => set({ notes })} />
      <Hint>All controllers of this kind change with it.</Hint>
      <Button variant="default" onClick={copy}>
        Make it a kind of its own for {controller.name}
      </Button>
    </Stack>
  );
}

const FEEDS = [
  { value: 'network', label: 'over the network' },
  { value: 'serial', label: 'down a serial line' },
  { value: 'own', label: 'from its own program' },
] as const;
/** The rate that most serial lines are set to. */
const USUAL_BAUD = 115_200;

/** The way of the pictures to a kind of device, with the rate of a serial line. */
function FeedFields({
  type,
  onChange,
}: {
  type: ControllerType;
  onChange: (change: { baud: number | undefined; ownProgram: true | undefined }) => boolean;
}) {
  const feed = feedOf(type);
  return (
    <Row>
      <Select
        label="Pictures come"
        description="a computer that listens to the network is fed over it, whichever pin it uses"
        allowDeselect={false}
        value={feed}
        data={FEEDS}
        onChange={(next) =>
          next &&
          onChange({
            baud: next === 'serial' ? (type.baud ?? USUAL_BAUD) : undefined,
            ownProgram: next === 'own' ? true : undefined,
          })
        }
      />
      {feed === 'serial' && (
        <WholeField
          label="Baud rate"
          what="The baud rate"
          least={300}
          most={10_000_000}
          value={type.baud ?? USUAL_BAUD}
          onCommit={(baud) => onChange({ baud, ownProgram: undefined })}
        />
      )}
    </Row>
  );
}

function feedOf({ baud, ownProgram }: ControllerType): (typeof FEEDS)[number]['value'] {
  if (ownProgram) return 'own';
  return baud === undefined ? 'network' : 'serial';
}
