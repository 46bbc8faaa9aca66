import { coloursOf, IDLE_KNEE, type DrawPart, type Electric } from '../catalogue/electric';
import type { WhiteBy } from '../show/schema';
import type { Ramp } from './network';

export const LIGHTS = ['white', 'R', 'G', 'B', 'W'] as const;
export type Light = (typeof LIGHTS)[number];

/** The light of all pixels at once. */
export interface Shown {
  light: Light;
  /** The byte at the chips, as a share of its fullest. */
  level: number;
  whiteBy: WhiteBy;
}

export const FULL_WHITE: Shown = { light: 'white', level: 1, whiteBy: 'all' };

/** The channels that are lit, of those that a type has. White of a light that has no colours is its own. */
export function litBy({ light, whiteBy }: Shown, colourOrder: string): readonly Exclude<DrawPart, 'idle'>[] {
  const has = coloursOf({ colourOrder });
  if (light !== 'white') return has.filter((colour) => colour === light);
  if (whiteBy === 'all' || has.length < 4) return has;
  return has.filter((colour) => (colour === 'W') === (whiteBy === 'white'));
}

/**
 * The current of a pixel by its volts: its chip, which also takes its current while it is dark, and each colour that is lit. Colours in one
 * chain share the largest of their currents.
 */
export function rampsOf(electric: Electric, colourOrder: string, shown: Shown): Ramp[] {
  const ramps: Ramp[] = [{ ...IDLE_KNEE, amps: electric.draw.idle!.value / 1000 }];
  const lit = litBy(shown, colourOrder).map((colour): Ramp => ({
    ...electric.knees[colour],
    amps: (electric.draw[colour]!.value / 1000) * shown.level,
  }));
  if (!electric.sharesCurrent) return [...ramps, ...lit];
  const most = lit.reduce<Ramp | null>((one, other) => (one && one.amps >= other.amps ? one : other), null);
  return most ? [...ramps, most] : ramps;
}

/** Current of a pixel where its volts are enough, in amps. */
export function fullAmps(electric: Electric, colourOrder: string, shown: Shown): number {
  return rampsOf(electric, colourOrder, shown).reduce((sum, ramp) => sum + ramp.amps, 0);
}

/** Share of light of a colour at a voltage, 0 to 1: light goes with current. */
export function lightAt(electric: Electric, colour: Exclude<DrawPart, 'idle'>, volts: number): number {
  const { cutoffV, kneeV } = electric.knees[colour];
  return Math.min(Math.max((volts - cutoffV) / (kneeV - cutoffV), 0), 1);
}

/** A panel, whose chips are those of 5 V lights: what it draws is known at full white, and goes with the level. */
export function panelRamps(ampsFullWhite: number, { light, level }: Shown): Ramp[] {
  const share = light === 'white' ? 1 : light === 'W' ? 0 : 1 / 3;
  return [{ cutoffV: 2.8, kneeV: 3.5, amps: ampsFullWhite * share * level }];
}
