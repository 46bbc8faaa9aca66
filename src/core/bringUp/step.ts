/** The stages of bringing something up, in the order in which they are gone through: what is wrong in one hides what is wrong in the next. */
export const BRING_UP_STAGES = [
  'before',
  'power',
  'reach',
  'building',
  'count',
  'colour',
  'place',
  'packing',
  'full',
] as const;
type BringUpStage = (typeof BRING_UP_STAGES)[number];

export const STAGE_WORDS: Record<BringUpStage, string> = {
  before: 'Before the first plug',
  power: 'Power',
  reach: 'Reach',
  building: 'While it is built',
  count: 'Count',
  colour: 'Colour order',
  place: 'Place and turn',
  packing: 'Packing and movement',
  full: 'Full level and a power cut',
};

/** Something of the show of which a step says something. */
interface StepThing {
  list: 'props' | 'controllers' | 'feeds';
  recordId: string;
}

/** A picture that is to be seen: a code for each light of the prop in data order. */
export type ExpectedPicture =
  | { by: 'trial'; trial: string }
  /** White up to a light, and dark behind it. */
  | { by: 'upTo'; lights: number }
  | { by: 'dark' };

/** One step of bringing a device or a prop up. */
export interface BringUpStep {
  /** The same for the same step of a thing, whatever else changes. */
  id: string;
  thing: StepThing;
  stage: BringUpStage;
  name: string;
  does: string;
  /** The result to see or to read. */
  expect: string;
  /** The meaning of another result. */
  otherwise: string;
  caution: string | null;
  /** With another result, no later step is taken. */
  isStop: boolean;
  picture: ExpectedPicture | null;
  /** Level in percent; null where the trial says it, or nothing is sent. */
  percent: number | null;
  /** The trial of the search that this is; null where the search has none. */
  trial: string | null;
  /** Volts that are read, with what they are to be. */
  volts: { least: number; most: number; planned: number } | null;
  /** Leads of which one may be what is otherwise: it is kept against that lead too. */
  leads: readonly { id: string; name: string }[];
  /** It is one of the four steps of a device that are ticked elsewhere too. */
  deviceStep: 'saved' | 'restarted' | null;
  /** The state that it was checked with: where that changes, it is done again. */
  holds: unknown;
}
