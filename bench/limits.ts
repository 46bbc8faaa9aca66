// The cost of the limits of a show, step by step: each is done in a thread of its own, where it holds up nobody.
import { findingsOf, CHECKS } from '@/core/checks/registry';
import { NO_FACTS } from '@/core/show/facts';
import { channelMapRows } from '@/core/reports/channelMap';
import { planShow } from '@/core/plan/plan';
import { planReport } from '@/core/reports/planReport';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { csvChunks } from '@/server/csv';
import { readShow } from '@/core/show/read';
import { sized, table } from './report';
import { EXTREMES } from '../tests/unit/extremes';

const ms = (work: () => unknown) => {
  const start = performance.now();
  work();
  return Math.round(performance.now() - start);
};

const rows: Record<string, string | number>[] = [];
for (const [what, make] of sized(EXTREMES, EXTREMES.slice(0, 1))) {
  const show = make();
  const check = ms(() => readShow(show));
  let plan = planShow(show);
  const planning = ms(() => (plan = planShow(show)));
  const findings = ms(() => findingsOf(plan));
  const slowest = CHECKS.map((each) => ({ id: each.id, time: ms(() => each.find(plan, NO_FACTS)) })).sort(
    (a, b) => b.time - a.time,
  )[0]!;
  const report = ms(() => JSON.stringify(planReport(plan)));
  const settings = ms(() => plan.show.controllers.forEach((_, i) => deviceSettings(plan, i)));
  const map = ms(() => {
    for (const chunk of csvChunks(['x'], channelMapRows(plan))) void chunk;
  });
  rows.push({
    show: what,
    'check ms': check,
    'plan ms': planning,
    'findings ms': findings,
    'slowest check': `${slowest.id} ${slowest.time}`,
    'report ms': report,
    'settings ms': settings,
    'channel map ms': map,
  });
}
table('limits', rows);
