import type { PipelineSettings } from './pipelineSettings';
import type { ScreenSide } from './sides';
import type { Zone } from './zones';
import { itemAt } from '../units/there';

/** A picture as a canvas gives it: four bytes a pixel, row by row from the top left, in sRGB. */
export interface Frame {
  width: number;
  height: number;
  rgba: Uint8Array | Uint8ClampedArray;
}

/** From a byte of sRGB to light, 0 to 1 (IEC 61966-2-1). */
const LIGHT = Float64Array.from({ length: 256 }, (_, byte) => {
  const share = byte / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/** The part of a frame that is picture, as fractions from the top left. */
interface Active {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

export const WHOLE: Active = { x0: 0, y0: 0, x1: 1, y1: 1 };

/** The mean light of each zone, in linear light: red, green, blue of each, 0 to 1. */
export function sampled(
  { width, height, rgba }: Frame,
  zones: readonly Zone[],
  active: Active = WHOLE,
): Float64Array {
  const out = new Float64Array(3 * zones.length);
  const across = active.x1 - active.x0;
  const down = active.y1 - active.y0;
  zones.forEach((zone, i) => {
    const left = Math.min(width - 1, Math.floor((active.x0 + zone.x0 * across) * width + 1e-9));
    const top = Math.min(height - 1, Math.floor((active.y0 + zone.y0 * down) * height + 1e-9));
    // A zone that is less than a pixel takes the pixel that it is in.
    const right = Math.max(left + 1, Math.min(width, Math.round((active.x0 + zone.x1 * across) * width)));
    const bottom = Math.max(top + 1, Math.min(height, Math.round((active.y0 + zone.y1 * down) * height)));
    let [red, green, blue] = [0, 0, 0];
    for (let y = top; y < bottom; y += 1) {
      let at = 4 * (y * width + left);
      for (let x = left; x < right; x += 1, at += 4) {
        red += LIGHT[rgba[at]!]!;
        green += LIGHT[rgba[at + 1]!]!;
        blue += LIGHT[rgba[at + 2]!]!;
      }
    }
    const count = (right - left) * (bottom - top);
    out[3 * i] = red / count;
    out[3 * i + 1] = green / count;
    out[3 * i + 2] = blue / count;
  });
  return out;
}

/** The picture between black bars. A frame that is black throughout has none. */
export function activeArea({ width, height, rgba }: Frame, threshold: number): Active {
  const isLit = (x: number, y: number) => {
    const at = 4 * (y * width + x);
    return rgba[at]! > threshold || rgba[at + 1]! > threshold || rgba[at + 2]! > threshold;
  };
  const rowLit = (y: number) => {
    for (let x = 0; x < width; x += 1) if (isLit(x, y)) return true;
    return false;
  };
  const columnLit = (x: number) => {
    for (let y = 0; y < height; y += 1) if (isLit(x, y)) return true;
    return false;
  };
  let top = 0;
  while (top < height && !rowLit(top)) top += 1;
  if (top === height) return WHOLE;
  let bottom = height;
  while (!rowLit(bottom - 1)) bottom -= 1;
  let left = 0;
  while (!columnLit(left)) left += 1;
  let right = width;
  while (!columnLit(right - 1)) right -= 1;
  return { x0: left / width, x1: right / width, y0: top / height, y1: bottom / height };
}

const same = (a: Active, b: Active) => a.x0 === b.x0 && a.x1 === b.x1 && a.y0 === b.y0 && a.y1 === b.y1;

/** Takes pictures one after another, and gives the bytes of the lights. */
export class Pipeline {
  private held: Float64Array | null = null;
  private active: Active = WHOLE;
  private seen: { active: Active; forMs: number } = { active: WHOLE, forMs: 0 };

  /** @param sides of each zone, so that some can be switched off */
  constructor(
    private readonly zones: readonly Zone[],
    private readonly sides: readonly ScreenSide[],
    public settings: PipelineSettings,
  ) {}

  /** @param passedMs since the picture before @returns red, green and blue of each zone */
  step(frame: Frame, passedMs: number): Uint8Array {
    const { letterbox, smoothingMs, saturation, gamma, gains, cap, minimum, sidesOff } = this.settings;
    if (letterbox.isOn) this.follow(activeArea(frame, letterbox.threshold), passedMs, letterbox.delayMs);
    else this.active = WHOLE;
    const light = sampled(frame, this.zones, this.active);
    if (this.held?.length !== light.length) this.held = light;
    else {
      const share = smoothingMs === 0 ? 1 : 1 - Math.exp(-passedMs / smoothingMs);
      for (let i = 0; i < light.length; i += 1) this.held[i]! += (light[i]! - this.held[i]!) * share;
    }
    const out = new Uint8Array(light.length);
    for (let i = 0; i < light.length; i += 3) {
      if (sidesOff.includes(itemAt(this.sides, i / 3))) continue;
      const [red, green, blue] = [this.held[i]!, this.held[i + 1]!, this.held[i + 2]!];
      // Shares of light to the eye (Rec. 709).
      const grey = 0.2126 * red + 0.7152 * green + 0.0722 * blue;
      [red, green, blue].forEach((part, k) => {
        const coloured = Math.min(1, Math.max(0, grey + saturation * (part - grey)));
        const lit = Math.max(minimum, coloured) * gains[k]!;
        out[i + k] = Math.round(255 * Math.min(cap, lit ** gamma));
      });
    }
    return out;
  }

  /** Bars count once they have stood for a while: a dark scene is no letterbox. */
  private follow(active: Active, passedMs: number, delayMs: number): void {
    this.seen = same(active, this.seen.active)
      ? { active, forMs: this.seen.forMs + passedMs }
      : { active, forMs: 0 };
    // A bar that lights up is picture at once.
    const isLarger =
      active.x0 < this.active.x0 ||
      active.y0 < this.active.y0 ||
      active.x1 > this.active.x1 ||
      active.y1 > this.active.y1;
    if (isLarger || this.seen.forMs >= delayMs) this.active = active;
  }
}
