import highsLoader from 'highs';
import type { ProposalInput } from '@/core/answers/ports/assignment';

type Solver = Awaited<ReturnType<typeof highsLoader>>;
let solver: Promise<Solver> | undefined;

/**
 * The best possible value of a proposal's goal, by a mixed-integer program: ports used, millimetres of cable, or the share of the
 * fullest port. Null where not every run can be placed. For small instances.
 */
export async function exactProposal(input: ProposalInput): Promise<number | null> {
  const highs = await (solver ??= highsLoader());
  const { runs, ports, goal, roomOfController } = input;
  const groups = [...new Set(runs.map((run) => run.group))];
  const objective: string[] = [];
  const rules: string[] = [];
  const binaries: string[] = [];
  let constant = 0;
  ports.forEach((port, p) => {
    for (const [g, group] of groups.entries()) {
      binaries.push(`z${p}_${g}`);
      const own = runs.flatMap((run, r) => (run.group === group ? [`${run.pixels} x${r}_${p}`] : []));
      const capacity = port.capacity(group) - port.usedPixels;
      rules.push(`${own.join(' + ')} - ${Math.max(0, capacity)} z${p}_${g} <= 0`);
      if (port.group !== null && port.group !== group) rules.push(`z${p}_${g} = 0`);
      if (goal === 'evenLoad')
        rules.push(
          `${own.join(' + ')} - ${port.capacity(group)} t <= ${-0 - port.usedPixels}`.replace('-0', '0'),
        );
    }
    rules.push(`${groups.map((_, g) => `z${p}_${g}`).join(' + ')} <= 1`);
    if (goal === 'fewestPorts') {
      if (port.usedPixels > 0) constant += 1;
      else objective.push(...groups.map((_, g) => `z${p}_${g}`));
    }
  });
  roomOfController.forEach((room, c) => {
    if (!Number.isFinite(room)) return;
    const own = runs.flatMap((run, r) =>
      ports.flatMap((port, p) => (port.controller === c ? [`${run.pixels} x${r}_${p}`] : [])),
    );
    if (own.length > 0) rules.push(`${own.join(' + ')} <= ${room}`);
  });
  runs.forEach((run, r) => {
    rules.push(`${ports.map((_, p) => `x${r}_${p}`).join(' + ')} = 1`);
    ports.forEach((port, p) => {
      binaries.push(`x${r}_${p}`);
      if (goal === 'leastCable') objective.push(`${run.cableMm[port.controller] ?? 0} x${r}_${p}`);
    });
  });
  if (goal === 'evenLoad') objective.push('t');
  const model = `Minimize\n obj: ${objective.join(' + ')}\nSubject To\n${rules.map((rule, i) => ` c${i}: ${rule}`).join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd\n`;
  const solution = highs.solve(model, { mip_rel_gap: 0, time_limit: 20 });
  return solution.Status === 'Optimal' ? solution.ObjectiveValue + constant : null;
}

/**
 * Random runs and ports; the same seed gives the same ones.
 *
 * @param fill share of all that the ports take which the runs need together; left out, they are as long as they come
 */
export function randomProposal(
  seed: number,
  runCount: number,
  controllers: number,
  portsEach: number,
  goal: ProposalInput['goal'],
  fill?: number,
): ProposalInput {
  let state = seed * 2654435761 + 1;
  const random = () => {
    // Mulberry32.
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const groups = ['12 V', '5 V'];
  const spots = Array.from({ length: controllers }, () => [random() * 40_000, random() * 20_000] as const);
  const runs = Array.from({ length: runCount }, () => {
    const at = [random() * 40_000, random() * 20_000] as const;
    return {
      pixels: 20 + Math.floor(random() ** 2 * 480),
      group: groups[random() < 0.75 ? 0 : 1]!,
      cableMm: spots.map(([x, y]) => Math.round(Math.hypot(x - at[0], y - at[1]))),
    };
  });
  const mostOf = spots.map(() => [512, 680, 800][Math.floor(random() * 3)]!);
  const all = mostOf.reduce((sum, most) => sum + most * portsEach, 0);
  const longer = fill === undefined ? 1 : (fill * all) / runs.reduce((sum, run) => sum + run.pixels, 0);
  return {
    goal,
    roomOfController: spots.map(() => Infinity),
    runs: runs.map((run) => ({
      ...run,
      pixels: Math.min(Math.max(1, Math.floor(run.pixels * longer)), Math.max(...mostOf)),
    })),
    ports: mostOf.flatMap((most, controller) =>
      Array.from({ length: portsEach }, () => ({
        controller,
        capacity: () => most,
        usedPixels: 0,
        group: null,
      })),
    ),
  };
}
