import { piecesOf } from '../answers/stockPieces';
import { channelsPerPixel } from '../catalogue/pixelType';
import { chipOrders } from '../devices/colourOrders';
import { spansOfRun } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { threadedOf } from '../plan/threadedOf';
import { sourceWords } from '../power/leadWords';
import { kindOf, wallOf, isPanelled } from '../props/registry';
import { trialsOf, type Trial } from '../diagnose/trials';
import { countOf, groupDigits } from '../units/number';
import { capitalised } from '../units/words';
import type { BringUpStep } from './step';
import { itemAt } from '../units/there';
import { propAt, plannedAt, runAt, controllerAt } from '../plan/records';

/** A reading within this share of the planned volts is as planned. */
const VOLTS_WITHIN = 0.05;
/** More strings than this are not worth a step for each. */
const MOST_STRINGS = 60;

const PLAIN = {
  caution: null,
  isStop: false,
  picture: null,
  percent: null,
  trial: null,
  volts: null,
  leads: [],
  deviceStep: null,
} as const;

type Own = Pick<BringUpStep, 'id' | 'stage' | 'name' | 'does' | 'expect' | 'otherwise'> &
  Partial<BringUpStep>;

/** Steps of a prop, once its devices are up. @param prop its index in the show */
export function propSteps(plan: Plan, prop: number): BringUpStep[] {
  const of = propAt(plan, prop);
  const thing = { list: 'props', recordId: of.id } as const;
  const holds = wiredAs(plan, prop);
  const step = (own: Own): BringUpStep => ({ ...PLAIN, thing, holds, ...own });
  const trials = trialsOf(plan, prop);
  const trial = (
    id: string,
    own: Omit<Own, 'id' | 'does' | 'expect' | 'name'> & Partial<Own>,
  ): BringUpStep[] => {
    const found = trials.find((each) => each.id === id);
    return found ? [step(ofTrial(found, own))] : [];
  };
  return [
    ...leadSteps(plan, prop),
    step({
      id: 'ground',
      stage: 'before',
      name: 'Grounds are joined first',
      does: 'Join the ground of the device and of every supply before plus and data. A meter between any two of them tells.',
      expect: 'Under one ohm between the grounds, with all power off.',
      otherwise:
        'Without a common ground data has no level: lights flicker or stay dark, and a data input may be lost.',
      isStop: true,
    }),
    ...(kindOf(of).isMotorised
      ? [
          step({
            id: 'propellers',
            stage: 'before',
            name: 'Propellers are off',
            does: 'Take the propellers off the craft before its battery is plugged in.',
            expect: 'None is on it.',
            otherwise: 'Stop here: a motor that starts by a wrong pin or an import cuts.',
            caution: 'Local rules on lights and on flying come before anything that stands here.',
            isStop: true,
          }),
        ]
      : []),
    step({
      id: 'dark',
      stage: 'power',
      name: 'Dark after power-on',
      does: `Plug ${of.name} in with nothing sent, and give it power.`,
      expect: 'Dark throughout is right: nothing drives it yet.',
      otherwise:
        'Lit before anything was set up: old firmware or the start-up picture of the device drives the pin. One light that flickers: a pin of messages. Many at random: no common ground, or a level that is too low.',
      picture: { by: 'dark' },
    }),
    step({
      id: 'warm',
      stage: 'power',
      name: 'Nothing is warm',
      does: 'White at a tenth for a minute, then a hand near each lead, plug and fuse; touch nothing bare.',
      expect: 'None of them is warm.',
      otherwise:
        'Switch off at once. A warm lead is too thin or too long for what flows, a warm plug makes bad contact: look at it in Power before it is lit again.',
      caution: 'Anything warm stops the test.',
      leads: leadsOf(plan, prop).map(({ id, name }) => ({ id, name })),
      isStop: true,
    }),
    ...stringSteps(plan, prop, step),
    ...trial('ownFill', {
      stage: 'count',
      expect: 'All of it is lit white by the device alone, to its last light.',
      otherwise: 'It is on this side of the network: count, pin, chip, wiring or power.',
    }),
    ...trial('last', {
      stage: 'count',
      expect: 'Only the last light of each run, and nothing behind it.',
      otherwise:
        'A count that is too low or too high, a pixel that was left out or put in, or a start that is off.',
    }),
    ...(['red', 'green', 'blue', 'whiteLight'] as const).flatMap((id) =>
      trial(id, {
        stage: 'colour',
        otherwise:
          'A colour order; or, where colours change along it, channels that are off. Three fills tell which: Quick checks reads them.',
      }),
    ),
    ...trial('white', {
      stage: 'colour',
      name: 'Tints at a low level',
      does: 'White at a tenth; look along all of it.',
      percent: 10,
      expect: 'The same white everywhere.',
      otherwise:
        'A half that is warmer is another batch: balance it, that is no matter of power. An end that is yellow at full level alone is.',
    }),
    ...trial('ends', {
      stage: 'place',
      otherwise: 'A run that begins at its other end, or a picture that is mirrored.',
    }),
    ...trial('bands', {
      stage: 'place',
      otherwise: 'Strands that hang in each other’s place, or straight for serpentine.',
    }),
    ...trial('marks', { stage: 'place', otherwise: 'Runs that are on each other’s ports.' }),
    ...trial('labels', {
      stage: 'place',
      expect: `Every panel says its own output and place, upright, as seen from the front${labelsOf(plan, prop)}.`,
      otherwise:
        'A label elsewhere: panels or ribbons are exchanged. Upside down: the panel hangs so. The same on all: outputs were left on 1. Ask first whose labels a device’s own test shows: output and place, or row and column, and from which side.',
    }),
    ...trial('diagonal', {
      stage: 'packing',
      otherwise:
        'Where it tears, universes or panels lie otherwise than planned; where it jerks, the link or the sender is too slow.',
    }),
    ...trial('whiteFull', {
      stage: 'full',
      expect: 'White to its last light, for as long as you look.',
      otherwise:
        'Yellow or red towards an end: volts are low there, feed it nearer. Dark after a moment: a supply or a fuse gave out.',
      caution: 'Raise it slowly, and no further than Power says is safe. Leads and plugs stay cold.',
    }),
    ...trial('afterCut', {
      stage: 'full',
      expect: 'Red everywhere, by itself, as soon as something is sent again.',
      otherwise: 'What does not come back was not saved, or wants to be told how to start.',
    }),
  ];
}

