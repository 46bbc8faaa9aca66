import type { ListName } from '../../show/records';

/** Letters and figures that are not taken for one another. */
export const LETTERS = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
/** Hardly two of ten thousand things have the same six letters. */
const LENGTH = 6;

/** A short word for a text, always the same for the same one (FNV-1a over 64 bits, folded into letters). */
export function shortCode(text: string, length = LENGTH): string {
  let hash = 0xcbf29ce484222325n;
  for (let i = 0; i < text.length; i += 1)
    hash = BigInt.asUintN(64, (hash ^ BigInt(text.charCodeAt(i))) * 0x100000001b3n);
  let word = '';
  for (let i = 0; i < length; i += 1) {
    word += LETTERS[Number(hash % BigInt(LETTERS.length))];
    hash /= BigInt(LETTERS.length);
  }
  return word;
}

/** A thing that a label is stuck to. */
export interface LabelledThing {
  list: ListName;
  recordId: string;
  /** Which part of it: `port 3`, `strand 4`, `end`; empty for all of it. */
  part: string;
}

/** The code of a thing. It goes by the record's id, so it survives renames. */
export function codeOfThing({ list, recordId, part }: LabelledThing): string {
  return shortCode(`${list} ${recordId} ${part}`);
}

/** A typed code as it is compared: capitals, without spaces and hyphens, letters that look alike taken for those that are used. */
export function readCode(text: string): string {
  return text.toUpperCase().replace(/[\s-]/g, '');
}
