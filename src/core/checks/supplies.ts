import { boardPowerOf } from '../catalogue/boardPower';
import { supplyFor } from '../catalogue/supply';
import { usual } from '../figures/figure';
import type { Plan } from '../plan/planned';
import { kindOf, isPanelled } from '../props/registry';
import { sourceWords } from '../power/leadWords';
import { standingReports } from '../power/report';
import { overWords } from '../power/overWords';
import { FULL_WHITE } from '../power/shown';
import { solvePower } from '../power/solvePower';
import { formatAmps, formatVolts } from '../units/electric';
import { countOf } from '../units/number';
import { listOf } from '../units/words';
import { defineCheck, type Finding } from './check';
import { itemAt, lastOf } from '../units/there';
import { propAt, controllerAt, pixelTypeOf } from '../plan/records';

export const supplyLoads = defineCheck(
  'supply-loads',
  'No supply carries more at full white than it can for hours.',
  (plan) =>
    standingReports(plan).worst.supplies.flatMap((load): Omit<Finding, 'check'>[] => {
      if (!load.isOver) return [];
      const supply = itemAt(plan.show.supplies, load.supply);
      const rating = supplyFor(supply.volts, load.wantedAmps);
      const isBeyond = load.wantedAmps > load.ratedAmps + 1e-6;
      return [
        {
          rank: isBeyond ? 'willLookWrong' : 'worthKnowing',
          stage: 'power',
          supplyId: supply.id,
          message: `${supply.name}: ${formatAmps(load.wantedAmps)} at full white; it carries ${formatAmps(load.carriesAmps)} for hours and ${formatAmps(load.ratedAmps)} at most${isBeyond ? ': it sags or shuts down' : ''}. ${overWords(supply.volts, load)}`,
          mends:
            rating === null
              ? []
              : [
                  {
                    label: `Plan with ${rating} A`,
                    edit: {
                      type: 'changeSupply',
                      supplyId: supply.id,
                      change: { ratedAmps: usual(rating, 'a usual rating') },
                    },
                  },
                ],
        },
      ];
    }),
);

export const supplyVolts = defineCheck(
  'supply-volts',
  'What a lead feeds is made for the volts of its supply.',
  (plan) => {
    const { show } = plan;
    return solvePower(plan, FULL_WHITE).flatMap(({ group, wiring }): Omit<Finding, 'check'>[] => {
      const volts = wiring.supplies.map((supply) => itemAt(show.supplies, supply).volts);
      const wrong: Omit<Finding, 'check'>[] = [];
      for (const index of group.props) {
        const prop = itemAt(show.props, index);
        const wanted = kindOf(prop).panelPower?.(prop.shape).volts ?? pixelTypeOf(show, prop).volts;
        const other = wiring.supplies.find((_, i) => Math.abs(itemAt(volts, i) - wanted) > 0.1 * wanted);
        if (other === undefined) continue;
        const supply = itemAt(show.supplies, other);
        wrong.push({
          rank: supply.volts > wanted ? 'canBreak' : 'willNotLight',
          stage: 'power',
          propId: prop.id,
          message: `${prop.name} is made for ${wanted} V, and ${supply.name} gives ${supply.volts} V. ${supply.volts > wanted ? 'That destroys it.' : 'It stays dark or red.'} Feed it from a supply of ${wanted} V.`,
          mends: [],
        });
      }
      for (const index of group.controllers) {
        const controller = itemAt(show.controllers, index);
        const range = boardPowerOf(controller).volts;
        const other =
          range &&
          wiring.supplies.find((_, i) => itemAt(volts, i) < range.least || itemAt(volts, i) > range.most);
        if (range && other !== undefined)
          wrong.push({
            rank: itemAt(show.supplies, other).volts > range.most ? 'canBreak' : 'willNotLight',
            stage: 'power',
            controllerId: controller.id,
            message: `${controller.name} takes ${range.least} to ${range.most} V, and ${itemAt(show.supplies, other).name} gives ${itemAt(show.supplies, other).volts} V. ${itemAt(show.supplies, other).volts > range.most ? 'That destroys it.' : 'It does not run.'}`,
            mends: [],
          });
      }
      return wrong;
    });
  },
);

export const boardRange = defineCheck(
  'board-range',
  'Of every board that a supply feeds it is known what volts it takes.',
  (plan) =>
    solvePower(plan, FULL_WHITE).flatMap(({ wiring }) =>
      wiring.boards.flatMap(({ controller }): Omit<Finding, 'check'>[] => {
        const { id, name, power } = controllerAt(plan, controller);
        const [supply] = wiring.supplies;
        if (boardPowerOf({ power }).volts || supply === undefined) return [];
        const { volts, name: source } = itemAt(plan.show.supplies, supply);
        return [
          {
            rank: 'worthKnowing',
            stage: 'power',
            controllerId: id,
            message: `${name} is fed with ${volts} V from ${source}, and its own input voltage is not set. 12 V into a board of 5 V destroys it: type what is printed beside its power input, in Supplies.`,
            mends: [],
          },
        ];
      }),
    ),
);

