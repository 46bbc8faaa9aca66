import { connectorKind } from '../catalogue/connector';
import { wireSize } from '../catalogue/wire';
import type { Plan } from '../plan/planned';
import { quantity } from '../units/quantity';
import type { PartCount } from './part';

/** Plus and ground. */
const CONDUCTORS = 2;

/**
 * Leads, fuses, supplies and what they end in.
 *
 * @returns wires to solder
 */
export function addPartsOfPower({ show }: Plan, parts: PartCount): number {
  let solder = 0;
  for (const supply of show.supplies) {
    const volts = quantity(supply.volts, 'volts', show.lengths);
    const amps = quantity(supply.ratedAmps.value, 'amps', show.lengths);
    parts.add(
      {
        id: `supply ${supply.volts} ${supply.ratedAmps.value}`,
        group: 'power',
        name: `supply ${volts} ${amps}, closed and certified`,
        unit: 'pieces',
      },
      1,
      supply.name,
    );
    const { fuseRow } = supply;
    if (!fuseRow) continue;
    parts.add(
      {
        id: `distribution ${fuseRow.positions}`,
        group: 'power',
        name: `distribution board with ${fuseRow.positions} fused positions`,
        unit: 'pieces',
      },
      1,
      supply.name,
    );
    addWire(parts, fuseRow.wire, fuseRow.lengthMm, supply.name);
    parts.add(FORK, 2 * CONDUCTORS, supply.name);
    addFuse(parts, fuseRow.fuseAmps, supply.name);
  }
  for (const feed of show.feeds) {
    const { name } = feed;
    for (const piece of feed.pieces) {
      addWire(parts, piece.wire, piece.lengthMm, name);
      if (piece.to.kind === 'controller') parts.add(FERRULE, CONDUCTORS, name);
      else if (piece.to.kind === 'panel') parts.add(PANEL_PLUG, 1, name);
      else solder += CONDUCTORS;
    }
    addFuse(parts, feed.fuseAmps, name);
    if (feed.connector !== undefined) {
      const { id, words } = connectorKind(feed.connector);
      parts.add({ id: `connector ${id}`, group: 'joints', name: words, unit: 'pieces' }, 1, name);
    }
    const supply =
      feed.from.kind === 'supply'
        ? show.supplies.find(({ id }) => 'supplyId' in feed.from && id === feed.from.supplyId)
        : undefined;
    // Screw terminals of a supply take forks, those of a board or a row of fuses take ferrules.
    if (supply && !supply.fuseRow) parts.add(FORK, CONDUCTORS, name);
    else parts.add(FERRULE, CONDUCTORS, name);
  }
  return solder;
}

const FORK = {
  id: 'fork',
  group: 'joints',
  name: 'crimped fork for a screw of a supply',
  unit: 'pieces',
} as const;
const FERRULE = { id: 'ferrule', group: 'joints', name: 'ferrule for a terminal', unit: 'pieces' } as const;
const PANEL_PLUG = {
  id: 'panel plug',
  group: 'joints',
  name: 'power plug of a panel',
  unit: 'pieces',
} as const;

function addWire(parts: PartCount, wire: string, lengthMm: number, use: string): void {
  const { id, words } = wireSize(wire);
  parts.add(
    {
      id: `wire ${id}`,
      group: 'wires',
      name: `power lead ${words}, plus and ground side by side`,
      unit: 'm',
    },
    lengthMm / 1000,
    use,
  );
}

function addFuse(parts: PartCount, amps: number | undefined, use: string): void {
  if (amps === undefined) return;
  parts.add({ id: `fuse ${amps}`, group: 'power', name: `blade fuse ${amps} A`, unit: 'pieces' }, 1, use);
  parts.add(
    { id: 'fuse holder', group: 'power', name: 'holder or position for a blade fuse', unit: 'pieces' },
    1,
    use,
  );
}
