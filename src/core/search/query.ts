import {
  findArtNet,
  findDdp,
  findLedIndex,
  findOnWire,
  findShowChannel,
  findUniverseChannel,
  type Hit,
} from '../answers/lookup';
import { spansInUniverse } from '../plan/planIndex';
import { portAddressOf } from '../protocols/artNet';
import { portName } from '../catalogue/controller';
import type { Plan } from '../plan/planned';
import { kindOf, isPanelled } from '../props/registry';
import { countOf, groupDigits } from '../units/number';
import { propAt, plannedAt, runAt, controllerAt } from '../plan/records';

/** A thing that a search found, to go to. Indices lead into the plan. */
export type SearchHit =
  | { kind: 'prop'; prop: number }
  | { kind: 'port'; controller: number; port: number }
  | { kind: 'controller'; controller: number }
  | { kind: 'place'; place: number }
  | { kind: 'supply'; supply: number }
  | { kind: 'lead'; feed: number }
  | { kind: 'pixel'; pixel: number; /** From 0. */ channelOfPixel: number }
  | { kind: 'skipped'; run: number; skippedPixel: number };

/** The hits, best first, and a sentence that says why there are none. */
interface SearchAnswer {
  hits: SearchHit[];
  message?: string;
}

const MOST_PROPS = 30;

const none = (message: string): SearchAnswer => ({ hits: [], message });
const all = (hits: readonly Hit[], message: string): SearchAnswer =>
  hits.length > 0 ? { hits: [...hits] } : none(message);

/** A form of question: how it looks, and what it finds. The first form that fits answers. */
interface Form {
  pattern: RegExp;
  answer: (plan: Plan, parts: string[]) => SearchAnswer | undefined;
}

const FORMS: readonly Form[] = [
  {
    // U5 430, universe 5 channel 430, u5c430
    pattern: /^u(?:niverse)?\s*(\d+)(?:\s*[.,:/]\s*|\s+|(?=c))(?:c(?:h(?:annel)?)?\s*)?(\d+)$/,
    answer: universeAnswer,
  },
  {
    // 5.430, 5:430, 5/430
    pattern: /^(\d+)\s*[.:/]\s*(\d+)$/,
    answer: universeAnswer,
  },
  {
    pattern: /^u(?:niverse)?\s*(\d+)$/,
    answer: (plan, [universe]) => {
      const first = [...spansInUniverse(plan, Number(universe))].sort(
        (a, b) => a.startChannel - b.startChannel,
      )[0];
      return all(
        first ? findUniverseChannel(plan, Number(universe), first.startChannel) : [],
        `No run uses universe ${universe}. ${universesWords(plan)}`,
      );
    },
  },
  {
    // ch 2182, channel 2182, or only 2182
    pattern: /^(?:(?:show\s*)?ch(?:annel)?\s*)?(\d+)$/,
    answer: (plan, [channel]) =>
      all(
        findShowChannel(plan, Number(channel)),
        Number(channel) > plan.lastShowChannel || Number(channel) < firstShowChannel(plan)
          ? `The show’s channels go from ${groupDigits(firstShowChannel(plan))} to ${groupDigits(plan.lastShowChannel)}; ${channel} is outside.`
          : `Channel ${channel} lies in a gap: no pixel uses it.`,
      ),
  },
  {
    // art 0.1.4 17: net, sub-net, universe, channel
    pattern: /^art(?:-?net)?\s*(\d+)\.(\d+)\.(\d+)(?:\s*[:/]\s*|\s+)(?:ch(?:annel)?\s*)?(\d+)$/,
    answer: (plan, [net, subNet, universe, channel]) => {
      if (Number(net) > 127 || Number(subNet) > 15 || Number(universe) > 15)
        return none(
          'An Art-Net address is net 0 to 127, sub-net 0 to 15, universe 0 to 15, such as art 0.1.4 17.',
        );
      const portAddress = portAddressOf({
        net: Number(net),
        subNet: Number(subNet),
        universe: Number(universe),
      });
      return artNetAnswer(plan, portAddress, Number(channel));
    },
  },
  {
    // art 20 17: port-address, channel
    pattern: /^art(?:-?net)?\s*(\d+)(?:\s*[:/]\s*|\s+)(?:ch(?:annel)?\s*)?(\d+)$/,
    answer: (plan, [portAddress, channel]) => artNetAnswer(plan, Number(portAddress), Number(channel)),
  },
  {
    pattern: /^ddp\s+([a-z]{1,3})\s*(\d+)$/,
    answer: (plan, [label, byte]) =>
      withController(plan, label!, (index, name) =>
        all(findDdp(plan, index, Number(byte)), `${name} has no pixel at byte ${byte}. Bytes count from 0.`),
      ),
  },
  {
    pattern: /^led\s+([a-z]{1,3})\s*(\d+)$/,
    answer: (plan, [label, led]) =>
      withController(plan, label!, (index, name) => {
        const hit = findLedIndex(plan, index, Number(led));
        return all(
          hit ? [hit] : [],
          `${name} has no LED ${led}. Its LEDs count from ${controllerAt(plan, index).firstLedIndex} over all its ports.`,
        );
      }),
  },
  {
    // panel 2.3, score wall panel 2.3, panel 2.3 of score wall: row and column from the front
    pattern: /^(?:(.+?)\s+)?panel\s*(\d+)\s*[.,:/]\s*(\d+)(?:\s+(?:of\s+)?(.+))?$/,
    answer: (plan, [before, row, column, behind]) =>
      panelAnswer(plan, before ?? behind, Number(row), Number(column)),
  },
  {
    // A3 17, port A3 17: port, place on its wire
    pattern: /^(?:port\s+)?([a-z]{1,3})\s*(\d+)(?:\s*[.,:/]\s*|\s+)(?:px\s*|pixel\s*)?(\d+)$/,
    answer: (plan, [label, port, place]) => {
      const index = controllerLabelled(plan, label!);
      if (index === -1) return undefined;
      const name = `${label!.toUpperCase()}${port}`;
      const hit = findOnWire(plan, index, Number(port), Number(place));
      if (hit) return { hits: [hit] };
      return none(
        portProblem(plan, index, Number(port)) ?? placeProblem(plan, index, Number(port), name, place!),
      );
    },
  },
  {
    pattern: /^(?:port\s+)?([a-z]{1,3})\s*(\d+)$/,
    answer: (plan, [label, port]) => {
      const index = controllerLabelled(plan, label!);
      if (index === -1) return undefined;
      const problem = portProblem(plan, index, Number(port));
      return problem ? none(problem) : { hits: [{ kind: 'port', controller: index, port: Number(port) }] };
    },
  },
];

