import { MOST_PIXELS_PER_LEG, type Leg } from './leg';
import { itemAt } from '../units/there';

/** Outlines that a line is often made of. */
export const OUTLINES = ['window', 'door', 'eave', 'gable', 'arch', 'post'] as const;
export type OutlineName = (typeof OUTLINES)[number];

type FrameSide = 'left' | 'top' | 'right' | 'bottom';

/** The sides on which the data of each outline can start; the first is the usual one. */
export const START_SIDES: Readonly<Record<OutlineName, readonly FrameSide[]>> = {
  window: ['left', 'top', 'right', 'bottom'],
  door: ['left', 'right'],
  eave: ['left', 'right'],
  gable: ['left', 'right'],
  arch: ['left', 'right'],
  post: ['bottom', 'top'],
};

/** Which of width and height an outline has. */
export const MEASURES: Readonly<Record<OutlineName, readonly ('width' | 'height')[]>> = {
  window: ['width', 'height'],
  door: ['width', 'height'],
  eave: ['width'],
  gable: ['width', 'height'],
  arch: ['width', 'height'],
  post: ['height'],
};

export interface FrameWishes {
  outline: OutlineName;
  widthMm: number;
  heightMm: number;
  /** One string for all of it, or as many as the spacing gives each side. */
  pixels: { by: 'total'; count: number } | { by: 'spacing'; spacingMm: number };
  /** The way round each corner; a curve has none. */
  corner: 'runsOn' | 'eatsPixel' | 'jumper';
  /** The side that is lit first. */
  start: FrameSide;
  /** Round a window; the others have one way only from where they start. */
  turn: 'clockwise' | 'counterClockwise';
}

interface Stretch {
  lengthMm: number;
  headingDeg: number;
}

/** Chords of half a circle: the corner between two strays from it by less than a hundredth of its radius. */
const ARCH_CHORDS = 12;

/**
 * The legs around an outline, front view, from the side that is lit first.
 *
 * A total is dealt out in proportion to the lengths of the legs. What corners eat is part of it: a string of 50 stays one of 50.
 *
 * @returns null where a total leaves no pixel for the legs, or a leg more than it can hold
 */
export function frameLegs(wishes: FrameWishes): Leg[] | null {
  const stretches = stretchesOf(wishes);
  const corner = wishes.outline === 'arch' || wishes.corner === 'runsOn' ? undefined : wishes.corner;
  const corners = corner === 'eatsPixel' ? stretches.length - 1 : 0;
  const counts =
    wishes.pixels.by === 'total'
      ? dealtOut(
          wishes.pixels.count - corners,
          stretches.map(({ lengthMm }) => lengthMm),
        )
      : null;
  if (
    counts?.some((count) => count < 0 || count > MOST_PIXELS_PER_LEG) ||
    counts?.every((count) => count === 0)
  )
    return null;
  return stretches.map((stretch, i): Leg => ({
    ...stretch,
    pixels: counts
      ? { by: 'count', count: itemAt(counts, i) }
      : { by: 'spacing', spacingMm: (wishes.pixels as { spacingMm: number }).spacingMm },
    ...(corner && i < stretches.length - 1 ? { corner } : {}),
  }));
}

/** A whole number dealt out in proportion, so that every sum from the first on is as near as whole numbers come. */
export function dealtOut(total: number, shares: readonly number[]): number[] {
  const whole = shares.reduce((sum, share) => sum + share, 0);
  let [passed, given] = [0, 0];
  return shares.map((share) => {
    passed += share;
    const count = Math.round((total * passed) / whole) - given;
    given += count;
    return count;
  });
}

function stretchesOf({ outline, widthMm, heightMm, start, turn }: FrameWishes): Stretch[] {
  if (outline === 'window') {
    const clockwise: [FrameSide, Stretch][] = [
      ['left', { lengthMm: heightMm, headingDeg: 90 }],
      ['top', { lengthMm: widthMm, headingDeg: 0 }],
      ['right', { lengthMm: heightMm, headingDeg: -90 }],
      ['bottom', { lengthMm: widthMm, headingDeg: 180 }],
    ];
    const sides = turn === 'clockwise' ? clockwise : clockwise.map(turnedRound).reverse();
    const first = sides.findIndex(([side]) => side === start);
    return [...sides.slice(first), ...sides.slice(0, first)].map(([, stretch]) => stretch);
  }
  const stretches = fromLeft(outline, widthMm, heightMm);
  return start === 'right' || start === 'top'
    ? stretches.map((stretch) => turnedRound(['left', stretch])[1]).reverse()
    : stretches;
}

/** An open outline from its left end, a post from its foot. */
function fromLeft(outline: Exclude<OutlineName, 'window'>, widthMm: number, heightMm: number): Stretch[] {
  const up = { lengthMm: heightMm, headingDeg: 90 };
  const across = { lengthMm: widthMm, headingDeg: 0 };
  switch (outline) {
    case 'door':
      return [up, across, { lengthMm: heightMm, headingDeg: -90 }];
    case 'eave':
      return [across];
    case 'post':
      return [up];
    case 'gable': {
      const lengthMm = Math.hypot(widthMm / 2, heightMm);
      const headingDeg = (Math.atan2(heightMm, widthMm / 2) * 180) / Math.PI;
      return [
        { lengthMm, headingDeg },
        { lengthMm, headingDeg: -headingDeg },
      ];
    }
    case 'arch': {
      // Uprights below half a circle; where it is too low for one, half an ellipse.
      const riseMm = Math.min(heightMm, widthMm / 2);
      const uprightMm = heightMm - riseMm;
      const at = (i: number) => {
        const angle = Math.PI * (1 - i / ARCH_CHORDS);
        return [(Math.cos(angle) * widthMm) / 2, Math.sin(angle) * riseMm] as const;
      };
      const curve = Array.from({ length: ARCH_CHORDS }, (_, i) => {
        const [[x1, y1], [x2, y2]] = [at(i), at(i + 1)];
        return {
          lengthMm: Math.hypot(x2 - x1, y2 - y1),
          headingDeg: (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI,
        };
      });
      const upright = (headingDeg: number) => (uprightMm >= 1 ? [{ lengthMm: uprightMm, headingDeg }] : []);
      return [...upright(90), ...curve, ...upright(-90)];
    }
  }
}

/** The same stretch, walked the other way. */
function turnedRound([side, { lengthMm, headingDeg }]: [FrameSide, Stretch]): [FrameSide, Stretch] {
  return [side, { lengthMm, headingDeg: headingDeg > 0 ? headingDeg - 180 : headingDeg + 180 }];
}
