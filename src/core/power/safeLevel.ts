import { FUSE_SHARE } from '../catalogue/fuse';
import type { Plan } from '../plan/planned';
import { isRailHot } from './rails';
import { hotPart } from './hotPart';
import { passedOn } from './passedOn';
import { powerReport, type PowerReport } from './report';
import type { Shown } from './shown';
import { itemAt } from '../units/there';

/** The brightest level that the feeds of a show carry, and the limit. */
interface SafeLevel {
  /** The byte at the chips in whole percent, rounded down; 0 where even dark is too much. */
  percent: number;
  /** The first excess at one percent more; null at 100. */
  heldBackBy: string | null;
}

/**
 * The excess in a report: a pixel too low; the conductors of a run, a feed, a board or a fuse of its ports, a supply or its row of fuses above
 * what it carries. Null where nothing of these is.
 */
export function tooMuch(plan: Plan, report: PowerReport): string | null {
  const { show } = plan;
  for (const run of report.runs)
    if (run.below > 0)
      return `${itemAt(show.props, run.prop).name}${run.run === null ? '' : ` run ${run.run}`}`;
  for (const run of report.runs)
    if (isRailHot(run)) return `the conductors of ${itemAt(show.props, run.prop).name} run ${run.run}`;
  for (const lead of report.leads) {
    const feed = itemAt(show.feeds, lead.feed);
    const { fuseAmps } = feed;
    const amps = Math.abs(lead.amps) - 1e-9;
    if (fuseAmps !== undefined && amps > fuseAmps * FUSE_SHARE) return `a fuse of ${fuseAmps} A`;
    if (amps > lead.weakest.amps) return lead.weakest.words;
    if (hotPart(show, feed, lead) !== null) return `the wires of ${feed.name}`;
  }
  for (const { controller, amps, passesAmps, ports } of passedOn(plan, report)) {
    const { name } = itemAt(show.controllers, controller);
    if (amps > passesAmps.value + 1e-9) return `what ${name} passes on`;
    for (const { port, amps: portAmps, fuseAmps } of ports)
      if (fuseAmps !== undefined && portAmps > fuseAmps * FUSE_SHARE + 1e-9)
        return `the fuse of port ${port} of ${name}`;
  }
  for (const { supply, isOver, fuseRow } of report.supplies) {
    const { name, fuseRow: said } = itemAt(show.supplies, supply);
    if (isOver) return name;
    if (!fuseRow) continue;
    if (fuseRow.wantedAmps > fuseRow.carriesAmps + 1e-6) return `the pair of wires to the fuses of ${name}`;
    if (said?.fuseAmps !== undefined && fuseRow.wantedAmps > said.fuseAmps * FUSE_SHARE + 1e-9)
      return `the fuse before those of ${name}`;
  }
  return null;
}

/** The most level at which nothing is too much. More level never lowers a current or raises a voltage, so it is found by halving. */
export function safeLevel(plan: Plan, shown: Omit<Shown, 'level'>): SafeLevel {
  const at = (percent: number) => tooMuch(plan, powerReport(plan, { ...shown, level: percent / 100 }));
  const full = at(100);
  if (full === null) return { percent: 100, heldBackBy: null };
  let [low, high] = [0, 100];
  let heldBackBy = full;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const said = at(middle);
    if (said === null) low = middle;
    else [high, heldBackBy] = [middle, said];
  }
  return { percent: low, heldBackBy };
}
