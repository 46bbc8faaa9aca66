import { boardPowerOf } from '../../catalogue/boardPower';
import type { Plan } from '../../plan/planned';
import { estimateWords, type ControllerCap, type SupplyCap } from '../../power/caps';
import type { MeasuredPattern } from '../../show/schema';
import { standingWords } from '../../figures/figure';
import { LOADING } from '../../catalogue/supply';
import { formatAmps } from '../../units/electric';
import { countOf, groupDigits } from '../../units/number';
import type { Table } from '../../pages/table';
import { itemAt } from '../../units/there';
import { controllerAt } from '../../plan/records';

/** The brightest level of each supply: at full white, and capped. */
export function supplyCapsTable({ show }: Plan, rows: readonly SupplyCap[]): Table<SupplyCap> {
  const of = (row: SupplyCap) => itemAt(show.supplies, row.supply);
  return {
    name: 'How bright each supply can have it',
    rows,
    keyOf: ({ supply }) => itemAt(show.supplies, supply).id,
    columns: [
      { id: 'supply', head: 'Supply', as: 'key', meaning: 'The supply', of: (row) => of(row).name },
      {
        id: 'rated',
        head: 'Rated',
        as: 'figure',
        meaning: 'What is printed on it',
        of: (row) => formatAmps(of(row).ratedAmps.value),
      },
      {
        id: 'others',
        head: 'Boards, others',
        as: 'figure',
        meaning: 'What no level changes: boards and what else hangs on it',
        of: ({ load }) => formatAmps(load.otherAmps),
      },
      {
        id: 'pixels',
        head: 'Lights on it',
        as: 'figure',
        meaning: 'Pixels or panels, and what all of them draw at full white without a limiter',
        of: ({ pixels, load, reserved }) => ({
          text: groupDigits(pixels),
          note: `${formatAmps(load.whiteAmps)} at full white${reserved.pixels > 0 ? `; ${formatAmps(reserved.amps)} more for the ${groupDigits(reserved.pixels)} kept free` : ''}`,
        }),
      },
      {
        id: 'fullHours',
        head: 'Full white',
        unit: 'for hours, 80\u00a0%',
        as: 'figure',
        meaning: 'So many of them at full white beside what else hangs on it, for hours',
        of: ({ atFull, pixels }) => ({
          text: groupDigits(atFull.hours),
          mood: atFull.hours < pixels ? 'bad' : 'good',
        }),
      },
      {
        id: 'fullRating',
        head: 'Full white',
        unit: 'up to the rating',
        as: 'figure',
        meaning: 'So many of them at full white up to what is printed on it',
        of: ({ atFull }) => groupDigits(atFull.rating),
      },
      {
        id: 'capHours',
        head: 'All of them',
        unit: 'for hours, 80\u00a0%',
        as: 'figure',
        meaning: 'The level at which all of them run for hours, rounded down',
        of: ({ cap }) => `${cap.hours.percent} %`,
      },
      {
        id: 'capRating',
        head: 'All of them',
        unit: 'up to the rating',
        as: 'figure',
        meaning: 'The level at which all of them run up to what is printed on it, rounded down',
        of: ({ cap }) => `${cap.rating.percent} %`,
      },
    ],
  };
}

/** Result of each measured pattern, and the load of its supplies. */
export function patternsTable(
  { show }: Plan,
  rows: readonly MeasuredPattern[],
  supplies: readonly SupplyCap[],
): Table<MeasuredPattern> {
  const share = ({ percent }: MeasuredPattern) => percent.value / 100;
  const ampsOf = (row: MeasuredPattern, { load }: SupplyCap) =>
    load.otherAmps + load.idleAmps + share(row) * (load.whiteAmps - load.idleAmps);
  const loadingOf = (row: MeasuredPattern, cap: SupplyCap) =>
    ampsOf(row, cap) / (itemAt(show.supplies, cap.supply).ratedAmps.value * LOADING);
  return {
    name: 'What measured patterns draw',
    rows,
    keyOf: ({ name }) => name,
    columns: [
      {
        id: 'pattern',
        head: 'Pattern',
        as: 'key',
        meaning: 'What ran while the meter was read',
        of: ({ name, percent }) => ({ text: name, note: standingWords(percent) }),
      },
      {
        id: 'percent',
        head: 'Of full white',
        as: 'figure',
        meaning: 'Its share of what full white draws above dark, rounded up',
        of: ({ percent }) => `${percent.value} %`,
      },
      {
        id: 'amps',
        head: 'All supplies',
        as: 'figure',
        meaning: 'What all supplies give together, with boards and what else hangs on them',
        of: (row) => formatAmps(supplies.reduce((sum, cap) => sum + ampsOf(row, cap), 0)),
      },
      {
        id: 'most',
        head: 'Fullest supply',
        meaning: 'The supply that is closest to what it carries for hours',
        of: (row) => {
          const [first, ...others] = supplies;
          if (!first) return null;
          const cap = others.reduce(
            (most, each) => (loadingOf(row, each) > loadingOf(row, most) ? each : most),
            first,
          );
          const { name, ratedAmps } = itemAt(show.supplies, cap.supply);
          return {
            text: `${name}: ${formatAmps(ampsOf(row, cap))} of ${formatAmps(ratedAmps.value * LOADING)}`,
            mood: loadingOf(row, cap) > 1 ? 'bad' : 'good',
          };
        },
      },
    ],
  };
}

