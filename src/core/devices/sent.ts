import { toldUniverse } from '../addressing/numbering';
import type { Controller } from '../catalogue/controller';
import { packingWords } from '../catalogue/packing';
import { policyOfRun } from '../plan/plan';
import { spansInUniverse, spansOfController } from '../plan/planIndex';
import type { LaidShow } from '../plan/planned';
import { universesOf } from '../protocols/registry';
import { isInUniverses, linkOf, linkWords } from '../catalogue/link';
import type { Show } from '../show/schema';
import { showSpaces, universesOfController } from './universeSizes';
import { valueIn } from '../units/there';
import { controllerAt } from '../plan/records';

/** A universe, or the flat space of a device, as the sender is told it. */
export interface Sent {
  /** Index of the controller that it goes to. */
  controller: number;
  /** In the count of the show; null for a flat space. */
  showUniverse: number | null;
  /** As it is typed: the port-address under Art-Net; null for a flat space. */
  universe: number | null;
  /** Name of the space, where it is no universe. */
  spaceWords: string | null;
  protocol: string;
  /** Target of its packets; null where it is not set. */
  destination: string | null;
  /** Channels to fill, or bytes of the flat space. */
  channels: number;
  /** Channels that carry something. */
  used: number;
  /** Show channel of its first channel. */
  firstShowChannel: number;
  lastShowChannel: number;
  packing: string;
  /** Other controllers that listen to the same universe. */
  alsoHeardBy: readonly string[];
}

/** All that the sender sends to one controller, in ascending order. */
export function sentUniverses(plan: LaidShow, controller: number): Sent[] {
  const device = controllerAt(plan, controller);
  const spans = spansOfController(plan, controller);
  const spaces = showSpaces(plan);
  const protocol = linkWords(plan.show, device);
  if (!isInUniverses(plan.show, device)) {
    const space = spaces.flat.get(controller);
    if (!space) return [];
    return [
      {
        controller,
        showUniverse: null,
        universe: null,
        ...flatWords(plan.show, device),
        protocol,
        channels: space.channelCount,
        used: spans.reduce((sum, span) => sum + span.channelCount, 0),
        firstShowChannel: space.startShowChannel,
        lastShowChannel: space.startShowChannel + space.channelCount - 1,
        packing: 'runs on',
        alsoHeardBy: [],
      },
    ];
  }
  const packings = new Map<number, Set<string>>();
  const used = new Map<number, number>();
  for (const span of spans) {
    const words = packings.get(span.universe!) ?? new Set();
    packings.set(span.universe!, words.add(packingWords(policyOfRun(plan, span.run).packing)));
    used.set(span.universe!, (used.get(span.universe!) ?? 0) + span.channelCount);
  }
  return [...universesOfController(plan, controller)].map(([showUniverse, channels]) => {
    const space = valueIn(spaces.universes, showUniverse);
    const others = new Set(spansInUniverse(plan, showUniverse).map((span) => span.controller));
    return {
      controller,
      showUniverse,
      universe: toldUniverse(device, showUniverse),
      spaceWords: null,
      protocol,
      destination: destinationOf(device, showUniverse),
      channels,
      used: valueIn(used, showUniverse),
      firstShowChannel: space.startShowChannel,
      lastShowChannel: space.startShowChannel + space.channelCount - 1,
      packing: [...valueIn(packings, showUniverse)].join(' + '),
      alsoHeardBy: [...others].flatMap((each) =>
        each === controller ? [] : [controllerAt(plan, each).name],
      ),
    };
  });
}

/** The flat space of a device, and the way to it. */
function flatWords(show: Show, device: Controller): Pick<Sent, 'spaceWords' | 'destination'> {
  switch (linkOf(show, device)) {
    case 'raw':
      return { spaceWords: 'the picture itself', destination: 'straight from the sender’s gigabit port' };
    case 'serial':
      return { spaceWords: 'one flat space', destination: 'down its serial line' };
    case 'own':
      return { spaceWords: 'one flat space', destination: 'nowhere: its own program makes the picture' };
    case 'network':
      return { spaceWords: 'one flat space', destination: device.network?.ip ?? null };
  }
}

/** Everything that is sent, controller by controller; to one with a program of its own nothing is. */
export function allSent(plan: LaidShow): Sent[] {
  return plan.show.controllers.flatMap((device, index) =>
    linkOf(plan.show, device) === 'own' ? [] : sentUniverses(plan, index),
  );
}

/** Universes that more than one controller listens to, with the indices of those. */
export function sharedUniverses({ spans }: LaidShow): { universe: number; controllers: number[] }[] {
  const heardBy = new Map<number, number | Set<number>>();
  for (const { universe, controller } of spans) {
    if (universe === null) continue;
    const known = heardBy.get(universe);
    if (known === undefined) heardBy.set(universe, controller);
    else if (typeof known !== 'number') known.add(controller);
    else if (known !== controller) heardBy.set(universe, new Set([known, controller]));
  }
  return [...heardBy]
    .flatMap(([universe, by]) =>
      typeof by === 'number' ? [] : [{ universe, controllers: [...by].sort((a, b) => a - b) }],
    )
    .sort((a, b) => a.universe - b.universe);
}

function destinationOf(device: Controller, universe: number): string | null {
  const { network } = device;
  if (!network) return null;
  if (network.casting === 'unicast') return network.ip;
  return universesOf(device)!.sharedWords(toldUniverse(device, universe));
}
