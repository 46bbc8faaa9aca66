import type { Lengths } from '../units/length';
import { formulaInFigures, formulaInWords, standsOn, textOf, type Explained } from '../figures/explained';

/** The numbers of a sheet that are explained at its end, each way of coming about once. */
export class Footnotes {
  /** @param lengths how they are written */
  constructor(private readonly lengths: Lengths) {}

  private readonly numbers = new Map<string, number>();
  readonly words: string[] = [];

  /** Number of the footnote, from 1; the same for the same derivation. Null for a value that is only set. */
  numberOf(explained: Explained): number | null {
    const formula = formulaInWords(explained);
    if (formula === null && !explained.because && !explained.rule) return null;
    const key = `${explained.name} ${formula} ${explained.rule ?? ''}`;
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    const number = this.numbers.size + 1;
    this.numbers.set(key, number);
    const figures = formulaInFigures(explained, this.lengths);
    const stands = standsOn(explained);
    this.words.push(
      [
        `${number}  ${explained.name}${formula === null ? `: ${textOf(explained, this.lengths)}` : ` = ${formula}`}.`,
        figures !== null && `As at the first: ${figures}.`,
        explained.because,
        explained.rule,
        stands && `It stands on: ${stands}.`,
      ]
        .filter(Boolean)
        .join(' '),
    );
    return number;
  }
}