/** Values for the limiter of each device. */
export function limitersTable(plan: Plan, rows: readonly ControllerCap[]): Table<ControllerCap> {
  const of = (row: ControllerCap) => controllerAt(plan, row.controller);
  return {
    name: 'Limiters of devices',
    forDevices: true,
    rows,
    keyOf: (row) => of(row).id,
    columns: [
      { id: 'device', head: 'Device', as: 'key', meaning: 'The controller', of: (row) => of(row).name },
      {
        id: 'pixels',
        head: 'Its pixels',
        as: 'figure',
        meaning: 'Those that are fed, and what they draw at full white without a limiter',
        of: ({ pixels, whiteAmps }) => ({
          text: groupDigits(pixels),
          note: `${formatAmps(whiteAmps)} at full white`,
        }),
      },
      {
        id: 'pixelMa',
        head: 'A pixel',
        unit: 'mA, to type',
        as: 'address',
        meaning: 'What its limiter is to take a pixel to draw at full white',
        of: ({ pixelMa }) => String(pixelMa),
      },
      {
        id: 'hours',
        head: 'In all',
        unit: 'mA, for hours',
        as: 'address',
        meaning: 'What to type for hours: 80 % of every supply that its pixels hang on, boards kept aside',
        of: ({ limiterMa, percent }) => ({
          text: groupDigits(limiterMa.hours),
          note: percent.hours >= 100 ? 'full white fits' : `${percent.hours} %`,
        }),
      },
      {
        id: 'rating',
        head: 'In all',
        unit: 'mA, up to the rating',
        as: 'address',
        meaning: 'The same up to what is printed on the supplies',
        of: ({ limiterMa, percent }) => ({
          text: groupDigits(limiterMa.rating),
          note: percent.rating >= 100 ? 'full white fits' : `${percent.rating} %`,
        }),
      },
      {
        id: 'set',
        head: 'Planned',
        meaning: 'The limiter that the plan counts on, and what it leaves',
        of: (row) => {
          const { limiterAmps } = boardPowerOf(of(row));
          if (!limiterAmps || !row.limited) return { text: 'none', mood: 'quiet' };
          const fits = limiterAmps.value * 1000 <= row.limiterMa.hours + 1e-6;
          return {
            text: `${formatAmps(limiterAmps.value)}: ${Math.floor(100 * row.limited.level + 1e-9)} %`,
            note: fits ? 'its supplies carry that for hours' : 'more than its supplies carry for hours',
            mood: fits ? 'good' : 'bad',
          };
        },
      },
      {
        id: 'estimate',
        head: 'Its own estimate',
        meaning: 'What the device says of itself, beside the plan; never counted',
        of: (row) => {
          const { estimateAmps } = boardPowerOf(of(row));
          const words = estimateWords(row, estimateAmps?.value);
          return words === null ? null : { text: formatAmps(estimateAmps!.value), note: words };
        },
      },
    ],
  };
}

/** Effects of a level that only a program keeps: fuses that open and supplies that sag without it. Null where full white is planned for. */
export function liftedWords(
  { show }: Plan,
  lifted: { percent: number; openFuses: readonly number[]; saggingSupplies: readonly number[] } | null,
): string | null {
  if (!lifted) return null;
  const { percent, openFuses, saggingSupplies } = lifted;
  const start = `Planned for ${percent} %. If a reset, a test or another program lifts that to full white, `;
  if (openFuses.length === 0 && saggingSupplies.length === 0)
    return `${start}no fuse opens and no supply sags.`;
  const fuses = openFuses.map(
    (feed) => `${itemAt(show.feeds, feed).name} (${itemAt(show.feeds, feed).fuseAmps} A)`,
  );
  const supplies = saggingSupplies.map((supply) => itemAt(show.supplies, supply).name);
  return `${start}${[
    fuses.length > 0 &&
      `${fuses.length === 1 ? 'the fuse of' : `${countOf(fuses.length, 'fuse')} of`} ${fuses.slice(0, 6).join(', ')}${fuses.length > 6 ? ' and more' : ''} ${fuses.length === 1 ? 'opens' : 'open'}`,
    supplies.length > 0 &&
      `${supplies.slice(0, 6).join(', ')} ${supplies.length === 1 ? 'sags or shuts' : 'sag or shut'} down`,
  ]
    .filter(Boolean)
    .join('; ')}.`;
}
