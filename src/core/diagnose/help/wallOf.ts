import { layWall, type LaidWall } from '../../panels/wallFacts';
import type { Prop } from '../../props/registry';

/** A wall of panels as it is chained; null for any other prop. */
export const wallOf = (prop: Prop): LaidWall | null => (prop.kind === 'wall' ? layWall(prop) : null);
