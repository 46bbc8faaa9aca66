import { linkWords } from '@/core/catalogue/link';
import { portAddressOn } from '@/core/addressing/numbering';
import { LAST_PORT_ADDRESS, artNetWords } from '@/core/protocols/artNet';
import type { Plan } from '@/core/plan/planned';
import { groupDigits } from '@/core/units/number';
import type { Palette } from './picture/palette';
import { channelPx, xOf, type RulerScale } from './rulerScale';
import { TRUE_LENGTHS, isShortened } from './rulerWarp';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt, controllerAt } from '@/core/plan/records';

const SANS = "600 12px 'Atkinson Hyperlegible Next Variable', sans-serif";
const MONO = "12px 'Atkinson Hyperlegible Mono Variable', monospace";
const TICKS = { top: 0, height: 13 };
export const BLOCKS = { top: 15, height: 24 };
const NUMBERS_AT = 50;

/** Names of universes on the ruler. */
export type UniverseNames = 'universe' | 'artNet';

/** A run on its way to another place; show channels. */
export interface RulerMove {
  run: number;
  first: number;
  count: number;
  words: string;
}

export interface RulerSelection {
  prop: number | undefined;
  run: number | undefined;
  /** Show channels of the selected pixel. */
  channels: { first: number; count: number } | null;
}

/** A block of the ruler: the channels of one prop that follow one another. */
export interface RulerBlock {
  prop: number;
  run: number;
  first: number;
  last: number;
  skipped: boolean;
}

/**
 * Spans in the order of show channels, those of one prop that touch joined into one block.
 */
export function blocksOf(plan: Plan): RulerBlock[] {
  const sorted = [...plan.spans].sort((a, b) => a.startShowChannel - b.startShowChannel);
  const blocks: RulerBlock[] = [];
  for (const span of sorted) {
    const prop = runAt(plan, span.run).prop;
    const last = span.startShowChannel + span.channelCount - 1;
    const before = blocks[blocks.length - 1];
    const skipped = span.runChannel < 0;
    if (
      before &&
      before.run === span.run &&
      before.skipped === skipped &&
      before.last + 1 === span.startShowChannel
    )
      before.last = last;
    else blocks.push({ prop, run: span.run, first: span.startShowChannel, last, skipped });
  }
  return blocks;
}

/** Draws the ruler into a canvas whose context is scaled to CSS pixels. */
export function drawRuler(
  context: CanvasRenderingContext2D,
  plan: Plan,
  blocks: readonly RulerBlock[],
  scale: RulerScale,
  widthPx: number,
  heightPx: number,
  selection: RulerSelection,
  palette: Palette,
  names: UniverseNames = 'universe',
  move: RulerMove | null = null,
): void {
  const pinned = pinnedRuns(plan);
  context.clearRect(0, 0, widthPx, heightPx);
  context.fillStyle = palette.surface;
  context.fillRect(0, BLOCKS.top, widthPx, BLOCKS.height);
  drawGaps(context, blocks, scale, widthPx, palette);
  drawTicks(context, plan, scale, widthPx, palette, names);

  const labelEnds = { numbers: -Infinity };
  let lastDrawn = 0;
  for (const block of blocks) {
    const left = Math.max(xOf(scale, block.first), -2);
    const right = Math.min(xOf(scale, block.last + 1), widthPx + 2);
    const shared = Math.min(lastDrawn, block.last) - block.first + 1;
    lastDrawn = Math.max(lastDrawn, block.last);
    if (right < 0 || left > widthPx) continue;
    const chosen =
      selection.prop === block.prop && (selection.run === undefined || selection.run === block.run);
    context.globalAlpha = block.skipped ? 0.35 : chosen ? 1 : 0.45;
    context.fillStyle = chosen ? palette.lamp : itemAt(palette.runs, block.prop % palette.runs.length);
    context.fillRect(left, BLOCKS.top, Math.max(right - left - 1, 0.75), BLOCKS.height);
    context.globalAlpha = 1;
    if (scale.warp !== TRUE_LENGTHS && isShortened(block.last - block.first + 1) && right - left > 60)
      drawBreak(context, right - 18, palette);
    if (pinned.has(block.run) && right - left > 8) drawPin(context, left, palette);
    if (shared > 0) hatch(context, left, Math.max(xOf(scale, block.first + shared) - left, 2), palette.bad);
    if (right - left > 34) {
      context.save();
      context.beginPath();
      context.rect(left, BLOCKS.top, right - left - 4, BLOCKS.height);
      context.clip();
      context.font = SANS;
      context.fillStyle = chosen ? palette.onTab : palette.text;
      context.textAlign = 'left';
      context.textBaseline = 'middle';
      context.fillText(blockWords(plan, block), Math.max(left, 0) + 6, BLOCKS.top + BLOCKS.height / 2 + 0.5);
      context.restore();
    }
    const at = xOf(scale, block.first);
    context.font = MONO;
    const words = groupDigits(block.first);
    const width = context.measureText(words).width;
    if (!block.skipped && at >= 0 && at + width <= widthPx && at > labelEnds.numbers + 8) {
      context.fillStyle = chosen ? palette.lamp : palette.textDim;
      context.textAlign = 'left';
      context.textBaseline = 'middle';
      context.fillText(words, at, NUMBERS_AT);
      labelEnds.numbers = at + width;
    }
  }
  drawChannels(context, plan, blocks, scale, widthPx, palette);
  if (move) drawMove(context, move, scale, palette);
  if (selection.channels) {
    const left = xOf(scale, selection.channels.first);
    const width = Math.max(xOf(scale, selection.channels.first + selection.channels.count) - left, 2);
    context.fillStyle = palette.text;
    context.fillRect(left, BLOCKS.top - 3, width, BLOCKS.height + 6);
  }
}

