'use client';

import { useMantineColorScheme } from '@mantine/core';
import { Spotlight, spotlight } from '@mantine/spotlight';
import { IconCommand, IconPlug, IconSearch } from '@tabler/icons-react';
import { useState, type ReactNode } from 'react';
import { addressOf, pixelFactsOf } from '@/core/answers/lookup';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { search, type SearchHit } from '@/core/search/query';
import { otherSide } from '@/core/threading/view';
import { countOf, groupDigits } from '@/core/units/number';
import { KindGlyph } from '../kinds/KindGlyph';
import { controllerWords } from '../patch/words';
import { e131Words } from '@/core/answers/numberings';
import { useShow, useShowStore } from '../show/ShowProvider';
import { viewOfHit } from '../view/selection';
import { STAGES } from '../stages/registry';
import { keyOf } from '../stages/stages';
import { useGoTo, useView } from '../view/useView';
import { useDialog } from './dialogs';

interface Item {
  key: string;
  label: string;
  description: string;
  icon: ReactNode;
  run: () => void;
}

/** The one field that finds props, ports, pixels and channels, and runs commands. */
export function Search() {
  const [query, setQuery] = useState('');
  const plan = useShow((state) => state.plan);
  const { stage } = useView();
  const goTo = useGoTo();
  const commands = useCommands();

  const answer = plan ? search(plan, query) : { hits: [] };
  const found = plan
    ? answer.hits.map((hit, i): Item => ({
        key: `hit ${i}`,
        ...hitWords(plan, hit),
        run: () => goTo(viewOfHit(plan, hit, stage)),
      }))
    : [];
  const words = query.trim().toLowerCase();
  const fitting = commands.filter((command) => words === '' || command.label.toLowerCase().includes(words));
  const items = [...found, ...fitting];

  return (
    <Spotlight.Root
      shortcut={null}
      query={query}
      onQueryChange={setQuery}
      clearQueryOnClose
      // It is there at once, so that what is typed right after the key lands in it.
      transitionProps={{ duration: 0 }}
      scrollable
      maxHeight={380}
    >
      <Spotlight.Search
        ref={focusAtOnce}
        placeholder="A3 17, U5 430, ch 2182, panel 2.3, net curtain…"
        leftSection={<IconSearch size={18} />}
      />
      <Spotlight.ActionsList>
        {items.map((item) => (
          <Spotlight.Action
            key={item.key}
            label={item.label}
            description={item.description}
            leftSection={item.icon}
            onClick={() => {
              spotlight.close();
              item.run();
            }}
          />
        ))}
        {items.length === 0 && (
          <Spotlight.Empty>{('message' in answer && answer.message) || 'Nothing found.'}</Spotlight.Empty>
        )}
      </Spotlight.ActionsList>
    </Spotlight.Root>
  );
}

/** Before the dialog's own focus trap, which waits a moment: a builder types on. */
function focusAtOnce(input: HTMLInputElement | null): void {
  input?.focus();
}

function hitWords(plan: Plan, hit: SearchHit): Omit<Item, 'key' | 'run'> {
  switch (hit.kind) {
    case 'prop': {
      const prop = plan.show.props[hit.prop]!;
      return {
        label: prop.name,
        description: `${kindOf(prop).label}, ${countOf(plan.props[hit.prop]!.pixelCount, 'pixel')}`,
        icon: <KindGlyph kind={prop.kind} />,
      };
    }
    case 'port': {
      const controller = plan.show.controllers[hit.controller]!;
      const planned = plan.ports.find((each) => each.controller === hit.controller && each.port === hit.port);
      return {
        label: `Port ${portName(controller, hit.port)}`,
        description: `${controller.name}, ${planned ? `${countOf(planned.pixels, 'pixel')}` : 'free'}`,
        icon: <IconPlug size={20} />,
      };
    }
    case 'controller': {
      const controller = plan.show.controllers[hit.controller]!;
      return {
        label: controller.name,
        description: controllerWords(controller),
        icon: <IconPlug size={20} />,
      };
    }
    case 'skipped': {
      const { prop, number } = plan.runs[hit.run]!;
      return {
        label: `Skipped pixel ${hit.skippedPixel}`,
        description: `before ${plan.show.props[prop]!.name} run ${number}`,
        icon: <IconPlug size={20} />,
      };
    }
    case 'pixel': {
      const address = addressOf(plan, hit.pixel);
      const { wire } = address;
      const prop = plan.show.props[plan.runs[plan.pixels.run[hit.pixel]!]!.prop]!;
      return {
        label: `${address.propName}, pixel ${groupDigits(address.pixelInRun)} of run ${address.run}`,
        description: [
          ...pixelFactsOf(plan, hit.pixel)
            .filter(({ name }) => name === 'Panel' || name === 'Output and place')
            .map(({ name, value }) => `${name.toLowerCase()} ${value}`),
          wire
            ? `${wire.portName} ${groupDigits(wire.place)} · ${wire.e131 ? e131Words(wire.e131) : `DDP byte ${groupDigits(wire.ddpOffset)}`}`
            : 'on no port yet',
        ].join(' · '),
        icon: <KindGlyph kind={prop.kind} />,
      };
    }
  }
}

function useCommands(): Item[] {
  const store = useShowStore();
  const id = useShow((state) => state.id);
  const { side } = useView();
  const goTo = useGoTo();
  const { toggleColorScheme } = useMantineColorScheme();
  const { show } = useDialog();
  const icon = <IconCommand size={20} />;
  const command = (label: string, description: string, run: () => void): Item => ({
    key: label,
    label,
    description,
    icon,
    run,
  });
  const download = (file: string) => () => window.location.assign(`/api/shows/${id}/${file}`);
  return [
    ...STAGES.map((stage) =>
      command(`Go to ${stage.label}`, `${stage.purpose}, key ${keyOf(stage)}`, () =>
        goTo({ stage: stage.id }),
      ),
    ),
    command('Undo', 'Ctrl Z', () => store.getState().undo()),
    command('Redo', 'Ctrl Shift Z', () => store.getState().redo()),
    command('See it from the other side', 'Key F', () => goTo({ side: otherSide(side) }, 'replace')),
    command('Show all of it', 'Key Z', () => window.dispatchEvent(new Event('rapid-lantern:fit'))),
    command('Change between dark and light', 'Theme', () => toggleColorScheme()),
    command('Download the channel map', 'CSV, one line a pixel', download('channel-map.csv')),
    command('Download the spans', 'CSV, one line a span', download('spans.csv')),
    command('Download the show file', 'JSON', download('show.json')),
    command('Sheets as files', 'CSV, JSON', () => show('sheets')),
    command('Pixel types', 'Of this show', () => show('pixelTypes')),
    command('Places on site', 'Of this show', () => show('places')),
    command('Keys', '?', () => show('keys')),
  ];
}
