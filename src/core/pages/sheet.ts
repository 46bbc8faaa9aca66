import type { Lengths } from '../units/length';
import type { Block } from './block';
import type { Table } from './table';

/** Where a sheet is looked for. */
export const SHEET_GROUPS = ['build', 'thread', 'patch', 'feed', 'prove', 'buy', 'labels'] as const;
export type SheetGroup = (typeof SHEET_GROUPS)[number];

/** What a sheet is about. */
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
  /** Of what it says as rows; null for what is no table. */
  table: (() => Table<never>) | null;
  /** How its lengths are written, as the show says. */
  lengths?: Lengths;
  /** What is on it, made when it is asked for. */
  blocks: () => Block[];
}

/** What sheets need to know besides the show. */
export interface SheetsAsked {
  /** Under which address phones reach the program, where the show does not say it: `http://127.0.0.1:3000`. */
  origin: string;
  showId: string;
}
