import { protocolOf, universesOf } from '../protocols/registry';
import { packingWords } from '../catalogue/packing';
import { toldUniverse } from '../addressing/numbering';
import { linkOf } from '../catalogue/link';
import { colourPlan } from '../devices/colourOrders';
import { outputName } from '../panels/chains';
import { USUAL_PICTURE, refreshHz } from '../panels/driver';
import { channelsToType, universesOfRun } from '../devices/universeSizes';
import { policyOfRun } from '../plan/plan';
import { spansOfRun } from '../plan/planIndex';
import type { Plan, Span } from '../plan/planned';
import type { PropOf } from '../props/registry';
import { wallPixels, layWall } from '../props/wall';
import { cornerWords } from '../threading/view';
import { countOf, groupDigits } from '../units/number';
import { itemAt } from '../units/there';
import { controllerAt, plannedAt, runAt, propOfKind } from '../plan/records';
import { CARD_STEPS, HAT_STEPS } from './wallSteps';

/** Subject of a value, so that `width` is never two things. */
type ValueScope = 'a panel' | 'a chain' | 'a card' | 'the whole wall' | 'the sender' | 'the network';

export interface WallValue {
  /** In neutral words. */
  name: string;
  value: string;
  scope: ValueScope;
  meaning: string;
}

export interface WallSheet {
  /** Places to type the values. */
  groups: { id: string; title: string; values: WallValue[] }[];
  /** Each with an id under which its tick is kept. */
  steps: { id: string; words: string; why: string }[];
}

/** A wall as its values are worked out from. */
function wallOfPlan(plan: Plan, index: number) {
  const prop = propOfKind(plan, index, 'wall');
  const run = plannedAt(plan, index).firstRun;
  const { chains, cards } = layWall(prop);
  const { driver } = prop.threading;
  return {
    plan,
    prop,
    run,
    chains,
    cards,
    driver,
    panel: prop.shape.panel,
    longest: Math.max(0, ...chains.map((chain) => chain.panels.length)),
    colours: colourPlan(plan, run),
    picture: { ...USUAL_PICTURE, ...driver },
  };
}
type WallOfPlan = ReturnType<typeof wallOfPlan>;

const value = (name: string, text: string, scope: ValueScope, meaning: string): WallValue => ({
  name,
  value: text,
  scope,
  meaning,
});

/** Every value that a card utility, a player or a show program commonly asks for about a wall, and the order of doing it. */
export function wallSheet(plan: Plan, index: number): WallSheet {
  const wall = wallOfPlan(plan, index);
  const isCards = wall.driver.kind === 'cards';
  return {
    groups: [
      {
        id: 'panel',
        title: 'The panel, as a card utility or player asks for it',
        values: panelValues(wall),
      },
      {
        id: 'driver',
        title: isCards ? 'The cards' : 'The hat',
        values: [...cardValues(wall), ...hatValues(wall), ...driverValues(wall)],
      },
      { id: 'chains', title: 'The chains', values: chainValues(wall) },
      {
        id: 'picture',
        title: 'The picture, as a show program asks for it',
        values: pictureValues(wall),
      },
      { id: 'addresses', title: 'The addresses', values: addressValues(wall) },
      { id: 'expected', title: 'To expect', values: expectedValues(wall) },
    ],
    steps: isCards ? CARD_STEPS : HAT_STEPS,
  };
}

function panelValues({ prop, panel, colours }: WallOfPlan): WallValue[] {
  return [
    value(
      'Pixels across',
      groupDigits(panel.columns),
      'a panel',
      'of one panel with its arrow up, not of the wall',
    ),
    value('Pixels down', groupDigits(panel.rows), 'a panel', 'of one panel with its arrow up'),
    value(
      'Scan',
      `1/${panel.scan}`,
      'a panel',
      'one in so many rows is lit at a time; the data sheet says it',
    ),
    value(
      'Interleave',
      panel.interleave ?? 'none',
      'a panel',
      panel.interleave
        ? 'as its data sheet calls it'
        : 'plain: rows follow one another; a card utility finds it by its test',
    ),
    value(
      'Data socket',
      panel.dataInAtBack,
      'a panel',
      'seen from the back with the printed arrow up; data leaves at the other side',
    ),
    value(
      'Colour order',
      colours.controller,
      'a panel',
      colours.correctedAt === 'controller'
        ? 'as the panel is wired: corrected here, so the sender keeps to RGB'
        : `plain, since the sender corrects: it is told ${colours.sender}`,
    ),
    ...othersOf(prop).map(({ cell, order }) =>
      value(
        `Colour order of panel ${cell}`,
        order,
        'a panel',
        'it differs from the others: tell its driver so',
      ),
    ),
  ];
}

