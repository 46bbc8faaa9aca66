import { linkOf } from '../catalogue/link';
import { addressWords } from './addressWords';
import { START_REASONS, type StartReason } from '../addressing/layout';
import { channelsPerPixel, type PixelType } from '../catalogue/pixelType';
import {
  NEW_UNIVERSE_WORDS,
  packingWords,
  slotsPerUniverse,
  unitChannels,
  usableChannels,
} from '../catalogue/packing';
import { computed, given, product, sum, type Explained, type Place } from '../figures/explained';
import { kindOf, pixelsOf } from '../props/registry';
import { countOf } from '../units/number';
import { listOf } from '../units/words';
import { policyOfRun } from './plan';
import { spansOfRun } from './planIndex';
import type { LaidShow, Span } from './planned';
import { runName } from './runName';
import { itemAt, lastOf, byId } from '../units/there';
import { controllerAt, plannedAt, propAt, propOfRun, runAt, wireOfRun } from './records';

const propOf = (plan: LaidShow, run: number) => propOfRun(plan, run);

function placeOfRun(plan: LaidShow, run: number, stage: Place['stage']): Place {
  return { stage, subject: { kind: 'prop', propId: propOf(plan, run).id, run: runAt(plan, run).number } };
}

/** The pixels of a run, by its index. */
export function explainRunPixels(plan: LaidShow, run: number): Explained {
  const { prop: index, pixelCount } = runAt(plan, run);
  const prop = propAt(plan, index);
  const { runCount } = plannedAt(plan, index);
  const ofProp = pixelsOf(prop);
  if (runCount === 1) return ofProp;
  return given(`pixels of ${runName(plan, run)}`, pixelCount, 'pixels', {
    because: `${prop.name} is cut into ${countOf(runCount, 'run')} at the ends of its ${kindOf(prop).strandWord(prop.threading)}s.`,
    seen: [ofProp],
    place: placeOfRun(plan, run, 'route'),
  });
}

/** The pixels of some runs of one prop. */
export function explainPixels(plan: LaidShow, runs: readonly number[]): Explained {
  const [first] = runs;
  if (first !== undefined && runs.length === plannedAt(plan, runAt(plan, first).prop).runCount)
    return pixelsOf(propOf(plan, first));
  if (runs.length === 1) return explainRunPixels(plan, first!);
  return computed('pixels', 'pixels', sum(...runs.map((run) => explainRunPixels(plan, run))));
}

function typeOf({ show }: LaidShow, prop: number): PixelType {
  const { pixelTypeId } = itemAt(show.props, prop);
  return byId(show.pixelTypes, pixelTypeId);
}

/** The channels of one pixel of a type. */
export function explainChannelsPerPixel(type: PixelType): Explained {
  return given('channels a pixel', channelsPerPixel(type), 'number', {
    because: `${type.name} has a channel for each of its colours, ${[...type.colourOrder].join(', ')}.`,
    place: { stage: 'build', list: 'pixelTypes' },
  });
}

/** The channels of some runs of one prop; skipped pixels are not counted. */
export function explainChannels(plan: LaidShow, runs: readonly number[]): Explained {
  const [first] = runs;
  if (first === undefined) return given('channels', 0, 'channels');
  return channelsOf(explainPixels(plan, runs), typeOf(plan, runAt(plan, first).prop));
}

/** The channels of so many pixels of a type. */
export function channelsOf(pixels: Explained, type: PixelType): Explained {
  return computed('channels', 'channels', product(pixels, explainChannelsPerPixel(type)));
}

const endOf = (span: Span) => span.startChannel + span.channelCount - 1;

