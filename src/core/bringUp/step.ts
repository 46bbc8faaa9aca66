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
  /** What is to be seen or read. */
  expect: string;
  /** What it means where it is otherwise. */
  otherwise: string;
  caution: string | null;
  /** Where it is otherwise nothing after it is gone on with. */
  isStop: boolean;
  picture: ExpectedPicture | null;
  /** How bright it is sent, in percent; null where the trial says so, or nothing is sent. */
  percent: number | null;
  /** The trial of the search that this is; null where the search has none. */
  trial: string | null;
  /** Volts that are read, with what they are to be. */
  volts: { least: number; most: number; planned: number } | null;
  /** Leads of which one may be what is otherwise: it is kept against that lead too. */
  leads: readonly { id: string; name: string }[];
  /** It is one of the four steps of a device that are ticked elsewhere too. */
  deviceStep: 'saved' | 'restarted' | null;
  /** What it was checked with: where that changes, it is to be done again. */
  holds: unknown;
}
