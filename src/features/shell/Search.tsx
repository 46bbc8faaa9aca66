'use client';

import { Spotlight, spotlight } from '@mantine/spotlight';
import { IconMapPin, IconPlug, IconSearch, IconBolt } from '@tabler/icons-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { addressOf, pixelFactsOf } from '@/core/answers/lookup';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { endWords, sourceWords } from '@/core/power/leadWords';
import { formatAmps } from '@/core/units/electric';
import { kindOf } from '@/core/props/registry';
import { search, type SearchHit } from '@/core/search/query';
import { countOf, groupDigits } from '@/core/units/number';
import { KindGlyph } from '../faces/KindGlyph';
import { controllerWords } from '../patch/words';
import { byteWords, e131Words } from '@/core/answers/numberings';
import { useShow } from '../show/ShowProvider';
import { viewOfHit } from '../view/selection';
import { stageOf } from '@/core/stages/stages';
import { useGoTo, useView } from '../view/useView';
import { fieldHasCome, fieldHasGone, giveFocusBack } from './openSearch';
import { fittingItems, type SearchItem } from '../view/searchItem';
import { useCommands } from './useCommands';
import { useSettingItems } from './useSettingItems';
import { useLogItems } from '../log/useLogItems';
import { usePrintItems } from '../print/usePrintItems';
import { useSheetItems } from './useSheetItems';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt, controllerAt, propOfRun } from '@/core/plan/records';

/** The one field that finds props, ports, pixels and channels, and runs commands. */
export function Search() {
  const [query, setQuery] = useState('');
  /** Whether the field has been there: what takes long is listed only then. */
  const [opened, setOpened] = useState(false);
  /** Enter came before there was anything to take: the first line is taken once there is one. */
  const isEntered = useRef(false);
  /** Before the dialog's own focus trap, which waits a moment: a builder types on. */
  const takeKeys = useCallback((input: HTMLInputElement | null) => {
    if (!input) return fieldHasGone();
    // The key may have come before this was here to hear of it.
    setOpened(true);
    const { text, entered } = fieldHasCome();
    input.focus();
    if (text !== '') setQuery(text);
    isEntered.current = entered;
  }, []);
  const plan = useShow((state) => state.plan);
  const { stage } = useView();
  const goTo = useGoTo();
  const commands = useCommands();
  const sheets = useSheetItems(opened);
  const prints = usePrintItems(opened);
  const settings = useSettingItems();
  const logged = useLogItems(opened);

  const answer = plan ? search(plan, query) : { hits: [] };
  const found = plan
    ? answer.hits.map((hit, i): SearchItem => ({
        key: `hit ${i}`,
        ...withWay(plan, hit, stage),
        run: () => goTo(viewOfHit(plan, hit, stage)),
      }))
    : [];
  const items = [
    ...found,
    ...fittingItems([...commands, ...sheets, ...settings, ...prints, ...logged], query),
  ];
  const take = (item: SearchItem) => {
    spotlight.close();
    item.run();
  };
  useEffect(() => {
    if (!isEntered.current || !plan || query === '') return;
    isEntered.current = false;
    if (items[0]) take(items[0]);
  });

  return (
    <Spotlight.Root
      shortcut={null}
      query={query}
      onQueryChange={setQuery}
      clearQueryOnClose
      onSpotlightClose={giveFocusBack}
      // It is there at once, so that what is typed right after the key lands in it.
      transitionProps={{ duration: 0 }}
      scrollable
      attributes={{ content: { 'aria-label': 'Find anything, or run a command' } }}
      maxHeight={380}
    >
      <Spotlight.Search
        ref={takeKeys}
        placeholder="A3 17, U5 430, ch 2182, panel 2.3, net curtain…"
        leftSection={<IconSearch size={18} />}
        onKeyDown={(event) => {
          // The first line is meant where the list has not marked one yet.
          if (event.key !== 'Enter' || event.nativeEvent.isComposing) return;
          if (items[0] && !document.querySelector('[data-action][data-selected]')) take(items[0]);
        }}
      />
      <Spotlight.ActionsList>
        {items.map((item) => (
          <Spotlight.Action
            key={item.key}
            label={item.label}
            description={item.description}
            leftSection={item.icon}
            onClick={() => take(item)}
          />
        ))}
        {items.length === 0 && (
          <Spotlight.Empty>{('message' in answer && answer.message) || 'Nothing found.'}</Spotlight.Empty>
        )}
      </Spotlight.ActionsList>
    </Spotlight.Root>
  );
}