/** The channel at which a run starts, and why it starts there; null while it has no address. */
export function explainStart(plan: LaidShow, run: number): Explained | null {
  const spans = spansOfRun(plan, run);
  const first = spans.find((span) => span.runChannel >= 0);
  const { wire, channelsPerPixel: channels } = runAt(plan, run);
  if (!first || !wire) return null;
  const begin = itemAt(spans, 0);
  const text = addressWords(first.universe, first.startChannel);
  const lead = first === begin ? 0 : wire.skippedPixels * channels;
  const skipped = given('channels of the skipped pixels before it', lead, 'channels', {
    place: placeOfRun(plan, run, 'patch'),
  });
  const whatIsBefore = wire.laidAfter === null ? null : endOfRun(plan, wire.laidAfter);
  const because = sentenceOf(plan, run, begin, whatIsBefore);
  const place = placeOfRun(plan, run, 'patch');
  const decided = DECIDED_ALONE.has(START_REASONS[wire.startReason]!);
  const seen = [...(whatIsBefore && !decided ? [whatIsBefore.end] : []), ...policyInputs(plan, run)];
  if (lead > 0 && first.universe === begin.universe) {
    const firstSkipped = given('its first skipped channel', begin.startChannel, 'number');
    return computed('start channel', 'number', sum(firstSkipped, skipped), { text, because, place, seen });
  }
  if (whatIsBefore && whatIsBefore.span.universe === begin.universe && isFollowing(plan, run)) {
    const formula = sum(
      whatIsBefore.end,
      ...(whatIsBefore.spare ? [whatIsBefore.spare] : []),
      given('one more', 1, 'number'),
    );
    // Fixtures and whole pixels may leave channels free between.
    if (formula.value === first.startChannel)
      return computed('start channel', 'number', formula, {
        text,
        because,
        place,
        seen: policyInputs(plan, run),
      });
  }
  return given('start channel', first.startChannel, 'number', { text, because, place, seen });
}

/** Starts that do not depend on what was laid before. */
const DECIDED_ALONE: ReadonlySet<StartReason> = new Set<StartReason>(['first', 'pinned', 'firstUniverse']);

function isFollowing(plan: LaidShow, run: number): boolean {
  return START_REASONS[wireOfRun(plan, run).startReason] === 'follows';
}

interface Before {
  run: number;
  span: Span;
  end: Explained;
  spare: Explained | null;
}

function endOfRun(plan: LaidShow, run: number): Before | null {
  const span = spansOfRun(plan, run).at(-1);
  if (!span) return null;
  const { prop, number } = runAt(plan, run);
  const { id } = propAt(plan, prop);
  const spareChannels = plan.show.patch.find(
    (entry) => entry.propId === id && entry.run === number,
  )?.spareChannels;
  const place = placeOfRun(plan, run, 'patch');
  return {
    run,
    span,
    end: given(`end of ${runName(plan, run)}`, endOf(span), 'number', {
      text: addressWords(span.universe, endOf(span)),
      place,
    }),
    spare: spareChannels
      ? given(`kept free after ${runName(plan, run)}`, spareChannels, 'channels', { place })
      : null,
  };
}

function policyInputs(plan: LaidShow, run: number): Explained[] {
  const { packing, newUniverse } = policyOfRun(plan, run);
  const { channelsPerPixel: channels } = runAt(plan, run);
  return [
    given('channels that a universe takes', usableChannels(packing, channels), 'channels', {
      because: `Packing: ${packingWords(packing)}. A new universe ${NEW_UNIVERSE_WORDS[newUniverse]}.`,
      place: { stage: 'patch' },
    }),
  ];
}