/**
 * Finds what a builder asks for in one line: a port and place (`A3 17`), a port (`A3`), a universe and channel
 * (`U5 430`), a show channel (`ch 2182`), an Art-Net address (`art 0.1.4 17`), a DDP byte (`ddp A 300`), a LED index of a
 * device (`led A 12`), a panel of a wall (`panel 2.3`, or `score wall panel 2.3`), a pixel of a prop (`net curtain 17`, or `net curtain 2.17` for run 2), or a prop, a
 * controller or a place by part of its name. Letter case does not matter.
 */
export function search(plan: Plan, text: string): SearchAnswer {
  const query = text.trim().toLowerCase().replace(/\s+/g, ' ');
  if (query === '') return { hits: [] };
  const named = [
    ...propsNamed(plan, query),
    ...controllersNamed(plan, query),
    ...placesNamed(plan, query),
    ...feedsNamed(plan, query),
  ];
  for (const { pattern, answer } of FORMS) {
    const match = pattern.exec(query);
    const found = match && answer(plan, match.slice(1));
    // A prop may be called 'Arch 2', so a name that fits is offered beside an address, and instead of none.
    if (found && (found.hits.length > 0 || named.length === 0))
      return { ...found, hits: [...found.hits, ...named] };
  }
  const pixel = pixelOfProp(plan, query);
  if (pixel && (pixel.hits.length > 0 || named.length === 0))
    return { ...pixel, hits: [...pixel.hits, ...named] };
  if (named.length > 0) return { hits: named };
  return none(
    `Nothing here is called “${text.trim()}”. Ask for a prop, a port and place (A3 17), a universe and channel (U5 430) or a show channel (ch 2182).`,
  );
}

/** The panel at a place of a wall, as its first pixel: of the wall that is named, or of every wall that has one there. */
function panelAnswer(plan: Plan, name: string | undefined, row: number, column: number): SearchAnswer {
  const named =
    name === undefined ? null : new Set(propsNamed(plan, name).map((hit) => 'prop' in hit && hit.prop));
  const walls = plan.show.props.flatMap((prop, index) =>
    isPanelled(prop) && (named === null || named.has(index)) ? [{ prop, index }] : [],
  );
  const hits = walls.flatMap(({ prop, index }): SearchHit[] => {
    const pixel = kindOf(prop).pixelOfPanel?.(prop.shape, prop.threading, row, column) ?? null;
    return pixel === null
      ? []
      : [{ kind: 'pixel', pixel: plannedAt(plan, index).firstPixel + pixel, channelOfPixel: 0 }];
  });
  if (hits.length > 0) return { hits };
  const [wall] = walls;
  if (!wall)
    return none(
      name === undefined ? 'There is no panel wall in this show.' : `No panel wall is called “${name}”.`,
    );
  return none(
    `${wall.prop.name} has ${kindOf(wall.prop).summary(wall.prop.shape)}; there is none in row ${row}, column ${column}. Rows and columns count from 1 at the top left, seen from the front.`,
  );
}

/** Props whose name holds the words: those that begin with them first. */
function propsNamed(plan: Plan, query: string): SearchHit[] {
  const ranked = plan.show.props.flatMap((prop, index) => {
    const name = prop.name.toLowerCase();
    if (name === query) return [{ index, rank: 0 }];
    if (name.startsWith(query)) return [{ index, rank: 1 }];
    return name.includes(query) || prop.id === query ? [{ index, rank: 2 }] : [];
  });
  ranked.sort((a, b) => a.rank - b.rank || a.index - b.index);
  return ranked.slice(0, MOST_PROPS).map(({ index }) => ({ kind: 'prop', prop: index }));
}