/** A trial of the search as a step, with its picture. */
function ofTrial(
  { id, name, says, blindTo, how }: Trial,
  own: Omit<Own, 'id' | 'does' | 'expect' | 'name'> & Partial<Own>,
): Own {
  return {
    id,
    name,
    does: how === 'own' ? says : `Send it: ${says}`,
    expect: `As in the picture. It cannot show ${blindTo}.`,
    picture: { by: 'trial', trial: id },
    trial: id,
    ...own,
  };
}

/** Leads that bring plus to a prop. */
const leadsOf = ({ show }: Plan, prop: number) =>
  show.feeds.filter(
    (feed) =>
      feed.groundOnly !== true &&
      feed.pieces.some(({ to }) => to.kind !== 'controller' && to.propId === itemAt(show.props, prop).id),
  );

/** Volts and polarity at the open end of each lead, before it is plugged in. */
function leadSteps(plan: Plan, prop: number): BringUpStep[] {
  const { show } = plan;
  const { id, pixelTypeId } = itemAt(show.props, prop);
  const leads = leadsOf(plan, prop);
  const read = (volts: number) => ({
    volts: { least: volts * (1 - VOLTS_WITHIN), most: volts * (1 + VOLTS_WITHIN), planned: volts },
    otherwise:
      'Do not plug it in: wrong volts or reversed polarity end pixels at once. Find which supply and which wire it is.',
    caution: 'Measure at the open end, with nothing behind it. A colour of wire proves nothing.',
    isStop: true,
    stage: 'before' as const,
  });
  if (leads.length === 0) {
    const volts = show.pixelTypes.find((each) => each.id === pixelTypeId)?.volts;
    if (volts === undefined) return [];
    return [
      {
        ...PLAIN,
        ...read(volts),
        id: 'meter',
        thing: { list: 'props', recordId: id },
        name: 'Volts before the plug',
        does: `Measure at the open end of what will feed it, plus against ground: it wants ${volts} V.`,
        expect: `${volts} V, plus on the wire that is to be plus.`,
        holds: volts,
      },
    ];
  }
  return leads.map((feed): BringUpStep => {
    const supply = feed.from.kind === 'supply' ? feed.from.supplyId : null;
    const volts =
      show.supplies.find((each) => each.id === supply)?.volts ??
      show.pixelTypes.find((each) => each.id === pixelTypeId)?.volts ??
      5;
    return {
      ...PLAIN,
      ...read(volts),
      id: 'meter',
      thing: { list: 'feeds', recordId: feed.id },
      name: `Volts of ${feed.name}`,
      does: `Measure at the open end of ${feed.name} from ${sourceWords(show, feed)}, before it is plugged in.`,
      expect: `${volts} V, plus on the wire that is to be plus.`,
      holds: [feed.from, volts],
    };
  });
}

