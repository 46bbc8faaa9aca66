import { expose } from 'comlink';
import { proposePatch, type ProposalWish } from '@/core/answers/ports/proposePatch';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';

const proposer = {
  propose(show: Show, wish: ProposalWish) {
    return proposePatch(planShow(show), wish);
  },
};

export type ProposeWorker = typeof proposer;

expose(proposer);
