import { leadsOf } from '../../answers/site';
import { dataLinesOf } from '../../answers/dataLines';
import { trafficOf } from '../../answers/traffic';
import { findingsOf } from '../../checks/registry';
import { coloursWithTwoMeanings, jointProblems } from '../../catalogue/joint';
import { wantedRateOf } from '../../catalogue/packing';
import { allSent } from '../../devices/sent';
import { PART_GROUPS } from '../../catalogue/partName';
import { GROUP_WORDS } from '../../parts/part';
import { partsList } from '../../parts/partsList';
import type { Plan } from '../../plan/planned';
import type { Facts } from '../../show/facts';
import { countOf } from '../../units/number';
import { siteDrawing } from '../drawings/site';
import { tableBlock, type Block } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import { valuesTable } from '../tables/addresses';
import { dataWiresTable } from '../tables/dataWires';
import { socketsTable } from '../tables/devices';
import { jointTable, twoMeaningsWords } from '../tables/joints';
import { leadsTable } from '../tables/leads';
import { addressBook } from '../tables/network';
import { minutesWords, partsTable, priceWords } from '../tables/parts';
import { controllersTable } from '../tables/ports';
import { problemsTable } from '../tables/problems';
import { programRows, programTable } from '../tables/program';
import { sentTable } from '../tables/sent';
import { trafficTable } from '../tables/traffic';
import { paper, tableSheet } from './make';
import { socketRows } from './deviceSheets';

const about = { kind: 'show' } as const;

/** Sheets about the show as a whole, but for power. */
export function showSheets(plan: Plan, facts: Facts): Sheet[] {
  const { show } = plan;
  const leads = () => leadsTable(plan, leadsOf(plan));
  const network = () => addressBook(plan, wantedRateOf(show.addressing));
  const values = () =>
    valuesTable(
      plan,
      show.tasks.filter((task) => !facts.isTyped(task.controllerId, task.field, task.new)),
    );
  const parts = () => partsTable(partsList(plan));
  const problems = () => problemsTable(plan, findingsOf(plan, facts));
  const sent = () => sentTable(plan, allSent(plan));
  return [
    tableSheet({
      id: 'parts',
      name: 'Parts and labour',
      group: 'buy',
      about,
      isPaper: true,
      table: parts,
      blocks: () => partsBlocks(plan),
    }),
    paper({
      id: 'site',
      name: 'Site plan with leads',
      group: 'build',
      about,
      blocks: () => [
        { is: 'drawing', drawing: siteDrawing(plan), share: 0.6 },
        { is: 'heading', words: 'Leads from ports to first pixels' },
        tableBlock(leads(), [{ head: 'Laid', as: 'tick' }]),
      ],
    }),
    ...(show.joints.length > 0
      ? [
          paper({
            id: 'wiring',
            name: 'Wiring card',
            group: 'build',
            about,
            blocks: () => wiringBlocks(plan),
          }),
        ]
      : []),
    tableSheet({
      id: 'network',
      name: 'Network',
      group: 'patch',
      about,
      isPaper: true,
      table: network,
      blocks: () => [
        ...(show.sender
          ? [{ is: 'words' as const, words: `The sender is ${show.sender.name}, ${show.sender.ip}.` }]
          : []),
        tableBlock(network(), [{ head: 'Answers', as: 'tick' }]),
        {
          is: 'words',
          words:
            'An address stands in three places: in the device, in the router where it is reserved, and in the sender. Change all of them or none.',
        },
      ],
    }),
    tableSheet({
      id: 'sender',
      name: 'Sender: every universe',
      group: 'patch',
      about,
      isPaper: true,
      table: sent,
      blocks: () => [tableBlock(sent(), [{ head: 'Typed', as: 'tick' }])],
    }),
    tableSheet({
      id: 'program',
      name: 'Program: every run',
      group: 'patch',
      about,
      isPaper: true,
      table: () => programTable(programRows(plan)),
    }),
    tableSheet({
      id: 'controllers',
      name: 'Ports of the controllers',
      group: 'patch',
      about,
      isPaper: true,
      table: () => controllersTable(plan),
    }),
    tableSheet({
      id: 'values',
      name: 'Values to type again',
      group: 'patch',
      about,
      isPaper: true,
      table: values,
      blocks: () => [tableBlock(values(), [{ head: 'Typed', as: 'tick' }])],
    }),
    tableSheet({
      id: 'problems',
      name: 'Problems',
      group: 'prove',
      about,
      isPaper: true,
      table: problems,
      blocks: () => [tableBlock(problems(), [{ head: 'Done', as: 'tick' }])],
    }),
    tableSheet({
      id: 'data-wires',
      name: 'Data wires',
      group: 'feed',
      about,
      isPaper: true,
      table: () => dataWiresTable(plan, dataLinesOf(plan)),
    }),
    tableSheet({
      id: 'leads',
      name: 'Leads from ports to first pixels',
      group: 'build',
      about,
      table: leads,
    }),
    tableSheet({
      id: 'traffic',
      name: 'Traffic',
      group: 'prove',
      about,
      table: () => trafficTable(plan, trafficOf(plan)),
    }),
  ];
}