/** Strings are looked at one by one as they are joined: the first that is wrong is the one that was joined last. */
function stringSteps(plan: Plan, prop: number, step: (own: Own) => BringUpStep): BringUpStep[] {
  const of = propAt(plan, prop);
  if (isPanelled(of)) return [];
  const pieces = of.stock
    ? piecesOf(of, threadedOf(plan, prop), of.stock)
    : plannedAt(plan, prop).strands.map(({ number, firstPixel, pixelCount }) => ({
        firstPixel: firstPixel + 1,
        pixelCount,
        words: `${kindOf(of).strandWord(of.threading)} ${number}`,
      }));
  if (pieces.length < 2 || pieces.length > MOST_STRINGS) return [];
  return pieces.map(({ firstPixel, pixelCount, words }, i) => {
    const lights = firstPixel + pixelCount - 1;
    return step({
      id: `string.${i + 1}`,
      stage: 'building',
      name: capitalised(words),
      does: `Join it (${countOf(pixelCount, 'light')}), and raise white to a fifth.`,
      expect: `Lit from the first light to ${groupDigits(lights)} without a gap, and no other tint in it.`,
      otherwise:
        i === 0
          ? 'Data goes in at the other end, or plus and ground are exchanged; arrows point away from the device.'
          : `The joint at light ${groupDigits(firstPixel)} or the string that was joined last: data into its out end, a wire too short, a pixel that does not pass data on.`,
      picture: { by: 'upTo', lights },
      percent: 20,
      holds: [lights, firstPixel],
    });
  });
}

/** Whose label stands where, in the words of a wall. */
function labelsOf(plan: Plan, prop: number): string {
  const [first] = wallOf(propAt(plan, prop))?.chains ?? [];
  const panel = first?.panels[0];
  return panel ? `; the first of output 1 is panel ${panel.column + 1} across, ${panel.row + 1} down` : '';
}

/** All that a look at a prop depends on: how it is wired, addressed and threaded. */
function wiredAs(plan: Plan, prop: number): unknown {
  const { firstRun, runCount, strands } = plannedAt(plan, prop);
  return [
    chipOrders(plan, prop),
    strands.map(({ firstPixel, pixelCount }) => [firstPixel, pixelCount]),
    Array.from({ length: runCount }, (_, i) => {
      const run = runAt(plan, firstRun + i);
      return [
        run.wire && [controllerAt(plan, run.wire.controller).id, run.wire.port, run.wire.firstPlace],
        spansOfRun(plan, firstRun + i).map(({ universe, startChannel, channelCount }) => [
          universe,
          startChannel,
          channelCount,
        ]),
      ];
    }),
    channelsOf(plan, prop),
  ];
}

function channelsOf(plan: Plan, prop: number): number | null {
  const type = plan.show.pixelTypes.find(({ id }) => id === propAt(plan, prop).pixelTypeId);
  return type ? channelsPerPixel(type) : null;
}
