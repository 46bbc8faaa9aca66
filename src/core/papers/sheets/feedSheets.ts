import { capsOf } from '../../power/caps';
import { readingPlaces } from '../../power/readingPlaces';
import { plannedShown, standingReports } from '../../power/report';
import type { Plan } from '../../plan/planned';
import type { Facts } from '../../show/facts';
import { tableBlock } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import { limitersTable, patternsTable, supplyCapsTable } from '../tables/brightness';
import { scheduleRows, scheduleTable } from '../tables/feeds';
import { readingsTable } from '../tables/readings';
import { tableSheet } from './make';

const about = { kind: 'show' } as const;
const POWER =
  'Power off and plugs pulled before anything is joined. Each lead is fused at its source. The mains side of a supply stays closed; what has to be done there, and all fixed wiring, is for licensed people under local rules.';

/** Feeds, cuts, fuses and readings; nothing while the show has no feeds. */
export function feedSheets(plan: Plan, facts: Facts): Sheet[] {
  const { show } = plan;
  if (show.feeds.length === 0) return [];
  const schedule = () => {
    const { planned, worst } = standingReports(plan);
    const { levelPercent } = { levelPercent: 100, ...show.power };
    return scheduleTable(plan, scheduleRows(plan, planned, worst, facts), `at ${levelPercent} %`);
  };
  const readings = () => {
    const shown = plannedShown(show);
    return readingsTable(readingPlaces(plan, facts, shown, null), `at ${Math.round(shown.level * 100)} %`);
  };
  const boxes = [
    { head: 'Read', unit: 'by hand', as: 'write' },
    { head: 'OK', as: 'tick' },
  ] as const;
  return [
    tableSheet({
      id: 'feeds',
      name: 'Schedule of leads',
      group: 'feed',
      about,
      isPaper: true,
      table: schedule,
      blocks: () => [
        { is: 'caution', words: POWER },
        tableBlock(schedule(), boxes),
        { is: 'blanks', words: ['Read by', 'on', 'Meter', 'Supply volts at rest'] },
      ],
    }),
    tableSheet({
      id: 'readings',
      name: 'Readings',
      group: 'feed',
      about,
      isPaper: true,
      table: readings,
      blocks: () => [
        {
          is: 'words',
          words:
            'Everything on at the level that stands beside each value; the tips of the meter go where the line says.',
        },
        tableBlock(readings(), boxes),
        { is: 'blanks', words: ['Read by', 'on'] },
      ],
    }),
    tableSheet({
      id: 'supply-caps',
      name: 'How bright each supply can have it',
      group: 'feed',
      about,
      isPaper: true,
      table: () => supplyCapsTable(plan, capsOf(plan).supplies),
    }),
    tableSheet({
      id: 'measured-patterns',
      name: 'What measured patterns draw',
      group: 'feed',
      about,
      table: () => patternsTable(plan, show.power?.patterns ?? [], capsOf(plan).supplies),
    }),
    tableSheet({
      id: 'limiters',
      name: 'Limiters of devices',
      group: 'feed',
      about,
      isPaper: true,
      table: () => limitersTable(plan, capsOf(plan).controllers),
    }),
  ];
}
