import type { Prop, PropKindName } from '@/core/props/registry';
import { craft } from './craft';
import type { KindFace } from '../faces/face';
import { freeform } from './freeform';
import { grid } from './grid';
import { line } from './line';
import { ring } from './ring';
import { screen } from './screen';
import { tile } from './tile';
import { tree } from './tree';
import { wall } from './wall';

/** Face of each kind of prop; the compiler asks for a new one. */
const FACES: { [Kind in PropKindName]: KindFace<Kind> } = {
  line,
  ring,
  tree,
  grid,
  wall,
  tile,
  screen,
  craft,
  freeform,
};

/** The face of a prop. What it takes of a prop suits this one, since both are found by the kind. */
export function faceOf({ kind }: Pick<Prop, 'kind'>): KindFace {
  return FACES[kind] as KindFace;
}