/** A tick where each universe begins; as many names as there is room for. */
function drawTicks(
  context: CanvasRenderingContext2D,
  plan: Plan,
  scale: RulerScale,
  widthPx: number,
  palette: Palette,
  names: UniverseNames,
): void {
  context.fillStyle = palette.iris;
  context.font = MONO;
  context.textAlign = 'left';
  context.textBaseline = 'middle';
  let last = -Infinity;
  let lastName = -Infinity;
  for (const space of plan.spaces) {
    const x = xOf(scale, space.startShowChannel);
    // No tick runs through the name of another universe.
    if (x < -1 || x > widthPx || x < last + 3 || x < lastName + 2) continue;
    const long = x > lastName + 6;
    const words = long ? universeName(plan, space, names) : '';
    const wide = context.measureText(words).width;
    context.fillRect(Math.round(x), TICKS.top + (long ? 0 : 7), 1.5, long ? TICKS.height : 6);
    last = x;
    if (!long || x + wide + 4 > widthPx) continue;
    context.fillText(words, x + 4, TICKS.top + 6);
    lastName = x + 4 + wide;
  }
}

function blockWords(plan: Plan, { prop, run, skipped }: RulerBlock): string {
  const name = propAt(plan, prop).name;
  if (skipped) return 'skipped';
  return plannedAt(plan, prop).runCount > 1 ? `${name} ${runAt(plan, run).number}` : name;
}

/** Slanting lines over channels that are used twice. */
function hatch(context: CanvasRenderingContext2D, left: number, width: number, colour: string): void {
  context.save();
  context.beginPath();
  context.rect(left, BLOCKS.top, width, BLOCKS.height);
  context.clip();
  context.strokeStyle = colour;
  context.lineWidth = 2;
  context.beginPath();
  for (let x = left - BLOCKS.height; x < left + width; x += 6) {
    context.moveTo(x, BLOCKS.top + BLOCKS.height);
    context.lineTo(x + BLOCKS.height, BLOCKS.top);
  }
  context.stroke();
  context.restore();
}

function universeName(plan: Plan, space: Plan['spaces'][number], names: UniverseNames): string {
  const controller = controllerAt(plan, space.controller);
  if (space.universe === null) return `${controller.label}: ${linkWords(plan.show, controller)}`;
  const portAddress = portAddressOn(controller, space.universe);
  return names === 'artNet' && portAddress >= 0 && portAddress <= LAST_PORT_ADDRESS
    ? artNetWords(portAddress)
    : `U${space.universe}`;
}

function pinnedRuns(plan: Plan): ReadonlySet<number> {
  const pinned = new Set(
    plan.show.patch.filter((entry) => entry.pin).map((entry) => `${entry.propId} ${entry.run}`),
  );
  if (pinned.size === 0) return NONE;
  return new Set(
    plan.runs.flatMap((run, index) =>
      pinned.has(`${propAt(plan, run.prop).id} ${run.number}`) ? [index] : [],
    ),
  );
}
const NONE: ReadonlySet<number> = new Set();

