import path from 'node:path';
import { workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';
import type { Plan } from '@/core/plan/planned';
import type { Rig } from '@/core/rig/rig';
import { rigOf, rigSetup } from '@/core/rig/rigFacts';
import { currentFacts, Facts } from '@/core/show/facts';
import { Plans } from '../plans';
import { ShowRepository } from '../shows';

/** In a thread of the bench: shows as they are kept, planned. */
export class OpenedShow {
  private readonly shows = new ShowRepository(
    new Database(path.join((workerData as { folder: string }).folder, 'rapid-lantern.sqlite'), {
      readonly: true,
    }),
  );
  private readonly plans = new Plans();

  plan(showId: string): Plan {
    const { sequence, show } = this.shows.get(showId);
    return this.plans.of(showId, sequence, show, () => {});
  }

  /** The display of a show with what is the matter with it. */
  rig(showId: string): Rig {
    const facts = new Facts(currentFacts(this.shows.factsOf(showId)));
    return rigOf(this.plan(showId), rigSetup(facts));
  }
}