function partsBlocks(plan: Plan): Block[] {
  const list = partsList(plan);
  const { labour, cost, withoutPrice, currency } = list;
  return [
    {
      is: 'words',
      words: `${countOf(labour.joints, 'joint')} to solder, one for each end of a wire: about ${minutesWords(labour.minutes)} at ${labour.minutesPerJoint} minutes each, ${labour.isOwnPace ? 'your own pace' : 'a usual pace; time a few of yours'}.`,
    },
    ...(cost === null
      ? []
      : [
          {
            is: 'words' as const,
            words: `To buy: ${priceWords(cost, currency)}${withoutPrice > 0 ? `, and ${countOf(withoutPrice, 'part')} without a price` : ''}.`,
          },
        ]),
    {
      is: 'caution',
      words:
        'Closed, certified supplies only. Fuses are sized in Power for the wires that are planned: another wire wants another fuse.',
    },
    ...PART_GROUPS.flatMap((group): Block[] => {
      const lines = list.lines.filter((line) => line.group === group);
      const { columns, ...table } = partsTable({ ...list, lines });
      return lines.length === 0
        ? []
        : [
            { is: 'heading', words: GROUP_WORDS[group] },
            // The heading says the shelf.
            tableBlock({ ...table, columns: columns.filter(({ id }) => id !== 'shelf') }, [
              { head: 'Got', as: 'tick' },
            ]),
          ];
    }),
  ];
}

function wiringBlocks(plan: Plan): Block[] {
  const { joints, props } = plan.show;
  const doubtful = coloursWithTwoMeanings(joints);
  const colours = new Set(doubtful.map(({ colour }) => colour));
  return [
    {
      is: 'caution',
      words:
        'Power off. A colour of wire proves nothing: white is ground here and mains neutral there. Measure plus and ground at the open end before anything is joined.',
    },
    ...(doubtful.length > 0
      ? [
          {
            is: 'words' as const,
            words: `Colours with two meanings in this show: ${doubtful.map(twoMeaningsWords).join(' ')}`,
          },
        ]
      : []),
    ...joints.flatMap((joint): Block[] => {
      const prop = props.find(({ id }) => id === joint.propId)?.name;
      const unused = joint.wires.filter((wire) => wire.function === 'unused').length;
      return [
        { is: 'heading', words: joint.name },
        {
          is: 'words',
          words:
            [
              `${joint.fromWords || 'First end'} to ${joint.toWords || 'second end'}`,
              prop && `on ${prop}`,
              joint.opens && 'comes apart for storage',
              unused > 0 && `${countOf(unused, 'contact')} not used`,
            ]
              .filter(Boolean)
              .join(', ') + `. ${jointProblems(joint).join(' ')}`,
        },
        tableBlock(jointTable(joint, colours), [{ head: 'Measured', as: 'tick' }]),
      ];
    }),
    ...plan.show.controllers.flatMap((controller, index): Block[] => {
      const rows = socketRows(plan, index);
      return rows.some(({ label, software, header }) => label ?? software ?? header)
        ? [
            { is: 'heading', words: `Pins of ${controller.name}` },
            tableBlock(socketsTable(controller.name, rows)),
          ]
        : [];
    }),
  ];
}
