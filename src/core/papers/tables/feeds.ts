import { connectorKind } from '../../catalogue/connector';
import { wireSize } from '../../catalogue/wire';
import type { Plan } from '../../plan/planned';
import { endWords, sourceWords } from '../../power/leadWords';
import { leadEndPlace, numberNoted, type ReadingPlace } from '../../power/readingPlaces';
import type { FedLead, PowerReport } from '../../power/report';
import type { Facts } from '../../show/facts';
import { formatAmps, formatVolts } from '../../units/electric';
import { formatLength } from '../../units/length';
import type { Table, Told } from '../../pages/table';
import { itemAt, valueIn } from '../../units/there';

/** A piece of a lead with what it carries at the level that is planned, and with everything at full white. */
interface ScheduleRow {
  feed: number;
  piece: number;
  planned: FedLead;
  worst: FedLead;
  /** Its end, as a place to read at. */
  end: ReadingPlace;
}

/** One row a piece, in the order of the leads. */
export function scheduleRows(
  plan: Plan,
  planned: PowerReport,
  worst: PowerReport,
  facts: Facts,
): ScheduleRow[] {
  const worstOf = new Map(worst.leads.map((lead) => [lead.feed, lead]));
  return planned.leads.flatMap((lead) => {
    const full = valueIn(worstOf, lead.feed);
    return itemAt(plan.show.feeds, lead.feed).pieces.map((_, piece) => ({
      feed: lead.feed,
      piece,
      planned: lead,
      worst: full,
      end: leadEndPlace(plan, facts, planned.shown, lead, piece),
    }));
  });
}

const fuseCell = (plan: Plan, { feed, worst }: ScheduleRow): Told => {
  const { fuseAmps, groundOnly } = itemAt(plan.show.feeds, feed);
  if (groundOnly) return { text: 'none', note: 'it joins grounds alone' };
  const fits = worst.fuse === null ? 'none fits: a cap, a thicker lead or a split' : `${worst.fuse} A fits`;
  if (fuseAmps === undefined) return { text: 'none', note: fits, mood: 'bad' };
  return fuseAmps === worst.fuse
    ? { text: `${fuseAmps} A` }
    : { text: `${fuseAmps} A`, note: fits, ...(worst.fuse === null && { mood: 'bad' as const }) };
};

/** Every lead, piece by piece: what is cut, joined and fused. */
export function scheduleTable(plan: Plan, rows: readonly ScheduleRow[], level: string): Table<ScheduleRow> {
  const { show } = plan;
  const of = (row: ScheduleRow) => itemAt(show.feeds, row.feed);
  const piece = (row: ScheduleRow) => itemAt(of(row).pieces, row.piece);
  return {
    name: 'Schedule of leads',
    rows,
    keyOf: ({ feed, piece: at }) => `${itemAt(show.feeds, feed).id} ${at}`,
    columns: [
      {
        id: 'lead',
        head: 'Lead',
        as: 'key',
        meaning: 'What is written on both of its ends',
        of: (row) => (row.piece === 0 ? of(row).name : `${of(row).name}, on`),
      },
      {
        id: 'from',
        head: 'From',
        meaning: 'Where this piece begins',
        of: (row) =>
          row.piece === 0
            ? sourceWords(show, of(row))
            : endWords(show, itemAt(of(row).pieces, row.piece - 1).to),
      },
      { id: 'to', head: 'To', meaning: 'Where it is joined', of: (row) => endWords(show, piece(row).to) },
      {
        id: 'worst',
        head: 'Amps',
        unit: 'all at full white',
        as: 'figure',
        meaning: 'What flows in it when everything is at full white; wires and fuses are sized for it',
        of: (row) => ampsCell(row.worst, row.piece),
      },
      {
        id: 'planned',
        head: 'Amps',
        unit: level,
        as: 'figure',
        meaning: 'What flows in it at the level that is planned',
        of: (row) => ampsCell(row.planned, row.piece),
      },
      {
        id: 'length',
        head: 'Length',
        unit: 'one way',
        as: 'figure',
        meaning: 'Of this piece; both conductors are so long',
        of: (row) => formatLength(piece(row).lengthMm, show.lengths),
      },
      {
        id: 'wire',
        head: 'Wire',
        meaning: 'Size of each conductor',
        of: (row) => wireSize(piece(row).wire).words,
      },
      {
        id: 'drop',
        head: 'Drop',
        unit: level,
        as: 'figure',
        meaning: 'Lost on both of its conductors',
        of: (row) => voltsCell(row.planned.pieces[row.piece]?.dropVolts),
      },
      {
        id: 'volts',
        head: 'Volts there',
        unit: level,
        as: 'figure',
        meaning: 'What a meter shows where the piece ends',
        of: (row) => voltsCell(row.planned.pieces[row.piece]?.voltsAtEnd),
      },
      {
        id: 'read',
        head: 'Read',
        unit: level,
        as: 'figure',
        meaning: 'What the meter showed there',
        of: ({ end: { noted } }) => {
          const read = numberNoted(noted);
          return read === null ? null : formatVolts(read);
        },
      },
      {
        id: 'fuse',
        head: 'Fuse',
        unit: 'at its source',
        as: 'figure',
        meaning: 'One for the lead, at its source',
        of: (row) => (row.piece === 0 ? fuseCell(plan, row) : null),
      },
      {
        id: 'connector',
        head: 'Weakest joint',
        meaning: 'The plug or joint that carries least',
        of: (row) => {
          const { connector } = of(row);
          return row.piece === 0 && connector !== undefined ? connectorKind(connector).words : null;
        },
      },
    ],
  };
}

function ampsCell(lead: FedLead, piece: number): Told | null {
  const carried = lead.pieces[piece];
  if (!carried) return { text: 'leads nowhere', mood: 'bad' };
  const isOver = Math.abs(carried.amps) > carried.carriesAmps;
  return {
    text: formatAmps(carried.amps),
    ...(isOver && { note: `its wire carries ${carried.carriesAmps} A`, mood: 'bad' as const }),
  };
}

const voltsCell = (volts: number | undefined) => (volts === undefined ? null : formatVolts(volts));
