import type { Table } from './table';
import type { Drawing } from './drawing';
import type { LabelSheet } from './label';

/** Room for handwriting: a box to tick, or a line. */
export interface WriteColumn {
  head: string;
  unit?: string;
  as: 'tick' | 'write';
}

/** A step of work with a box to tick and, where something is read, room for it. */
export interface PaperStep {
  words: string;
  /** Why, or what is to be seen. */
  why: string | null;
  caution?: string | null;
  /** Room to write in, each with its head: `volts`. */
  write?: readonly string[];
  /** It is done already. */
  isDone?: boolean;
  /** Work ends here where it is otherwise. */
  isStop?: boolean;
}

/** A part of a sheet, as the screen and paper show it. */
export type Block =
  | { is: 'heading'; words: string }
  | { is: 'words'; words: string }
  | { is: 'caution'; words: string }
  /** Handwriting about the whole: who, when. */
  | { is: 'blanks'; words: readonly string[] }
  | { is: 'table'; table: Table<never>; write?: readonly WriteColumn[] }
  | { is: 'steps'; steps: readonly PaperStep[] }
  | {
      is: 'drawing';
      drawing: Drawing;
      /** Share of the page, at most. */
      share: number;
    }
  | { is: 'labels'; labels: LabelSheet }
  | { is: 'newPage' };

/** A table of any kind of rows as a part of a sheet: rows are only ever handed back to the columns that came with them. */
export function tableBlock<Row>(table: Table<Row>, write?: readonly WriteColumn[]): Block {
  return { is: 'table', table: table as unknown as Table<never>, ...(write && { write }) };
}
