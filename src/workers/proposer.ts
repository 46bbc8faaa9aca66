import type { PatchProposal, ProposalWish } from '@/core/answers/ports/proposePatch';
import type { Show } from '@/core/show/schema';
import type { ProposeWorker } from './propose.worker';
import { startThread } from './thread';

/** Proposes in a thread of its own; `stop` ends it in the middle of whatever it does. */
export interface Proposer {
  propose: (show: Show, wish: ProposalWish) => Promise<PatchProposal>;
  stop: () => void;
}

export function startProposer(): Proposer {
  const { remote, answer, stop } = startThread<ProposeWorker>(
    new Worker(new URL('./propose.worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    propose: (show, wish) => answer(remote.propose(show, wish) as unknown as Promise<PatchProposal>),
    stop,
  };
}