/** Channels that no run uses: a faint line through the middle, so that a gap is not taken for the end. */
function drawGaps(
  context: CanvasRenderingContext2D,
  blocks: readonly RulerBlock[],
  scale: RulerScale,
  widthPx: number,
  palette: Palette,
): void {
  context.strokeStyle = palette.textDim;
  context.lineWidth = 1;
  context.setLineDash([2, 4]);
  context.beginPath();
  let end = 0;
  for (const block of blocks) {
    const [left, right] = [Math.max(0, xOf(scale, end)), Math.min(widthPx, xOf(scale, block.first))];
    if (end > 0 && block.first > end && right > left + 3) {
      context.moveTo(left, BLOCKS.top + BLOCKS.height / 2);
      context.lineTo(right, BLOCKS.top + BLOCKS.height / 2);
    }
    end = Math.max(end, block.last + 1);
  }
  context.stroke();
  context.setLineDash([]);
}

/** Two slanting cuts through a block that is drawn shorter than it is. */
function drawBreak(context: CanvasRenderingContext2D, x: number, palette: Palette): void {
  context.strokeStyle = palette.ground;
  context.lineWidth = 3;
  context.beginPath();
  for (const at of [x - 4, x + 4]) {
    context.moveTo(at - 4, BLOCKS.top + BLOCKS.height);
    context.lineTo(at + 4, BLOCKS.top);
  }
  context.stroke();
}

/** A pin at the left end of a block that stays where it is. */
function drawPin(context: CanvasRenderingContext2D, left: number, palette: Palette): void {
  context.fillStyle = palette.text;
  context.beginPath();
  context.moveTo(left, BLOCKS.top - 1);
  context.lineTo(left + 8, BLOCKS.top - 1);
  context.lineTo(left + 1, BLOCKS.top + 8);
  context.closePath();
  context.fill();
}

/** Single channels, with the colour that each is for: R, G, B in the order in which they are sent. */
function drawChannels(
  context: CanvasRenderingContext2D,
  plan: Plan,
  blocks: readonly RulerBlock[],
  scale: RulerScale,
  widthPx: number,
  palette: Palette,
): void {
  const letters = 'RGBW';
  context.font = MONO;
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  for (const block of blocks) {
    if (xOf(scale, block.last + 1) < 0 || xOf(scale, block.first) > widthPx) continue;
    const wide = channelPx(scale, block.first);
    if (wide <= 7) continue;
    const { channelsPerPixel } = runAt(plan, block.run);
    for (let channel = block.first; channel <= block.last; channel += 1) {
      const x = xOf(scale, channel);
      if (x < -20 || x > widthPx + 20) continue;
      const at = (channel - block.first) % channelsPerPixel;
      context.fillStyle = palette.ground;
      context.globalAlpha = at === 0 ? 0.8 : 0.35;
      context.fillRect(x, BLOCKS.top, at === 0 ? 1.5 : 1, BLOCKS.height);
      context.globalAlpha = 1;
      if (wide < 11) continue;
      context.fillStyle = palette.text;
      context.fillText(
        channelsPerPixel === 1 ? '·' : letters[at]!,
        x + 0.5 * wide,
        BLOCKS.top + BLOCKS.height - 7,
      );
    }
  }
}

function drawMove(
  context: CanvasRenderingContext2D,
  move: RulerMove,
  scale: RulerScale,
  palette: Palette,
): void {
  const left = xOf(scale, move.first);
  const width = Math.max(xOf(scale, move.first + move.count) - left, 3);
  context.strokeStyle = palette.lamp;
  context.lineWidth = 2;
  context.setLineDash([5, 3]);
  context.strokeRect(left, BLOCKS.top - 1, width, BLOCKS.height + 2);
  context.setLineDash([]);
  context.font = SANS;
  const wide = context.measureText(move.words).width + 12;
  context.fillStyle = palette.lamp;
  context.fillRect(left, BLOCKS.top + 3, wide, BLOCKS.height - 6);
  context.fillStyle = palette.onTab;
  context.textAlign = 'left';
  context.textBaseline = 'middle';
  context.fillText(move.words, left + 6, BLOCKS.top + BLOCKS.height / 2 + 0.5);
}
