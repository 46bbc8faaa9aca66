import type Database from 'better-sqlite3';
import { CHANNEL_MAP_COLUMNS, channelMapRows, headsOf } from '@/core/papers/channelMap';
import { SPAN_COLUMNS, spanRows } from '@/core/papers/spanList';
import { glanceOf } from '@/core/papers/glance';
import { powerAnswer } from '@/core/papers/powerAnswer';
import { diagnoseAnswer } from '@/core/papers/diagnoseAnswer';
import { rigAnswer } from '@/core/papers/rigAnswer';
import { VOLTAGE_COLUMNS, voltageRows } from '@/core/papers/voltages';
import { plannedShown } from '@/core/power/report';
import { pcapPieces } from '@/core/protocols/pcap';
import { captured, type CaptureAsked } from '@/core/rig/capture';
import { rigOf, rigSetup } from '@/core/rig/rigFacts';
import { planReport } from '@/core/papers/planReport';
import { withLengthsIn } from '@/core/units/length';
import { planShow } from '@/core/plan/plan';
import type { Plan } from '@/core/plan/planned';
import { lookUp } from '@/core/search/answer';
import { sheetsOf, tableAsJson } from '@/core/papers/sheets';
import { fileRows } from '@/core/papers/table';
import { Facts, currentFacts, type Fact } from '@/core/show/facts';
import { readShowFileText, readShowText, writeShowText } from '@/core/show/read';
import { csvChunks } from '../csv';
import { documentText } from '../documents';
import { photosIn } from '../photos';
import { Plans } from '../plans';
import { NoSuchSheet } from '../showErrors';
import { ShowRepository } from '../shows';

/** What takes long enough to hold up others, and is done in a thread of its own. `input` is the bytes of a request. */
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
  | { is: 'sheets'; showId: string }
  | { is: 'sheet'; showId: string; sheet: string; as: 'csv' | 'json' }
  | { is: 'reportOfFile'; input: Uint8Array }
  | { is: 'powerOfFile'; input: Uint8Array }
  | { is: 'rigOfFile'; input: Uint8Array }
  | { is: 'diagnoseFile'; input: Uint8Array }
  | { is: 'check'; input: Uint8Array };

/** What a job gives: pieces of the answer, made as fast as they are taken. */
export type Pieces = Iterator<Uint8Array>;

/** What is known of a show file that was checked, in front of its document. */
export interface CheckedFile {
  name: string;
  facts: Fact[];
  photoIds: string[];
}

const encoder = new TextEncoder();

function* once(text: string): Pieces {
  yield encoder.encode(text);
}

/** Does jobs against a database; the latest plans are kept, since one screen asks several questions of a plan. */
export class Worker {
  private repository: ShowRepository | undefined;
  private readonly plans = new Plans();

  /** @param open opens the database; what is asked about files needs none */
  constructor(private readonly open: () => Database.Database) {}

  private get shows(): ShowRepository {
    return (this.repository ??= new ShowRepository(this.open()));
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
          sheets: sheetsOf(plan, this.factsOf(job.showId)).map(({ id, name }) => ({ id, name })),
        }));
      case 'sheet': {
        const plan = this.planOf(job.showId, progress);
        return withLengthsIn(plan.show.lengths ?? 'metric', () => {
          const sheet = sheetsOf(plan, this.factsOf(job.showId)).find((each) => each.id === job.sheet);
          if (!sheet) throw new NoSuchSheet(job.sheet);
          if (job.as === 'json')
            return once(JSON.stringify({ id: sheet.id, name: sheet.name, ...tableAsJson(sheet.table()) }));
          // Made at once: how lengths are written holds only here, and no sheet is as long as a map of channels.
          const [heads, ...rows] = [...fileRows(sheet.table())];
          return csvChunks(heads!.map(String), rows[Symbol.iterator]());
        });
      }
      case 'showFile':
        return once(
          job.at === null
            ? writeShowText(this.shows.get(job.showId).show, this.shows.factsOf(job.showId))
            : writeShowText(this.shows.at(job.showId, job.at)),
        );
      case 'reportOfFile':
        return inWords(planShow(readShowText(textOf(job.input))), planReport);
      case 'powerOfFile':
        return once(JSON.stringify(powerAnswer(textOf(job.input))));
      case 'diagnoseFile':
        return once(JSON.stringify(diagnoseAnswer(textOf(job.input))));
      case 'rigOfFile':
        return once(JSON.stringify(rigAnswer(textOf(job.input))));
      case 'check': {
        const text = textOf(job.input);
        progress(0.1);
        const { show, facts } = readShowFileText(text);
        progress(0.8);
        const document = documentText(show);
        return checked({ name: show.name, facts, photoIds: photosIn(document) }, encoder.encode(document));
      }
    }
  }

  private factsOf(showId: string): Facts {
    return new Facts(currentFacts(this.shows.factsOf(showId)));
  }

  private planOf(showId: string, progress: (part: number) => void): Plan {
    const { sequence, show } = this.shows.get(showId);
    return this.plans.of(showId, sequence, show, progress);
  }
}

/** An answer with lengths written as its show has them. */
function inWords(plan: Plan, answer: (plan: Plan) => unknown): Pieces {
  return once(withLengthsIn(plan.show.lengths ?? 'metric', () => JSON.stringify(answer(plan))));
}

function* checked(file: CheckedFile, document: Uint8Array): Pieces {
  yield encoder.encode(JSON.stringify(file));
  yield document;
}

/** Bytes that are no UTF-8 are not JSON either, which is said where it is parsed. */
function textOf(bytes: Uint8Array): string {
  return new TextDecoder().decode(bytes);
}
