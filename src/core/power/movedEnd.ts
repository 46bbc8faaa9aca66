import type { Plan } from '../plan/planned';

/** The end of a piece of a lead, at another pixel of its run. */
export interface MovedEnd {
  feedId: string;
  piece: number;
  pixel: number;
}

/** The plan as if the end of a lead were at another pixel; the plan itself where nothing is moved. No address follows from leads. */
export function withMoved(plan: Plan, moved: MovedEnd | null): Plan {
  if (!moved) return plan;
  const feeds = plan.show.feeds.map((feed) =>
    feed.id !== moved.feedId
      ? feed
      : {
          ...feed,
          pieces: feed.pieces.map((piece, i) =>
            i === moved.piece && piece.to.kind === 'pixel'
              ? { ...piece, to: { ...piece.to, pixel: moved.pixel } }
              : piece,
          ),
        },
  );
  return { ...plan, show: { ...plan.show, feeds } };
}
