import { PAPER_MM, type PaperSize } from '../catalogue/paper';
import { ptOf } from './ink';
import { mapTuple } from '../units/tuple';

/** A page with what is free for its work between head and foot, in points. */
export interface PageRoom {
  widthPt: number;
  heightPt: number;
  leftPt: number;
  rightPt: number;
  topPt: number;
  bottomPt: number;
}

const MARGIN_MM = 13;
/** Show, sheet and code of the sheet. */
const HEAD_PT = 62;
/** Added where the page says in large type from which side it is seen. */
export const SIDE_PT = 34;
const FOOT_PT = 22;

export function pageRoom(size: PaperSize, isLandscape: boolean, hasSide: boolean): PageRoom {
  const [short, long] = mapTuple(PAPER_MM[size], ptOf);
  const [widthPt, heightPt] = isLandscape ? [long, short] : [short, long];
  const marginPt = ptOf(MARGIN_MM);
  return {
    widthPt,
    heightPt,
    leftPt: marginPt,
    rightPt: widthPt - marginPt,
    topPt: marginPt + HEAD_PT + (hasSide ? SIDE_PT : 0),
    bottomPt: heightPt - marginPt - FOOT_PT,
  };
}
