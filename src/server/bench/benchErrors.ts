import type { SendQuestion } from '@/core/rig/benchState';

/** Something has to be agreed to first. */
export class BenchAsks extends Error {
  constructor(
    message: string,
    readonly question: SendQuestion,
  ) {
    super(message);
  }
}

/** A request that cannot be done; the sentence says why. */
export class BenchRefuses extends Error {}
