import { connectorKind } from '../catalogue/connector';
import { electricOf, type DrawPart } from '../catalogue/electric';
import type { Feed } from '../catalogue/feed';
import type { PixelType } from '../catalogue/pixelType';
import type { Supply } from '../catalogue/supply';
import { wireSize } from '../catalogue/wire';
import { endWords, sourceWords } from '../power/leadWords';
import type { Show } from '../show/schema';
import { formatAmps } from '../units/electric';
import { formatLength } from '../units/length';
import { valueIn } from '../units/there';

/** A value of the power of a show that differs: what it is about, and the value in both states. */
export interface ComparedPower {
  name: string;
  what: string;
  before: string;
  after: string;
}

const PARTS = ['idle', 'R', 'G', 'B', 'W'] as const satisfies readonly DrawPart[];
const PART_WORDS: Record<DrawPart, string> = {
  idle: 'dark',
  R: 'red',
  G: 'green',
  B: 'blue',
  W: 'white',
};

/** Supplies, currents, wires, fuses and plugs that differ. Things are the same by their ids. */
export function comparedPower(before: Show, after: Show): ComparedPower[] {
  const [old, now] = [saidOf(before), saidOf(after)];
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((key) => {
    const [was, is] = [old.get(key), now.get(key)];
    const { name, what } = is ?? valueIn(old, key);
    const [from, to] = [was?.value ?? 'none', is?.value ?? 'none'];
    return from === to ? [] : [{ name, what, before: from, after: to }];
  });
}

interface Said {
  name: string;
  what: string;
  value: string;
}

type Say = (id: string, name: string, what: string, value: string | undefined) => void;

/** Everything that is said of power, by what it is about. */
function saidOf(show: Show): Map<string, Said> {
  const said = new Map<string, Said>();
  const say: Say = (id, name, what, value) => {
    if (value !== undefined) said.set(`${id} ${what}`, { name, what, value });
  };
  say('show', 'The show', 'planned level', show.power && `${show.power.levelPercent} %`);
  for (const type of show.pixelTypes) sayLights(say, type);
  for (const supply of show.supplies) saySupply(say, supply);
  for (const feed of show.feeds) sayLead(say, show, feed);
  for (const { id, name, power } of show.controllers) {
    const ampsOf = (field: 'portFuseAmps' | 'limiterAmps' | 'ownAmps') =>
      power?.[field] && formatAmps(power[field].value);
    say(`device ${id}`, name, 'fuse of each port', ampsOf('portFuseAmps'));
    say(`device ${id}`, name, 'limiter', ampsOf('limiterAmps'));
    say(`device ${id}`, name, 'its own current', ampsOf('ownAmps'));
  }
  const propOf = new Map(show.props.map((prop) => [prop.id, prop.name]));
  for (const { id, propId, run, afterPixel } of show.cuts)
    say(`cut ${id}`, valueIn(propOf, propId), 'plus is cut', `run ${run}, after pixel ${afterPixel}`);
  return said;
}

function sayLights(say: Say, type: PixelType): void {
  const { draw, leastVolts, rail } = electricOf(type);
  const id = `type ${type.id}`;
  for (const part of PARTS)
    say(id, type.name, `current, ${PART_WORDS[part]}`, draw[part] && formatAmps(draw[part].value / 1000));
  say(id, type.name, 'fewest volts', `${leastVolts.value} V`);
  const conductor = rail.kind === 'wire' ? wireSize(rail.wire).words : `${rail.ohmPerM.value} ohm a metre`;
  say(id, type.name, 'its own conductor', conductor);
}

function saySupply(say: Say, { id, name, volts, ratedAmps, others = [], fuseRow }: Supply): void {
  say(`supply ${id}`, name, 'volts', `${volts} V`);
  say(`supply ${id}`, name, 'rating', formatAmps(ratedAmps.value));
  for (const other of others)
    say(`supply ${id}`, name, `also feeds ${other.name}`, formatAmps(other.amps.value));
  const row = fuseRow && `${fuseRow.positions} positions on ${wireSize(fuseRow.wire).words}`;
  say(`supply ${id}`, name, 'fuse row', row);
}

function sayLead(say: Say, show: Show, feed: Feed): void {
  const { id, name, fuseAmps, connector, pieces } = feed;
  say(`feed ${id}`, name, 'from', sourceWords(show, feed));
  say(`feed ${id}`, name, 'fuse', fuseAmps === undefined ? undefined : formatAmps(fuseAmps));
  say(`feed ${id}`, name, 'plug', connector && connectorKind(connector).words);
  pieces.forEach(({ lengthMm, wire, to }, i) =>
    say(
      `feed ${id}`,
      name,
      pieces.length > 1 ? `piece ${i + 1}` : 'wire',
      `${formatLength(lengthMm, show.lengths)} of ${wireSize(wire).words} to ${endWords(show, to)}`,
    ),
  );
}