function controllersNamed(plan: Plan, query: string): SearchHit[] {
  return plan.show.controllers.flatMap(({ name }, controller) =>
    name.toLowerCase().includes(query) ? [{ kind: 'controller' as const, controller }] : [],
  );
}

function placesNamed(plan: Plan, query: string): SearchHit[] {
  return plan.show.places.flatMap(({ name }, place) =>
    name.toLowerCase().includes(query) ? [{ kind: 'place' as const, place }] : [],
  );
}

/** Supplies by a part of their name, leads by the whole of it: `lead 1` is not `lead 12`. */
function feedsNamed({ show }: Plan, query: string): SearchHit[] {
  return [
    ...show.supplies.flatMap(({ name }, supply): SearchHit[] =>
      name.toLowerCase().includes(query) ? [{ kind: 'supply', supply }] : [],
    ),
    ...show.feeds.flatMap(({ name }, feed): SearchHit[] =>
      name.toLowerCase() === query.replace(/^feed\b/, 'lead') ? [{ kind: 'lead', feed }] : [],
    ),
  ];
}

/** `net curtain 17`: a prop's pixel in data order; `net curtain 2.17`: pixel 17 of run 2. */
function pixelOfProp(plan: Plan, query: string): SearchAnswer | undefined {
  const match = /^(.*\S)\s+(?:(\d+)[.:])?(\d+)$/.exec(query);
  if (!match) return undefined;
  const [, name, run, number] = match;
  const named = propsNamed(plan, name!)[0];
  if (named?.kind !== 'prop') return undefined;
  const prop = plannedAt(plan, named.prop);
  const words = propAt(plan, named.prop).name;
  const wanted = Number(number);
  if (run !== undefined && (Number(run) < 1 || Number(run) > prop.runCount))
    return none(`${words} has ${countOf(prop.runCount, 'run')}; there is no run ${run}.`);
  const part = run === undefined ? prop : runAt(plan, prop.firstRun + Number(run) - 1);
  if (wanted < 1 || wanted > part.pixelCount)
    return none(
      `${words}${run === undefined ? '' : ` run ${run}`} has pixels 1 to ${groupDigits(part.pixelCount)}; ${number} is outside.`,
    );
  return { hits: [{ kind: 'pixel', pixel: part.firstPixel + wanted - 1, channelOfPixel: 0 }] };
}

function firstShowChannel({ show }: Plan): number {
  return show.addressing.firstShowChannel ?? 1;
}

function controllerLabelled(plan: Plan, label: string): number {
  return plan.show.controllers.findIndex((controller) => controller.label.toLowerCase() === label);
}

function withController(
  plan: Plan,
  label: string,
  answer: (index: number, name: string) => SearchAnswer,
): SearchAnswer {
  const index = controllerLabelled(plan, label);
  if (index !== -1) return answer(index, controllerAt(plan, index).name);
  const labels = plan.show.controllers.map((controller) => controller.label).join(', ');
  return none(
    `No controller has the letters ${label.toUpperCase()}. ${labels ? `There are ${labels}.` : 'There is none yet.'}`,
  );
}

function portProblem(plan: Plan, index: number, port: number): string | undefined {
  const controller = controllerAt(plan, index);
  if (port >= 1 && port <= controller.ports) return undefined;
  return `${controller.name} has the ports ${portName(controller, 1)} to ${portName(controller, controller.ports)}; there is no ${portName(controller, port)}.`;
}

function placeProblem(plan: Plan, index: number, port: number, name: string, place: string): string {
  const places = plan.ports.find((each) => each.controller === index && each.port === port)?.places;
  return places
    ? `Port ${name} has ${countOf(places, 'pixel')} on its wire; place ${place} is outside.`
    : `Port ${name} holds nothing yet.`;
}

function universeAnswer(plan: Plan, [universe, channel]: string[]): SearchAnswer {
  return all(
    findUniverseChannel(plan, Number(universe), Number(channel)),
    Number(channel) < 1 || Number(channel) > 512
      ? `A universe has channels 1 to 512; ${channel} is outside.`
      : nothingInUniverse(plan, Number(universe), Number(channel)),
  );
}

function artNetAnswer(plan: Plan, portAddress: number, channel: number): SearchAnswer {
  return all(
    findArtNet(plan, portAddress, channel),
    `No pixel listens to channel ${channel} of Art-Net port-address ${portAddress}. Each controller has its own offset to universes.`,
  );
}

function nothingInUniverse(plan: Plan, universe: number, channel: number): string {
  return spansInUniverse(plan, universe).length > 0
    ? `Channel ${channel} of universe ${universe} is in a gap: no pixel uses it.`
    : `No run uses universe ${universe}. ${universesWords(plan)}`;
}

function universesWords(plan: Plan): string {
  const universes = plan.spaces.flatMap((space) => space.universe ?? []);
  if (universes.length === 0) return 'No run is on a port yet.';
  return `The show uses ${countOf(universes.length, 'universe')}, the first is ${universes[0]}.`;
}
