import { piecesOf } from '../answers/stockPieces';
import { WIRES_OF_JOINT } from '../catalogue/partName';
import { planStock, type Stock } from '../catalogue/stock';
import { threadedOf } from '../plan/threadedOf';
import type { Plan } from '../plan/planned';
import { knottedRope, setOut } from '../props/settingOut';
import { kindOf, type Prop } from '../props/registry';
import { formatLength } from '../units/length';
import { groupDigits } from '../units/number';
import { madeOf } from './madeOf';
import type { PartCount } from './part';
import { plannedAt } from '../plan/records';

/** A pole that stands by itself is dug in by a tenth of its length and 600 mm: a rule of thumb for poles in firm ground. */
const DUG_IN = { share: 0.1, mm: 600 };
/** Poles that are longer are made of lengths that are pushed into one another by so much. */
const POLE = { lengthMm: 3000, overlapMm: 300 };

const PLUG_OF: Record<NonNullable<Stock['inputPlug']>, NonNullable<Stock['inputPlug']>> = {
  male: 'female',
  female: 'male',
};

/**
 * Counts the parts of props. Joints are counted as they are soldered: one a wire.
 *
 * @returns wires to solder
 */
export function addPartsOfProps(plan: Plan, parts: PartCount): number {
  let solder = 0;
  plan.show.props.forEach((prop, index) => {
    solder += addStrands(plan, prop, index, parts);
    addHanging(plan, prop, index, parts);
  });
  return solder;
}

function addStrands(plan: Plan, prop: Prop, index: number, parts: PartCount): number {
  const { stock, name } = prop;
  const { pixelCount, jumpers, firstRun, runCount } = plannedAt(plan, index);
  const type = plan.show.pixelTypes.find(({ id }) => id === prop.pixelTypeId);
  const typeName = type?.name ?? 'pixels';
  const skipped = plan.runs
    .slice(firstRun, firstRun + runCount)
    .reduce((sum, { wire }) => sum + (wire?.skippedPixels ?? 0), 0);
  parts.add(
    {
      id: `skipped ${prop.pixelTypeId}`,
      group: 'lights',
      name: `${typeName}: hidden on the way, to refresh the data`,
      unit: 'px',
    },
    skipped,
    name,
  );
  const made = madeOf(prop, type, plan.show.lengths);
  if (made) {
    for (const { need, ...part } of made.parts) parts.add(part, need, name);
    return made.solderedWires;
  }
  if (!stock) {
    parts.add(
      {
        id: `pixels ${prop.pixelTypeId ?? ''}`,
        group: 'lights',
        name: typeName,
        unit: 'px',
        note: 'Say in Build what it is made from, strings or strip, to know how many to buy.',
      },
      pixelCount,
      name,
    );
    return 0;
  }
  const threaded = threadedOf(plan, index);
  const pieces = piecesOf(prop, threaded, stock);
  const planned = planStock(pieces, stock);
  const source =
    stock.kind === 'strings'
      ? `string of ${groupDigits(stock.pixelsPerString)}, ${formatLength(stock.pitchMm, plan.show.lengths)} apart`
      : `roll of ${formatLength(stock.rollMm, plan.show.lengths)}, ${stock.pixelsPerMetre} a metre`;
  parts.add(
    {
      id: `stock ${prop.pixelTypeId ?? ''} ${source}`,
      group: 'lights',
      name: `${typeName}: ${source}`,
      unit: 'pieces',
    },
    planned.sources.value,
    name,
  );
  // Parts of one piece are joined to one another; pieces by jumpers or by what feeds them.
  let solder = planned.splices.length * WIRES_OF_JOINT;
  parts.add(
    { id: 'splice', group: 'joints', name: 'splice of two lengths, sealed', unit: 'pieces' },
    planned.splices.length,
    name,
  );
  const starts = new Set(pieces.map(({ firstPixel }) => firstPixel - 1));
  const joined = jumpers.filter(({ toPixel }) => starts.has(toPixel));
  parts.add(
    {
      id: 'jumper wire',
      group: 'wires',
      name: 'jumpers from strand to strand: plus, ground and data together',
      unit: 'm',
    },
    joined.reduce((sum, { lengthMm }) => sum + lengthMm, 0) / 1000,
    name,
  );
  parts.add(
    { id: 'jumper', group: 'joints', name: 'jumper, both ends joined', unit: 'pieces' },
    joined.length,
    name,
  );
  solder += joined.length * 2 * WIRES_OF_JOINT;
  if (stock.inputPlug)
    parts.add(
      {
        id: `pigtail ${PLUG_OF[stock.inputPlug]}`,
        group: 'joints',
        name: `pigtail, ${PLUG_OF[stock.inputPlug]} (${PLUG_OF[stock.inputPlug] === 'male' ? 'with pins' : 'with sockets'})`,
        unit: 'pieces',
        note: 'The counterpart of the plug at which data enters. Both ends of a string look alike: its mark decides.',
      },
      runCount,
      name,
    );
  // A pigtail is soldered to its lead, a lead without one to the strand.
  solder += runCount * WIRES_OF_JOINT;
  return solder;
}

