import type Database from 'better-sqlite3';
import { CHANNEL_MAP_COLUMNS, channelMapRows, headsOf } from '@/core/reports/channelMap';
import { SPAN_COLUMNS, spanRows } from '@/core/reports/spanList';
import { glanceOf } from '@/core/reports/glance';
import { powerAnswer } from '@/core/reports/powerAnswer';
import { diagnoseAnswer } from '@/core/reports/diagnoseAnswer';
import { rigAnswer } from '@/core/reports/rigAnswer';
import { VOLTAGE_COLUMNS, voltageRows } from '@/core/reports/voltages';
import { plannedShown } from '@/core/power/report';
import { pcapPieces } from '@/core/protocols/pcap';
import { captured, type CaptureAsked } from '@/core/rig/capture';
import { rigOf, rigSetup } from '@/core/rig/rigFacts';
import { planReport } from '@/core/reports/planReport';
import { logEntry } from '@/core/log/entry';
import { LOG_HEADS, logRow } from '@/core/log/rows';
import { changedWords, comparePlanned } from '@/core/revisions/compare';
import { namedRevisions } from '@/core/revisions/named';
import { seasonStart } from '@/core/revisions/season';
import { planShow } from '@/core/plan/plan';
import type { Plan } from '@/core/plan/planned';
import { lookUp } from '@/core/search/answer';
import { changesSince, markedSheets, readMark, sheetWithMark } from '@/core/papers/mark';
import type { Sheet } from '@/core/pages/sheet';
import { sheetAsJson, sheetRows, sheetsOf } from '@/core/papers/sheets';
import { ShowError } from '@/core/fields/problem';
import { Facts, currentFacts } from '@/core/show/facts';
import { readOlderFileText } from '@/core/plan/keptAddresses';
import { writeShowText } from '@/core/show/read';
import { mapTuple } from '@/core/units/tuple';
import { checkedArchive } from '../archive/check';
import { collected } from '../archive/collect';
import type { ArchiveHead } from '../archive/format';
import type { CheckedFile } from '../checkedFile';
import { csvChunks } from '../csv';
import { documentText } from '../documents';
import { photosIn } from '../photos';
import { pdfPieces } from '../papers/pdf';
import { printJob, sheetSvg, type BinderOf, type PrintAsked } from '../papers/print';
import { Plans } from '../plans';
import { NoSuchSheet } from '../showErrors';
import { ShowRepository } from '../shows';

/** Work that takes long enough to hold up others, done in a thread of its own. `input` is the bytes of a request. */
export type Job =
  | { is: 'channelMap'; showId: string }
  | { is: 'spans'; showId: string }
  /** `level` from 0 to 1; null for the one that the show is planned for. */
  | { is: 'voltages'; showId: string; level: number | null }
  | { is: 'capture'; showId: string; asked: CaptureAsked }
  | { is: 'showFile'; showId: string; at: number | null }
  | { is: 'report'; showId: string }
  | { is: 'lookUp'; showId: string; query: string }
  | { is: 'glance'; showId: string }
  | { is: 'sheets'; showId: string; asked: PrintAsked }
  | { is: 'sheet'; showId: string; sheet: string; as: 'csv' | 'json' | 'svg'; asked: PrintAsked }
  | { is: 'print'; showId: string; sheet: string; of: BinderOf; asked: PrintAsked }
  /** Whether a sheet that was printed says what the plan says now. */
  | { is: 'printed'; showId: string; mark: string; asked: PrintAsked }
  /** Differences between the show after one change and after another. */
  | { is: 'compare'; showId: string; from: number; to: number }
  /** Another season’s show of this one, as a file. */
  | { is: 'season'; showId: string; name: string; keepsLocks: boolean; at: string }
  | { is: 'log'; showId: string }
  /** All files of an archive. */
  | { is: 'archive'; showId: string }
  /** Whether an archive holds a show: its show file as input, and its history. */
  | { is: 'checkArchive'; input: Uint8Array; history: Uint8Array; head: ArchiveHead }
  | { is: 'reportOfFile'; input: Uint8Array }
  | { is: 'powerOfFile'; input: Uint8Array }
  | { is: 'rigOfFile'; input: Uint8Array }
  | { is: 'diagnoseFile'; input: Uint8Array }
  | { is: 'check'; input: Uint8Array };