export const boardVolts = defineCheck(
  'board-volts',
  'Every board keeps the volts that it needs while everything is at full white.',
  (plan) =>
    solvePower(plan, FULL_WHITE).flatMap(({ wiring, solution }) =>
      wiring.boards.flatMap(({ load, controller }): Omit<Finding, 'check'>[] => {
        const { id, name, ...board } = controllerAt(plan, controller);
        const range = boardPowerOf(board).volts;
        const volts = solution.loadVolts[load]!;
        if (!range || solution.unfed[load] || volts >= range.least) return [];
        return [
          {
            rank: 'willNotLight',
            stage: 'power',
            controllerId: id,
            message: `${name} gets ${formatVolts(volts)} at full white and needs ${range.least} V: it restarts in the middle of the show. Shorten or thicken what feeds it, or feed it by itself.`,
            mends: [],
          },
        ];
      }),
    ),
);

export const joinedPlus = defineCheck(
  'joined-plus',
  'No two supplies feed the same stretch of plus.',
  (plan) =>
    solvePower(plan, FULL_WHITE).flatMap(({ group, wiring }): Omit<Finding, 'check'>[] => {
      const joined = joinedSupplies(wiring);
      if (joined.length < 2) return [];
      const names = joined.map((supply) => itemAt(plan.show.supplies, supply).name);
      const prop = group.props[0];
      return [
        {
          rank: 'canBreak',
          stage: 'power',
          ...(prop === undefined ? {} : { propId: propAt(plan, prop).id }),
          message: `The plus of ${listOf(names)} is joined, through ${prop === undefined ? 'a controller' : propAt(plan, prop).name}. Each pushes current into the other; unless they are made for it, cut plus between their zones and leave ground and data joined.`,
          mends: [],
        },
      ];
    }),
);

/** Indices of the supplies whose plus is one by wire; the first such lot. */
function joinedSupplies({ network, supplies }: ReturnType<typeof solvePower>[number]['wiring']): number[] {
  const parent = Int32Array.from({ length: network.nodeCount }, (_, i) => i);
  const rootOf = (node: number): number => {
    let root = node;
    while (parent[root] !== root) {
      parent[root] = parent[parent[root]!]!;
      root = parent[root]!;
    }
    return root;
  };
  const { from, to } = network.wires;
  for (let i = 0; i < from.length; i += 1) parent[rootOf(from[i]!)] = rootOf(to[i]!);
  const lots = new Map<number, number[]>();
  network.supplies.forEach(({ plus }, i) => {
    const root = rootOf(plus);
    lots.set(root, [...(lots.get(root) ?? []), itemAt(supplies, i)]);
  });
  return [...lots.values()].find((lot) => lot.length > 1) ?? [];
}

export const fedByNothing = defineCheck(
  'fed-by-nothing',
  'Where power is planned, every prop and every pixel has a lead that reaches it.',
  (plan: Plan) => {
    const { show } = plan;
    if (show.feeds.length === 0) return [];
    const { runs, unfedProps } = standingReports(plan).worst;
    const dark = new Map<number, number>();
    for (const run of runs) if (run.unfed > 0) dark.set(run.prop, (dark.get(run.prop) ?? 0) + run.unfed);
    return [
      ...unfedProps.map((prop): Omit<Finding, 'check'> => ({
        // A step that has not been done yet.
        rank: null,
        stage: 'power',
        propId: itemAt(show.props, prop).id,
        message: `${itemAt(show.props, prop).name}: no lead goes to it, so it is in no supply’s load.`,
        mends: [],
      })),
      ...[...dark].map(([prop, count]): Omit<Finding, 'check'> => {
        const panelled = isPanelled(itemAt(show.props, prop));
        return {
          rank: 'willNotLight',
          stage: 'power',
          propId: itemAt(show.props, prop).id,
          message: `${itemAt(show.props, prop).name}: ${countOf(count, panelled ? 'panel' : 'pixel')} of it ${count === 1 ? 'is' : 'are'} reached by no supply: a run without a lead, a zone behind a cut, or a ground that is not joined.`,
          mends: [],
        };
      }),
    ];
  },
);

export const looseLeads = defineCheck(
  'loose-leads',
  'Every lead goes to something that is still there.',
  (plan) =>
    standingReports(plan).worst.leads.flatMap((lead): Omit<Finding, 'check'>[] => {
      if (!lead.isLoose) return [];
      const feed = itemAt(plan.show.feeds, lead.feed);
      const { to } = lastOf(feed.pieces);
      return [
        {
          rank: 'willNotLight',
          stage: 'power',
          ...(to.kind === 'controller' ? { controllerId: to.controllerId } : { propId: to.propId }),
          message: `${feed.name} from ${sourceWords(plan.show, feed)} goes to a place that is not there: a pixel behind the last one, a run that is gone, or twice the same.`,
          mends: [{ label: 'Remove the lead', edit: { type: 'removeFeed', feedId: feed.id } }],
        },
      ];
    }),
);
