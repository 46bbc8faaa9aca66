import type { Plan } from '@/core/plan/plan';
import { groupDigits } from '@/core/units/number';
import type { Palette } from './picture/palette';
import { xOf, type RulerScale } from './rulerScale';

const SANS = "600 12px 'Atkinson Hyperlegible Next Variable', sans-serif";
const MONO = "12px 'Atkinson Hyperlegible Mono Variable', monospace";
const TICKS = { top: 0, height: 6 };
const BLOCKS = { top: 8, height: 24 };
const NUMBERS_AT = 44;

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
    const prop = plan.runs[span.run]!.prop;
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
): void {
  context.clearRect(0, 0, widthPx, heightPx);
  context.fillStyle = palette.surface;
  context.fillRect(0, BLOCKS.top, widthPx, BLOCKS.height);
  drawTicks(context, plan, scale, widthPx, palette);

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
    context.fillStyle = chosen ? palette.lamp : palette.runs[block.prop % palette.runs.length]!;
    context.fillRect(left, BLOCKS.top, Math.max(right - left - 1, 0.75), BLOCKS.height);
    context.globalAlpha = 1;
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
  if (selection.channels) {
    const left = xOf(scale, selection.channels.first);
    const width = Math.max(selection.channels.count / scale.channelsPerPx, 2);
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
): void {
  context.fillStyle = palette.iris;
  let last = -Infinity;
  for (const space of plan.spaces) {
    const x = xOf(scale, space.startShowChannel);
    if (x < -1 || x > widthPx || x < last + 3) continue;
    context.fillRect(Math.round(x), TICKS.top, 1.5, TICKS.height);
    last = x;
  }
}

function blockWords(plan: Plan, { prop, run, skipped }: RulerBlock): string {
  const name = plan.show.props[prop]!.name;
  if (skipped) return 'skipped';
  return plan.props[prop]!.runCount > 1 ? `${name} ${plan.runs[run]!.number}` : name;
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