function chainValues({ chains, cards, panel }: WallOfPlan): WallValue[] {
  return chains.map((chain) =>
    value(
      `Output ${outputName(chain, cards.length)}`,
      countOf(chain.panels.length, 'panel'),
      'a chain',
      `${groupDigits(chain.panels.length * panel.columns)} pixels across on the wire; ${chain.panels.map((each) => `${each.row + 1}.${each.column + 1}${each.turnDeg ? ` turned ${each.turnDeg}°` : ''}`).join(', ')}`,
    ),
  );
}

function driverValues({ picture }: WallOfPlan): WallValue[] {
  return [
    value(
      'Brightness',
      `${picture.brightnessPercent} %`,
      'the whole wall',
      'a setting that a reset lifts: supplies and fuses are sized without it',
    ),
    value('Gamma', String(picture.gamma), 'the whole wall', 'at one end only: here or at the sender'),
    value(
      'Colour depth',
      `${picture.depthBits} bits`,
      'the whole wall',
      'of each colour; fewer refresh faster',
    ),
  ];
}

/** Empty for a wall behind a hat. */
function cardValues({ driver, cards, panel }: WallOfPlan): WallValue[] {
  if (driver.kind !== 'cards') return [];
  const across = new Set(cards.map((card) => card.column)).size;
  return [
    value(
      'Connection',
      'raw frames, gigabit',
      'the network',
      'straight from the sender’s port: no router, no IP address at either end',
    ),
    value(
      'Cards',
      `${across} across, ${new Set(cards.map((card) => card.row)).size} down`,
      'the whole wall',
      `${countOf(cards.length, 'card')}, chained by network cable in this order; ${countOf(driver.outputsPerCard, 'output')} each`,
    ),
    ...cards.map((card, i) =>
      value(
        `Card ${i + 1}`,
        `${groupDigits(card.columns * panel.columns)} × ${groupDigits(card.rows * panel.rows)} px`,
        'a card',
        `its top left pixel is at ${groupDigits(card.column * panel.columns)}, ${groupDigits(card.row * panel.rows)} of the wall, counted from 0; ${card.columns} × ${card.rows} panels`,
      ),
    ),
  ];
}

/** Empty for a wall behind receiver cards. */
function hatValues({ plan, run, driver, chains, longest }: WallOfPlan): WallValue[] {
  if (driver.kind !== 'hat') return [];
  return [
    value('Connection', connectionWords(plan, run), 'the network', 'how the picture comes to the player'),
    value(
      'Outputs in use',
      `${chains.length} of ${driver.outputs}`,
      'the whole wall',
      'parallel chains of the hat',
    ),
    value(
      'Longest chain',
      countOf(longest, 'panel'),
      'a chain',
      'players ask for the length of the longest one',
    ),
    value(
      'Pinout',
      driver.pinout || 'as printed on the hat',
      'the whole wall',
      'which pins it uses: choose what is printed there',
    ),
    value(
      'Slow-down',
      String(driver.slowDown),
      'the whole wall',
      driver.slowDownReason || 'waiting steps after each clock edge',
    ),
  ];
}

function pictureValues({ prop: { shape, threading } }: WallOfPlan): WallValue[] {
  const { width, height } = wallPixels(shape);
  return [
    value('Width', groupDigits(width), 'the whole wall', 'pixels of the picture, all panels side by side'),
    value('Height', groupDigits(height), 'the whole wall', 'pixels of the picture'),
    value(
      'First pixel',
      cornerWords(threading.pictureCorner),
      'the whole wall',
      'where the sender’s first pixel is, seen from the front',
    ),
    value('Order', 'row by row', 'the whole wall', 'across the whole wall, not panel by panel'),
    value(
      'Channels',
      groupDigits(width * height * 3),
      'the whole wall',
      'width × height × 3, gaps counted; a test range that ends elsewhere leaves panels dark',
    ),
  ];
}

