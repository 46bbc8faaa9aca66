/** Ranks of problems, the worst first. */
export const RANKS = ['canBurn', 'canBreak', 'willNotLight', 'willLookWrong', 'worthKnowing'] as const;
export type Rank = (typeof RANKS)[number];

const RANK_WORDS: Readonly<Record<Rank, string>> = {
  canBurn: 'Can burn',
  canBreak: 'Can break',
  willNotLight: 'Will not light',
  willLookWrong: 'Will look wrong',
  worthKnowing: 'Worth knowing',
};

/** The words before the message of a finding: its rank, or that a step of the work has not been done yet. */
export const rankWords = (rank: Rank | null): string => (rank === null ? 'Next step' : RANK_WORDS[rank]);

/** Whether this has to be put right before the display lights as planned. */
export const isProblem = (rank: Rank | null): boolean => rank !== null && rank !== 'worthKnowing';

/** Things with a rank, the worst first and next steps last; within a rank they keep their order. */
export function byRank<Ranked extends { rank: Rank | null }>(list: readonly Ranked[]): Ranked[] {
  return [...RANKS, null].flatMap((rank) => list.filter((each) => each.rank === rank));
}