function addHanging(plan: Plan, prop: Prop, index: number, parts: PartCount): void {
  const kind = kindOf(prop);
  const { name } = prop;
  const places = kind.anchors?.(prop.shape);
  // Nothing is driven in where the pixels themselves are set out.
  const anchors = places && places.word !== 'pixel' ? places : undefined;
  if (anchors)
    parts.add(
      { id: `anchor ${anchors.word}`, group: 'hanging', name: anchors.word, unit: 'pieces' },
      anchors.xMm.length,
      name,
    );
  if (anchors) {
    const rope = knottedRope(setOut(anchors, kind.placeRows?.(prop.shape) ?? {}));
    parts.add(
      {
        id: 'rope',
        group: 'hanging',
        name: 'cord that does not stretch, knotted to set out',
        unit: 'm',
        note: 'Its knots are on the sheet of setting out.',
      },
      (rope?.totalMm ?? 0) / 1000,
      name,
    );
  }
  const strip = kind.mountingStrip?.(prop.shape);
  if (strip)
    parts.add(
      {
        id: `mounting strip ${Math.round(strip.lengthMm)}`,
        group: 'hanging',
        name: `mounting strip of ${formatLength(Math.round(strip.lengthMm), plan.show.lengths)}`,
        unit: 'pieces',
      },
      strip.pieces,
      name,
    );
  const poleMm = kind.poleMm?.(prop.shape) ?? null;
  if (poleMm !== null) {
    const { lengths, dugMm, totalMm } = poleOf(poleMm);
    parts.add(
      {
        id: `pole ${Math.round(totalMm)}`,
        group: 'hanging',
        name: `pole of ${formatLength(Math.round(totalMm), plan.show.lengths)}: ${formatLength(Math.round(poleMm), plan.show.lengths)} above the ground, ${formatLength(Math.round(dugMm), plan.show.lengths)} dug in`,
        unit: 'pieces',
        note: `${
          lengths === 1
            ? 'Of one length.'
            : `Of ${lengths} lengths that reach ${formatLength(POLE.overlapMm, plan.show.lengths)} into one another.`
        } A tenth of its length and ${formatLength(DUG_IN.mm, plan.show.lengths)} in the ground is a rule of thumb; ground, wind and guys decide, and whoever answers for it. A pole on a foot needs guys instead.`,
      },
      1,
      name,
    );
  }
}

/**
 * A pole for a height above the ground: the part in the ground is a tenth of the whole and 600 mm, so whole = (height + 600) / 0.9; and
 * of so many lengths, each of which reaches into the next by the overlap.
 */
export function poleOf(aboveMm: number): { totalMm: number; dugMm: number; lengths: number } {
  const totalMm = (aboveMm + DUG_IN.mm) / (1 - DUG_IN.share);
  const rest = Math.max(0, totalMm - POLE.lengthMm);
  return {
    totalMm,
    dugMm: totalMm - aboveMm,
    lengths: 1 + Math.ceil(rest / (POLE.lengthMm - POLE.overlapMm) - 1e-9),
  };
}