/** The words of a hit, with the stage that it leads to. */
function withWay(plan: Plan, hit: SearchHit, current: string): Omit<SearchItem, 'key' | 'run'> {
  const words = hitWords(plan, hit);
  const { stage } = viewOfHit(plan, hit, current);
  return { ...words, description: `${words.description} · leads to ${stageOf(stage).label}` };
}

function hitWords(plan: Plan, hit: SearchHit): Omit<SearchItem, 'key' | 'run'> {
  switch (hit.kind) {
    case 'prop': {
      const prop = propAt(plan, hit.prop);
      return {
        label: prop.name,
        description: `${kindOf(prop).label}, ${countOf(plannedAt(plan, hit.prop).pixelCount, 'pixel')}`,
        icon: <KindGlyph kind={prop.kind} />,
      };
    }
    case 'port': {
      const controller = controllerAt(plan, hit.controller);
      const planned = plan.ports.find((each) => each.controller === hit.controller && each.port === hit.port);
      return {
        label: `Port ${portName(controller, hit.port)}`,
        description: `${controller.name}, ${planned ? `${countOf(planned.pixels, 'pixel')}` : 'free'}`,
        icon: <IconPlug size={20} />,
      };
    }
    case 'controller': {
      const controller = controllerAt(plan, hit.controller);
      return {
        label: controller.name,
        description: controllerWords(plan.show, controller),
        icon: <IconPlug size={20} />,
      };
    }
    case 'place': {
      const { id, name } = itemAt(plan.show.places, hit.place);
      const here = plan.show.props.filter((prop) => prop.placeId === id).length;
      return {
        label: name,
        description: `place on site, ${countOf(here, 'prop')}`,
        icon: <IconMapPin size={20} />,
      };
    }
    case 'supply': {
      const { name, volts, ratedAmps } = itemAt(plan.show.supplies, hit.supply);
      return {
        label: name,
        description: `supply, ${volts} V, ${formatAmps(ratedAmps.value)}`,
        icon: <IconBolt size={20} />,
      };
    }
    case 'lead': {
      const { show } = plan;
      const feed = itemAt(show.feeds, hit.feed);
      return {
        label: feed.name,
        description: `from ${sourceWords(show, feed)} to ${endWords(show, itemAt(feed.pieces, 0).to)}`,
        icon: <IconBolt size={20} />,
      };
    }
    case 'skipped': {
      const { prop, number } = runAt(plan, hit.run);
      return {
        label: `Skipped pixel ${hit.skippedPixel}`,
        description: `before ${propAt(plan, prop).name} run ${number}`,
        icon: <IconPlug size={20} />,
      };
    }
    case 'pixel': {
      const address = addressOf(plan, hit.pixel);
      const { wire } = address;
      const prop = propOfRun(plan, plan.pixels.run[hit.pixel]!);
      return {
        label: `${address.propName}, pixel ${groupDigits(address.pixelInRun)} of run ${address.run}`,
        description: [
          ...pixelFactsOf(plan, hit.pixel)
            .filter(({ name }) => name === 'Panel' || name === 'Output and place')
            .map(({ name, value }) => `${name.toLowerCase()} ${value}`),
          wire
            ? `${wire.portName} ${groupDigits(wire.place)} · ${wire.e131 ? e131Words(wire.e131) : byteWords(wire)}`
            : 'on no port yet',
        ].join(' · '),
        icon: <KindGlyph kind={prop.kind} />,
      };
    }
  }
}
