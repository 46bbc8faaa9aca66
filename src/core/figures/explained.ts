import type { Lengths } from '../units/length';
import { quantity, type Unit } from '../units/quantity';
import type { StageId } from '../stages/stages';
import { basesWords, type Figure, type Standing } from './figure';

/** The place where a value is set or looked at, for a link to it. */
export interface Place {
  stage: StageId;
  subject?:
    | { kind: 'prop'; propId: string; run?: number }
    | { kind: 'controller'; controllerId: string }
    | { kind: 'port'; port: string };
  sheet?: string;
  /** Set in a list of the whole show. */
  list?: 'pixelTypes';
}

/**
 * A number that can say how it came about. It is made where the number is computed, by the operations below, which compute as they
 * explain: what is said is what was done.
 */
export interface Explained {
  /** In the words of the domain: `channels a pixel`. */
  name: string;
  value: number;
  unit: Unit;
  /** Its text where its unit alone does not say it: `U5 ch 301`. */
  text?: string;
  /** Absent for what is set, counted or measured as it stands. */
  formula?: Formula;
  /** The decision on the way, in whole sentences. */
  because?: string;
  /** Values besides the formula that the decision looked at. */
  seen?: readonly Explained[];
  place?: Place;
  /** The basis of an input, where it is a figure. */
  standing?: Standing;
  /** The source of the formula or the decision. */
  rule?: string;
}

export type Term = Explained | Formula;

/** An operation on terms. Its value was computed when it was made. */
interface Formula {
  operator: Operator;
  terms: readonly Term[];
  value: number;
}

type Operator = 'sum' | 'difference' | 'product' | 'quotient' | 'up' | 'down' | 'least' | 'most';

type Origin = { [Field in 'place' | 'because' | 'rule' | 'text' | 'seen']?: Explained[Field] | undefined };

/** A value that somebody set, or that is counted as it stands. */
export function given(name: string, value: number, unit: Unit, origin: Origin = {}): Explained {
  return { name, value, unit, ...origin };
}

/** A value that carries what it stands on. */
export function fromFigure(name: string, figure: Figure<number>, unit: Unit, place?: Place): Explained {
  const { value, ...standing } = figure;
  return { name, value, unit, standing, ...(place && { place }) };
}

/** A value that follows from others. */
export function computed(name: string, unit: Unit, formula: Formula, origin: Origin = {}): Explained {
  return { ...given(name, formula.value, unit, origin), formula };
}

const operation = (operator: Operator, terms: readonly Term[], value: number): Formula => ({
  operator,
  terms,
  value,
});

export const sum = (...terms: Term[]): Formula =>
  operation(
    'sum',
    terms,
    terms.reduce((total, term) => total + term.value, 0),
  );
export const product = (...terms: Term[]): Formula =>
  operation(
    'product',
    terms,
    terms.reduce((total, term) => total * term.value, 1),
  );
export const difference = (from: Term, ...less: Term[]): Formula =>
  operation(
    'difference',
    [from, ...less],
    less.reduce((rest, term) => rest - term.value, from.value),
  );
export const quotient = (over: Term, under: Term): Formula =>
  operation('quotient', [over, under], over.value / under.value);
export const least = (...terms: Term[]): Formula =>
  operation('least', terms, Math.min(...terms.map((term) => term.value)));
export const most = (...terms: Term[]): Formula =>
  operation('most', terms, Math.max(...terms.map((term) => term.value)));

/** A measured value that misses a whole number by rounding alone is that number. */
const SLACK = 1e-6;

/** Rounded up to whole numbers, or to whole multiples of a step. */
export const roundedUp = (term: Term, step?: Term): Formula =>
  operation(
    'up',
    step ? [term, step] : [term],
    Math.ceil(term.value / (step?.value ?? 1) - SLACK) * (step?.value ?? 1),
  );
/** Rounded down to whole numbers, or to whole multiples of a step. */
export const roundedDown = (term: Term, step?: Term): Formula =>
  operation(
    'down',
    step ? [term, step] : [term],
    Math.floor(term.value / (step?.value ?? 1) + SLACK) * (step?.value ?? 1),
  );

/** More terms than this are told by their number. */
const MOST_TERMS = 6;
const SIGNS: Partial<Record<Operator, string>> = {
  sum: ' + ',
  difference: ' − ',
  product: ' × ',
  quotient: ' ÷ ',
};
/** The higher, the tighter its terms hold together. */
const TIGHTNESS: Record<Operator, number> = {
  sum: 1,
  difference: 1,
  product: 2,
  quotient: 2,
  up: 3,
  down: 3,
  least: 3,
  most: 3,
};

function written(term: Term, leaf: (input: Explained) => string): string {
  if (!('operator' in term)) return leaf(term);
  const { operator, terms } = term;
  const inner = terms.slice(0, MOST_TERMS).map((each, i) => {
    const text = written(each, leaf);
    if (!('operator' in each) || TIGHTNESS[operator] === 3) return text;
    const tight = TIGHTNESS[each.operator];
    // A divisor or a subtrahend is one thing.
    const asOne = (operator === 'difference' || operator === 'quotient') && i > 0;
    return tight < TIGHTNESS[operator] || (asOne && tight <= TIGHTNESS[operator]) ? `(${text})` : text;
  });
  if (terms.length > MOST_TERMS) inner.push(`… ${terms.length - MOST_TERMS} more`);
  const sign = SIGNS[operator];
  if (sign) return inner.join(sign);
  if (operator === 'least' || operator === 'most')
    return `the ${operator === 'least' ? 'smallest' : 'largest'} of ${inner.join(', ')}`;
  const [what, step] = inner;
  return `(${what}) rounded ${operator}${step ? ` to whole ${step}` : ''}`;
}

/** `pixels × channels a pixel`; null for what is set. */
export function formulaInWords({ formula }: Explained): string | null {
  return formula ? written(formula, (input) => input.name) : null;
}

/** `150 px × 3 = 450 ch`; null for what is set. */
export function formulaInFigures(explained: Explained, lengths: Lengths): string | null {
  const text = (each: Explained) => textOf(each, lengths);
  return explained.formula ? `${written(explained.formula, text)} = ${text(explained)}` : null;
}

/** Inputs of a value, each once, in the order of the formula, and the others that were looked at. */
export function inputsOf({ formula, seen = [] }: Explained): Explained[] {
  const inputs = new Set<Explained>();
  const collect = (term: Term) => {
    if ('operator' in term) term.terms.forEach(collect);
    else inputs.add(term);
  };
  if (formula) collect(formula);
  seen.forEach((each) => inputs.add(each));
  return [...inputs];
}

/** The bases of a value, over everything that went into it. Empty where no figure did. */
export function standsOn(explained: Explained): string {
  const standings: Standing[] = [];
  const collect = (each: Explained) => {
    if (each.standing) standings.push(each.standing);
    inputsOf(each).forEach(collect);
  };
  collect(explained);
  return basesWords(standings);
}

/** The value as it is read. */
export function textOf({ text, value, unit }: Explained, lengths: Lengths): string {
  return text ?? quantity(value, unit, lengths);
}
