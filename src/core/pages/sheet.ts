import type { Lengths } from '../units/length';
import type { Block } from './block';
import type { Table } from './table';

/** Groups in which sheets are listed. */
export const SHEET_GROUPS = ['build', 'thread', 'patch', 'feed', 'prove', 'buy', 'labels'] as const;
export type SheetGroup = (typeof SHEET_GROUPS)[number];

/** The subject of a sheet. */
type SheetAbout =
  { kind: 'show' } | { kind: 'prop'; propId: string } | { kind: 'controller'; controllerId: string };

/** A sheet of a show: it is known by its id, on the screen, on paper and as a file. */
export interface Sheet {
  id: string;
  name: string;
  group: SheetGroup;
  about: SheetAbout;
  /** From which side it is seen; null where it has no sides. */
  side: string | null;
  /** It is printed with all others; what is not is a table for other programs, printed where somebody asks for it. */
  isPaper: boolean;
  /** It is taped up or carried as one page: letters get smaller before there is a second one. */
  isOnePage?: true;
  /** Its rows; null for a sheet that is no table. */
  table: (() => Table<never>) | null;
  /** Units of its lengths, as the show says. */
  lengths?: Lengths;
  /** Its contents, made when they are asked for. */
  blocks: () => Block[];
}

/** Facts besides the show that sheets need. */
export interface SheetsAsked {
  /** Under which address phones reach the program, where the show does not say it: `http://127.0.0.1:3000`. */
  origin: string;
  showId: string;
}
