import type { Show } from '@/core/show/schema';
import { solvedByNgspice } from './ngspice';

/** Milliohm a metre, of wires that the tests use, as in tables of copper. */
const WIRE: Readonly<Record<string, number>> = {
  awg22: 53,
  awg18: 20.9,
  'mm2-1.5': 13.3,
  'mm2-2.5': 7.98,
  'mm2-4': 4.95,
};
/** Milliohm of a blade fuse with its holder. */
const FUSE: Readonly<Record<number, number>> = { 5: 21, 7.5: 14.5, 10: 11.1, 15: 8.3, 20: 6.9 };
/** Milliohm of one contact. */
const PLUG: Readonly<Record<string, number>> = { round18: 5, pigtail: 10, barrel: 20 };

/** The pixels of a test, and what they draw: nothing at 0 V, all of it from a knee on. */
interface Pixels {
  amps: number;
  kneeV: number;
  /** Resistance of one conductor, from a pixel to the next. */
  railOhm: number;
  counts: ReadonlyMap<string, number>;
  boardAmps: number;
}

/**
 * The volts of every pixel of a show of lines of one run each, by prop, as ngspice finds them from a netlist that is written from the show alone.
 */
export function voltsOfShow(
  show: Show,
  { amps, kneeV, railOhm, counts, boardAmps }: Pixels,
): Map<string, number[]> {
  const lines = ['* a show'];
  let parts = 0;
  const resistor = (a: string, b: string, ohm: number) => lines.push(`R${(parts += 1)} ${a} ${b} ${ohm}`);
  const load = (at: string, full: number, knee: number) =>
    lines.push(`B${(parts += 1)} ${at}p ${at}g I=${full}*min(max(V(${at}p,${at}g)/${knee},0),1)`);
  const nameOf = new Map(show.props.map(({ id }, i) => [id, `x${i}y`]));
  for (const { id } of show.props) {
    const cut = new Set(show.cuts.flatMap((each) => (each.propId === id ? [each.afterPixel] : [])));
    const name = nameOf.get(id)!;
    for (let pixel = 1; pixel <= counts.get(id)!; pixel += 1) {
      load(`${name}${pixel}`, amps, kneeV);
      if (pixel === 1) continue;
      if (!cut.has(pixel - 1)) resistor(`${name}${pixel - 1}p`, `${name}${pixel}p`, railOhm);
      resistor(`${name}${pixel - 1}g`, `${name}${pixel}g`, railOhm);
    }
  }
  show.controllers.forEach((_, i) => {
    if (show.feeds.some(({ pieces }) => pieces.some(({ to }) => to.kind === 'controller')))
      load(`b${i}`, boardAmps, 2);
  });
  show.supplies.forEach(({ volts, fuseRow }, i) => {
    lines.push(`V${i} s${i}p s${i}g ${volts}`);
    if (!fuseRow) return;
    const ohm = (WIRE[fuseRow.wire]! * fuseRow.lengthMm) / 1e6;
    resistor(`s${i}p`, `r${i}p`, ohm + (fuseRow.fuseAmps ? FUSE[fuseRow.fuseAmps]! / 1000 : 0));
    resistor(`s${i}g`, `r${i}g`, ohm);
  });
  // The minus of the first supply is what volts are counted from.
  lines.push('Vzero s0g 0 0');
  for (const { from, pieces, fuseAmps, connector, groundOnly } of show.feeds) {
    let at: string;
    if (from.kind === 'supply') {
      const supply = show.supplies.findIndex(({ id }) => id === from.supplyId);
      at = `${show.supplies[supply]!.fuseRow ? 'r' : 's'}${supply}`;
    } else at = `b${show.controllers.findIndex(({ id }) => id === from.controllerId)}`;
    pieces.forEach(({ wire, lengthMm, to }, piece) => {
      const end =
        to.kind === 'pixel'
          ? `${nameOf.get(to.propId)!}${to.pixel}`
          : `b${show.controllers.findIndex(({ id }) => to.kind === 'controller' && id === to.controllerId)}`;
      const plug = piece === 0 && connector ? PLUG[connector]! / 1000 : 0;
      const fuse = piece === 0 && fuseAmps ? FUSE[fuseAmps]! / 1000 : 0;
      const ohm = (WIRE[wire]! * lengthMm) / 1e6 + plug;
      if (!groundOnly) resistor(`${at}p`, `${end}p`, ohm + fuse);
      resistor(`${at}g`, `${end}g`, ohm);
      at = end;
    });
  }
  const nodes = [...counts].flatMap(([id, count]) =>
    Array.from({ length: count }, (_, i) => `${nameOf.get(id)!}${i + 1}`),
  );
  const volts = solvedByNgspice(lines);
  const of = new Map<string, number[]>();
  let at = 0;
  for (const [id, count] of counts)
    of.set(
      id,
      nodes.slice(at, (at += count)).map((node) => volts.get(`${node}p`)! - volts.get(`${node}g`)!),
    );
  return of;
}