/** Pieces of an answer, made as fast as they are taken. */
export type Pieces = Iterator<Uint8Array>;

const encoder = new TextEncoder();

function* once(text: string): Pieces {
  yield encoder.encode(text);
}

/** Does jobs against a database; the latest plans are kept, since one screen asks several questions of a plan. */
export class Worker {
  private opened: Database.Database | undefined;
  private repository: ShowRepository | undefined;
  private readonly plans = new Plans();

  /** @param open opens the database; what is asked about files needs none */
  constructor(private readonly open: () => Database.Database) {}

  private get db(): Database.Database {
    return (this.opened ??= this.open());
  }

  private get shows(): ShowRepository {
    return (this.repository ??= new ShowRepository(this.db));
  }

  /**
   * @param progress told how much is done, from 0 to 1
   * @throws whatever the answer to a request knows how to say
   */
  start(job: Job, progress: (part: number) => void): Pieces {
    switch (job.is) {
      case 'channelMap':
        return csvChunks(headsOf(CHANNEL_MAP_COLUMNS), channelMapRows(this.planOf(job.showId, progress)));
      case 'spans':
        return csvChunks(headsOf(SPAN_COLUMNS), spanRows(this.planOf(job.showId, progress)));
      case 'voltages': {
        const plan = this.planOf(job.showId, progress);
        const shown = plannedShown(plan.show);
        return csvChunks(
          headsOf(VOLTAGE_COLUMNS),
          voltageRows(plan, { ...shown, level: job.level ?? shown.level }),
        );
      }
      case 'capture': {
        const plan = this.planOf(job.showId, progress);
        const { sender } = rigOf(plan, rigSetup(this.factsOf(job.showId)));
        return pcapPieces(captured(plan, sender, job.asked));
      }
      case 'report':
        return inWords(this.planOf(job.showId, progress), planReport);
      case 'lookUp':
        return inWords(this.planOf(job.showId, progress), (plan) => lookUp(plan, job.query));
      case 'glance':
        return inWords(this.planOf(job.showId, progress), (plan) => glanceOf(plan, this.factsOf(job.showId)));
      case 'sheets':
        return inWords(this.planOf(job.showId, progress), (plan) => ({
          sheets: sheetsOf(plan, this.factsOf(job.showId), job.asked).map(
            ({ id, name, group, about, side, isPaper }) => ({
              id,
              name,
              group,
              about,
              side,
              isPaper,
            }),
          ),
        }));
      case 'sheet': {
        const plan = this.planOf(job.showId, progress);
        const facts = this.factsOf(job.showId);
        if (job.as === 'svg') return once(sheetSvg(plan, facts, job.sheet, job.asked));
        const sheet = sheetsOf(plan, facts, job.asked).find((each) => each.id === job.sheet);
        if (!sheet) throw new NoSuchSheet(job.sheet);
        if (job.as === 'json') return once(JSON.stringify(sheetAsJson(sheet)));
        const [heads, ...rows] = sheetRows(sheet);
        return csvChunks((heads ?? []).map(String), rows[Symbol.iterator]());
      }
      case 'print': {
        const { sequence, show } = this.shows.get(job.showId);
        const plan = this.plans.of(job.showId, sequence, show, (part) => progress(part * PLANNING));
        const facts = this.factsOf(job.showId);
        return pdfPieces(printJob(plan, facts, sequence, job.sheet, job.of, job.asked), (part) =>
          progress(PLANNING + (1 - PLANNING) * part),
        );
      }
      case 'printed':
        return once(JSON.stringify(this.printed(job.showId, job.mark, job.asked, progress)));
      case 'compare': {
        const [before, after] = mapTuple([job.from, job.to] as const, (sequence) =>
          planShow(this.shows.at(job.showId, sequence)),
        );
        progress(0.6);
        return inWords(after, () => comparePlanned(before, after));
      }
      case 'season':
        return this.season(job, progress);
      case 'log': {
        const { show } = this.shows.get(job.showId);
        const rows = this.shows.factsOf(job.showId).map((fact) => logRow(logEntry(show, fact)));
        return csvChunks(LOG_HEADS, rows[Symbol.iterator]());
      }
      case 'showFile':
        return once(
          job.at === null
            ? writeShowText(this.shows.get(job.showId).show, this.shows.factsOf(job.showId))
            : writeShowText(this.shows.at(job.showId, job.at)),
        );
      case 'reportOfFile':
        return inWords(planShow(readOlderFileText(textOf(job.input)).show), planReport);
      case 'powerOfFile':
        return once(JSON.stringify(powerAnswer(textOf(job.input))));
      case 'diagnoseFile':
        return once(JSON.stringify(diagnoseAnswer(textOf(job.input))));
      case 'rigOfFile':
        return once(JSON.stringify(rigAnswer(textOf(job.input))));
      case 'archive':
        return collected(this.db, job.showId);
      case 'checkArchive':
        return encoded(checkedArchive(job.head, textOf(job.input), textOf(job.history)));
      case 'check': {
        const text = textOf(job.input);
        progress(0.1);
        const { show, facts } = readOlderFileText(text);
        progress(0.8);
        const document = documentText(show);
        return checked({ name: show.name, facts, photoIds: photosIn(document) }, encoder.encode(document));
      }
    }
  }

