import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Network, Ramp } from '@/core/power/network';

export const hasNgspice = !spawnSync('ngspice', ['--version']).error;

const share = ({ cutoffV, kneeV, amps }: Ramp, volts: string) =>
  `${amps}*min(max((${volts}-${cutoffV})/${kneeV - cutoffV},0),1)`;

/** A network in the language of ngspice. The minus of the first supply is its ground. */
function netlist(network: Network): string[] {
  const { wires, loads, supplies, kinds } = network;
  const ground = supplies[0]!.minus;
  const name = (node: number) => (node === ground ? '0' : `n${node}`);
  const lines = ['* a network of pixels'];
  wires.ohm.forEach((ohm, i) => lines.push(`R${i} ${name(wires.from[i]!)} ${name(wires.to[i]!)} ${ohm}`));
  supplies.forEach(({ plus, minus, volts }, i) => lines.push(`V${i} ${name(plus)} ${name(minus)} ${volts}`));
  loads.kind.forEach((kind, i) => {
    const [plus, minus] = [name(loads.plus[i]!), name(loads.minus[i]!)];
    const across = plus === '0' ? `(-V(${minus}))` : minus === '0' ? `V(${plus})` : `V(${plus},${minus})`;
    const amps = kinds[kind]!.filter((ramp) => ramp.amps > 0).map((ramp) => share(ramp, across));
    if (amps.length > 0) lines.push(`B${i} ${plus} ${minus} I=${amps.join('+')}`);
  });
  return lines;
}

/** The voltage of each node of a netlist by its name, as ngspice finds them. */
export function solvedByNgspice(lines: readonly string[]): Map<string, number> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-'));
  try {
    const file = path.join(folder, 'network.cir');
    const end = [
      '.options reltol=1e-7 abstol=1e-12 vntol=1e-9 gmin=1e-15',
      '.control',
      'set numdgt=12',
      'op',
      'print all',
      '.endc',
      '.end',
      '',
    ];
    fs.writeFileSync(file, [...lines, ...end].join('\n'));
    const { stdout, stderr } = spawnSync('ngspice', ['-b', file], { encoding: 'utf8', maxBuffer: 1e8 });
    const volts = new Map(
      [...stdout.matchAll(/^(\w+) = (\S+)$/gm)].map(([, node, value]) => [String(node), Number(value)]),
    );
    if (volts.size === 0) throw new Error(`ngspice found no node: ${stdout}${stderr}`);
    return volts;
  } finally {
    fs.rmSync(folder, { recursive: true });
  }
}

/** The voltage of each node as ngspice finds it. */
export function voltsByNgspice(network: Network): Float64Array {
  const found = solvedByNgspice(netlist(network));
  const ground = network.supplies[0]!.minus;
  return Float64Array.from({ length: network.nodeCount }, (_, node) =>
    node === ground ? 0 : (found.get(`n${node}`) ?? NaN),
  );
}
