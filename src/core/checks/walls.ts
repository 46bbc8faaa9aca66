import type { LaidWall } from '../panels/laidWall';
import { layWall } from '../props/wall';
import type { Chaining } from '../panels/chains';
import type { Plan } from '../plan/planned';
import type { PropOf } from '../props/registry';
import { defineKindCheck, type Check, type Finding, type Mend } from './check';
import type { Rank } from './rank';

/** A wall, with ways to make findings about it. */
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

/** A check that looks at each wall of a show. */
export function defineWallCheck(
  id: string,
  meaning: string,
  look: (wall: WallOfShow, plan: Plan) => Omit<Finding, 'check'>[],
): Check {
  return defineKindCheck(id, 'wall', meaning, (prop, index, plan) => {
    const { chaining } = prop.threading;
    const rethread: WallOfShow['rethread'] = (label, change) => ({
      label,
      edit: { type: 'setThreading', propId: prop.id, threading: { ...prop.threading, ...change } },
    });
    const wall: WallOfShow = {
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
    };
    return look(wall, plan);
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