  /** @throws ShowError for what is no mark, NoSuchChange for a revision that the show has not had */
  private printed(
    showId: string,
    typed: string,
    asked: PrintAsked,
    progress: (part: number) => void,
  ): PrintedAnswer {
    const mark = readMark(typed);
    if (!mark)
      throw new ShowError(
        `“${typed.slice(0, 40)}” is no mark of a sheet: it stands below the show’s name, as 41-K7QF2.`,
      );
    const now = this.planOf(showId, progress);
    const { sequence } = this.shows.get(showId);
    const current = sheetWithMark(now, asked, mark.letters);
    if (current)
      return { ...answerOf(current), revision: mark.revision, now: sequence, isCurrent: true, changes: [] };
    const before = planShow(this.shows.at(showId, mark.revision));
    const printed = sheetWithMark(before, asked, mark.letters);
    if (!printed)
      throw new ShowError(
        `No sheet of revision ${mark.revision} has the letters ${mark.letters}: look whether they were read off rightly.`,
      );
    const same = markedSheets(now, asked).get(printed.id);
    return {
      ...answerOf(printed),
      revision: mark.revision,
      now: sequence,
      isCurrent: false,
      changes: same ? changesSince(printed, same) : ['The show has no such sheet any more.'],
    };
  }

  /** A show file with its head, as one that was checked. */
  private season(
    { showId, name, keepsLocks, at }: Extract<Job, { is: 'season' }>,
    progress: (part: number) => void,
  ): Pieces {
    const { sequence, show } = this.shows.get(showId);
    const facts = this.shows.factsOf(showId);
    const [hung] = namedRevisions(new Facts(currentFacts(facts)));
    const changed = hung
      ? changedWords(
          comparePlanned(planShow(this.shows.at(showId, hung.sequence)), this.planOf(showId, progress)),
        )
      : [];
    const from = { showId, show: show.name, sequence, at, changed };
    const start = seasonStart(show, facts, name, from, keepsLocks);
    const document = documentText(start.show);
    return checked({ name, facts: start.facts, photoIds: photosIn(document) }, encoder.encode(document));
  }

  private factsOf(showId: string): Facts {
    return new Facts(currentFacts(this.shows.factsOf(showId)));
  }

  private planOf(showId: string, progress: (part: number) => void): Plan {
    const { sequence, show } = this.shows.get(showId);
    return this.plans.of(showId, sequence, show, progress);
  }
}

/** The share of a print that is planning. */
const PLANNING = 0.1;

/** Whether a sheet still holds, as it is answered. */
interface PrintedAnswer {
  sheet: string;
  name: string;
  /** The revision that was printed, and the one that stands now. */
  revision: number;
  now: number;
  isCurrent: boolean;
  /** Differences now, line by line. */
  changes: string[];
}

const answerOf = ({ id, name }: Sheet) => ({ sheet: id, name });

function inWords(plan: Plan, answer: (plan: Plan) => unknown): Pieces {
  return once(JSON.stringify(answer(plan)));
}

function* checked(file: CheckedFile, document: Uint8Array): Pieces {
  yield encoder.encode(JSON.stringify(file));
  yield document;
}

function* encoded(texts: Iterable<string>): Pieces {
  for (const text of texts) yield encoder.encode(text);
}

/** Bytes that are no UTF-8 are not JSON either, which is said where it is parsed. */
function textOf(bytes: Uint8Array): string {
  return new TextDecoder().decode(bytes);
}