function sentenceOf(plan: LaidShow, run: number, begin: Span, before: Before | null): string {
  const { wire, channelsPerPixel: channels } = runAt(plan, run);
  const controller = controllerAt(plan, wire!.controller);
  const { packing } = policyOfRun(plan, run);
  const own = `It begins universe ${begin.universe}`;
  const after = before ? runName(plan, before.run) : '';
  switch (START_REASONS[wire!.startReason]!) {
    case 'first':
      return 'It is the first run of the show.';
    case 'pinned':
      return 'Its address is locked: it stays there, whatever moves around it.';
    case 'aroundPin':
      return 'Pinned runs lie where it would have come; it starts at the first place behind them that holds it.';
    case 'firstUniverse':
      return `${controller.name} is told to begin with universe ${begin.universe}.`;
    case 'newController':
      return `${own}: ${controller.name} is another controller than that before it.`;
    case 'newPort':
      return `${own}: each port has universes of its own.`;
    case 'newRun':
      return `${own}: each run has universes of its own.`;
    case 'newPacking':
      return `${own}: it is packed otherwise than what comes before it (${packingWords(packing)}).`;
    case 'newStrand':
      return `${own}: each strand or tile has universes of its own.`;
    case 'flat':
      return `${FLAT_WORDS[linkOf(plan.show, controller)]} all ports of ${controller.name}${before ? `: it comes after ${after}.` : ', and it is the first.'}`;
    case 'follows': {
      if (!before) return own;
      if (before.span.universe === begin.universe) return `It comes after ${after}.`;
      const left = slotsPerUniverse(packing) - endOf(before.span);
      return left > 0 && left < unitChannels(packing, channels)
        ? `${own}: the ${countOf(left, 'channel')} behind ${after} hold no whole pixel.`
        : `${own}: behind ${after} there was no room left.`;
    }
  }
}

const FLAT_WORDS = {
  network: 'DDP counts bytes over',
  raw: 'Raw frames carry one picture for',
  serial: 'The serial line carries one stream of bytes for',
  own: 'Its own program counts the bytes of',
} as const;

/** `U5`, `U5–U7`, or nothing where some runs lie in none. */
export function universeWords(plan: LaidShow, runs: readonly number[]): string {
  let [least, most] = [Infinity, 0];
  for (const run of runs)
    for (const { universe } of spansOfRun(plan, run))
      if (universe !== null) [least, most] = [Math.min(least, universe), Math.max(most, universe)];
  if (most === 0) return '';
  return least === most ? `U${least}` : `U${least}–U${most}`;
}

/** The universes that some runs lie in; null where there are none. */
export function explainUniverses(plan: LaidShow, runs: readonly number[]): Explained | null {
  const channelsIn = new Map<number, number>();
  for (const run of runs)
    for (const { universe, channelCount } of spansOfRun(plan, run))
      if (universe !== null) channelsIn.set(universe, (channelsIn.get(universe) ?? 0) + channelCount);
  const universes = [...channelsIn].sort(([a], [b]) => a - b);
  if (universes.length === 0) return null;
  const [least, most] = [itemAt(universes, 0)[0], lastOf(universes)[0]];
  const listed = universes
    .slice(0, 6)
    .map(([universe, channels]) => `${countOf(channels, 'channel')} in U${universe}`);
  if (universes.length > 6) listed.push(`the rest in ${universes.length - 6} more`);
  const [first] = runs;
  return given('universes', universes.length, 'universes', {
    text: universeWords(plan, runs),
    because: `They take ${listOf(listed)}${most - least + 1 > universes.length ? '; not all between are theirs' : ''}.`,
    seen: [explainChannels(plan, runs), ...policyInputs(plan, first!)],
  });
}

/** The show channel of the first channel of a run; null while it has none. */
export function explainShowChannel(plan: LaidShow, run: number): Explained | null {
  const first = spansOfRun(plan, run).find((span) => span.runChannel >= 0);
  if (!first) return null;
  const index = plan.spaces.findLastIndex((each) => each.startShowChannel <= first.startShowChannel);
  const nameOf = ({ universe, controller }: LaidShow['spaces'][number]) =>
    universe === null ? `bytes of ${controllerAt(plan, controller).name}` : `U${universe}`;
  return computed(
    'show channel',
    'number',
    sum(
      given('first show channel', plan.show.addressing.firstShowChannel ?? 1, 'number', {
        place: { stage: 'patch' },
      }),
      ...plan.spaces.slice(0, index).map((space) => given(nameOf(space), space.channelCount, 'channels')),
      given('channels before it in its universe', first.startChannel - 1, 'channels'),
    ),
    { because: 'A universe counts in the show for all channels that its packing holds.' },
  );
}
