import type { Chaining } from '../panels/chains';
import { layWall, type LaidWall } from '../panels/wallFacts';
import type { Plan } from '../plan/planned';
import type { PropOf } from '../props/registry';
import type { Finding, Mend } from './check';
import type { Rank } from './rank';

/** What a check of panel walls looks at. */
interface WallOfShow {
  /** Index of the prop in the show. */
  index: number;
  prop: PropOf<'wall'>;
  laid: LaidWall;
  /** A finding about this wall, on the stage where its chains are. */
  finding: (rank: Rank, message: string, mends: Mend[], stage?: Finding['stage']) => Omit<Finding, 'check'>;
  /** The edit that changes its threading. */
  rethread: (label: string, change: Partial<PropOf<'wall'>['threading']>) => Mend;
  /** Lays the chains anew by a design, keeping the entry where there is one; no mend where that would not help. */
  layAnew: (label: string, style: 'lineEach' | 'zigzag', helps: (after: LaidWall) => boolean) => Mend[];
}

/** Runs a look over every wall of a show. */
export function eachWall(
  plan: Plan,
  look: (wall: WallOfShow) => Omit<Finding, 'check'>[],
): Omit<Finding, 'check'>[] {
  return plan.show.props.flatMap((prop, index) => {
    if (prop.kind !== 'wall') return [];
    const { chaining } = prop.threading;
    const rethread: WallOfShow['rethread'] = (label, change) => ({
      label,
      edit: { type: 'setThreading', propId: prop.id, threading: { ...prop.threading, ...change } },
    });
    return look({
      index,
      prop,
      laid: layWall(prop),
      finding: (rank, message, mends, stage = 'route') => ({
        rank,
        stage,
        propId: prop.id,
        message: `${prop.name}: ${message}`,
        mends,
      }),
      rethread,
      layAnew: (label, style, helps) => {
        const design: Chaining =
          chaining.by === 'design'
            ? { ...chaining, style }
            : { by: 'design', style, along: 'rows', entry: 'topLeft' };
        const threading = { ...prop.threading, chaining: design };
        return helps(layWall({ ...prop, threading })) ? [rethread(label, { chaining: design })] : [];
      },
    });
  });
}

/** `2.3`: row and column as seen from the front, from 1. */
function cellWords(cell: number, columns: number): string {
  return `${Math.floor(cell / columns) + 1}.${(cell % columns) + 1}`;
}

export function cellsWords(cells: readonly number[], columns: number): string {
  const shown = cells.slice(0, 6).map((cell) => cellWords(cell, columns));
  return `${shown.join(', ')}${cells.length > 6 ? ` and ${cells.length - 6} more` : ''}`;
}