function addressValues({ plan, run, colours }: WallOfPlan): WallValue[] {
  const spans = spansOfRun(plan, run).filter((span) => span.runChannel >= 0);
  const [first, last] = [spans[0], spans.at(-1)];
  if (!first || !last)
    return [value('Start', 'on no port yet', 'the sender', 'put the wall on a controller in Patch')];
  const { wire } = runAt(plan, run);
  const device = wire && controllerAt(plan, wire.controller);
  const isRaw = device !== null && linkOf(plan.show, device) === 'raw';
  const sizes = isRaw ? new Map<number, number>() : universesOfRun(plan, run);
  const placeWords = (span: Span, channel: number) => {
    if (isRaw) return 'raw frames: no universes';
    if (span.universe === null) return `byte ${groupDigits(channel - 1)}`;
    const told = device ? toldUniverse(device, span.universe) : span.universe;
    return `${(device && universesOf(device)?.word) ?? 'universe'} ${groupDigits(told)}, channel ${channel}`;
  };
  const lastChannel = (span: Span) => span.startChannel + span.channelCount - 1;
  return [
    value('Start', placeWords(first, first.startChannel), 'the sender', 'the first pixel’s first colour'),
    ...(isRaw
      ? []
      : [value('End', placeWords(last, lastChannel(last)), 'the sender', 'the last pixel’s last colour')]),
    value(
      'First show channel',
      groupDigits(first.startShowChannel),
      'the sender',
      `counted over the whole show from ${groupDigits(plan.show.addressing.firstShowChannel ?? 1)}`,
    ),
    value(
      'Last show channel',
      groupDigits(last.startShowChannel + last.channelCount - 1),
      'the sender',
      'gaps between universes counted',
    ),
    ...(sizes.size === 0
      ? [
          value(
            'Bytes',
            groupDigits(spans.reduce((sum, span) => sum + span.channelCount, 0)),
            'the sender',
            isRaw ? 'of the picture, three for each pixel' : 'one flat space: DDP has no universes',
          ),
        ]
      : [
          value(
            'Universes',
            groupDigits(sizes.size),
            'the sender',
            packingWords(policyOfRun(plan, run).packing),
          ),
          value(
            'Channels a universe',
            String(channelsToType(sizes)),
            'the sender',
            'the same number at both ends, or colours rotate',
          ),
        ]),
    value(
      'Colour order',
      colours.sender,
      'the sender',
      colours.correctedAt === 'sender'
        ? 'corrected here, and not at the driver'
        : 'plain: the driver corrects',
    ),
  ];
}

function expectedValues({ longest, panel, picture }: WallOfPlan): WallValue[] {
  const refresh = refreshHz(longest, panel, picture.depthBits);
  return [
    value(
      'Refresh',
      Number.isFinite(refresh) ? `about ${groupDigits(Math.round(refresh))} Hz` : '–',
      'a chain',
      `estimate for the longest chain at 20 MHz and ${countOf(picture.depthBits, 'bit plane')}`,
    ),
  ];
}

/** Panels that take colours in another order than the others, by row.column from the front. */
function othersOf({ shape }: PropOf<'wall'>): { cell: string; order: string }[] {
  return (shape.others ?? []).flatMap(({ column, row, missing, colourOrder }) =>
    missing ||
    !colourOrder ||
    colourOrder === shape.panel.colourOrder ||
    column >= shape.columns ||
    row >= shape.rows
      ? []
      : [{ cell: `${row + 1}.${column + 1}`, order: colourOrder }],
  );
}

function connectionWords({ show, runs }: Plan, run: number): string {
  const { wire } = itemAt(runs, run);
  if (!wire) return 'on no controller yet';
  const device = itemAt(show.controllers, wire.controller);
  const { name } = protocolOf(device);
  const { network } = device;
  return network ? `${name} to ${network.ip}` : name;
}
