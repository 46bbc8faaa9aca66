import { z } from 'zod';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';

/** Function of a wire. */
export const WIRE_FUNCTIONS = ['plus', 'ground', 'data', 'clock', 'backup', 'dataBack', 'unused'] as const;
export type WireFunction = (typeof WIRE_FUNCTIONS)[number];

export const FUNCTION_WORDS: Record<WireFunction, string> = {
  plus: 'plus',
  ground: 'ground',
  data: 'data',
  clock: 'clock',
  backup: 'second data (backup)',
  dataBack: 'data back from the end',
  unused: 'not used',
};

const word = z.string().trim().max(30);

/** A wire of a joint, from a contact at one end to a contact at the other. Empty where nobody looked. */
const jointWireSchema = z.strictObject({
  function: z.enum(WIRE_FUNCTIONS),
  /** As it was found: colours of wire prove nothing. */
  colour: word,
  /** Printed on it or beside it: dots, a stripe, letters. */
  mark: word,
  /** The contact at either end, as it is counted or lettered there. */
  from: word,
  to: word,
});
export type JointWire = z.infer<typeof jointWireSchema>;

/** A plug or a joint, wire by wire. */
export const jointSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** The thing on either side: `port A1`, `first pixel of rail 1`. */
  fromWords: z.string().trim().max(60),
  toWords: z.string().trim().max(60),
  /** The prop that it belongs to; absent where it belongs to none. */
  propId: idSchema.optional(),
  /** It comes apart for storage. */
  opens: z.literal(true).optional(),
  wires: z.array(jointWireSchema).min(1).max(40),
  order: orderSchema,
});
export type Joint = z.infer<typeof jointSchema>;

/** Problems of a joint by itself, each in a sentence: a contact that two wires take, a function that two have. */
export function jointProblems({ wires }: Pick<Joint, 'wires'>): string[] {
  const problems: string[] = [];
  for (const end of ['from', 'to'] as const) {
    const taken = new Map<string, number>();
    wires.forEach((wire, i) => {
      const contact = wire[end].toLowerCase();
      if (contact === '') return;
      const other = taken.get(contact);
      if (other === undefined) taken.set(contact, i);
      else
        problems.push(
          `Contact ${wire[end]} is taken twice at the ${end === 'from' ? 'first' : 'second'} end, by wires ${other + 1} and ${i + 1}.`,
        );
    });
  }
  return problems;
}

/** A colour that means two things among some joints. */
export interface TwoMeanings {
  colour: string;
  meanings: { function: WireFunction; joints: string[] }[];
}

/** Colours that stand for more than one function, over all joints of a show. What is not used means nothing. */
export function coloursWithTwoMeanings(joints: readonly Pick<Joint, 'name' | 'wires'>[]): TwoMeanings[] {
  const byColour = new Map<string, Map<WireFunction, Set<string>>>();
  for (const joint of joints)
    for (const wire of joint.wires) {
      const colour = wire.colour.toLowerCase();
      if (colour === '' || wire.function === 'unused') continue;
      const meanings = byColour.get(colour) ?? new Map<WireFunction, Set<string>>();
      byColour.set(colour, meanings);
      meanings.set(wire.function, (meanings.get(wire.function) ?? new Set()).add(joint.name));
    }
  return [...byColour]
    .filter(([, meanings]) => meanings.size > 1)
    .map(([colour, meanings]) => ({
      colour,
      meanings: [...meanings].map(([fn, names]) => ({ function: fn, joints: [...names] })),
    }));
}
