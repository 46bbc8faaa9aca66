import { FUSE_SHARE } from '../catalogue/fuse';
import type { Plan } from '../plan/planned';
import { powerReport, type PowerReport } from './report';
import type { Shown } from './shown';
import { itemAt } from '../units/there';

/** How bright a show may be with the feeds that it has, and what holds it back. */
interface SafeLevel {
  /** The byte at the chips in whole percent, rounded down; 0 where even dark is too much. */
  percent: number;
  /** What would be too much at one percent more; null at 100. */
  heldBackBy: string | null;
}

/** What of a report is too much: a pixel too low, a lead above its fuse or its parts, a supply above what it carries for hours. Null where nothing is. */
export function tooMuch(plan: Plan, report: PowerReport): string | null {
  const { show } = plan;
  for (const run of report.runs)
    if (run.below > 0)
      return `${itemAt(show.props, run.prop).name}${run.run === null ? '' : ` run ${run.run}`}`;
  for (const lead of report.leads) {
    const { fuseAmps } = itemAt(show.feeds, lead.feed);
    const amps = Math.abs(lead.amps) - 1e-9;
    if (fuseAmps !== undefined && amps > fuseAmps * FUSE_SHARE) return `a fuse of ${fuseAmps} A`;
    if (amps > lead.weakest.amps) return lead.weakest.words;
  }
  for (const supply of report.supplies) if (supply.isOver) return itemAt(show.supplies, supply.supply).name;
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
