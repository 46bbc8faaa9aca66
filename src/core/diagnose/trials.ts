import { channelsPerPixel } from '../catalogue/pixelType';
import { patternById } from '../patterns/registry';
import type { Plan } from '../plan/planned';
import { isPanelled } from '../props/registry';
import { propAt, plannedAt } from '../plan/records';

/** A moment of a pattern that is looked at. */
interface TrialMoment {
  timeS: number;
  step: number | null;
}

/** Something that can be tried or looked at. */
export interface Trial {
  id: string;
  name: string;
  /** The act of the trial. */
  says: string;
  /** Faults that it cannot show. */
  blindTo: string;
  how: 'sent' | 'own' | 'look';
  /** Beside a single look at a picture that is sent from where one stands. */
  effort: number;
  pattern: string;
  level: number;
  moments: readonly TrialMoment[];
  isAfterCut: boolean;
}

/** Nobody is dazzled, and no fuse opens. */
const USUAL_LEVEL = 0.3;
const STILL: readonly TrialMoment[] = [{ timeS: 0, step: null }];
/** Moments of a line that wanders in four seconds; no two are alike, and none falls on a frame that a slow link holds back. */
const WANDERING: readonly TrialMoment[] = [0.42, 1.17, 2.23, 3.31].map((timeS) => ({ timeS, step: null }));
/** A walk is watched at so many of its pixels. */
const WALKED = 9;

/** Settings of a device or a sender, and its lamps. */
const LOOKS = {
  lamp: {
    name: 'Its lamp',
    says: 'Look whether the power lamp of each of its devices is on.',
    blindTo: 'everything behind the device',
    effort: 2,
  },
  answers: {
    name: 'Does it answer',
    says: 'Ask the device from the sender’s machine: its page, or a poll. Look at the lamp of its link.',
    blindTo: 'everything but the way to it',
    effort: 2,
  },
  volts: {
    name: 'Volts at the far end',
    says: 'Measure plus against ground at the last light of each run, while white is at its brightest.',
    blindTo: 'data, and everything that is set',
    effort: 6,
  },
  settings: {
    name: 'Its settings',
    says: 'Hold the values on the page of the device against the sheet: enabled, counts, starts, direction, brightness.',
    blindTo: 'how it is wired, and what the sender does',
    effort: 4,
  },
  sender: {
    name: 'The sender’s list',
    says: 'Hold the sender’s list against the sheet: ticked, universes, sizes, starts, colours.',
    blindTo: 'how it is wired, and what the device does',
    effort: 4,
  },
} as const;
export type LookId = keyof typeof LOOKS;

/** Everything that can be tried on a prop, what costs least first. */
export function trialsOf(plan: Plan, prop: number): Trial[] {
  const of = propAt(plan, prop);
  const { runCount, strands, pixelCount } = plannedAt(plan, prop);
  const pixelType = plan.show.pixelTypes.find(({ id }) => id === of.pixelTypeId);
  const hasWhite = pixelType ? channelsPerPixel(pixelType) === 4 : false;
  const isWall = isPanelled(of);
  const sent = (
    pattern: string,
    more: Partial<Pick<Trial, 'id' | 'name' | 'effort' | 'moments' | 'level' | 'says' | 'isAfterCut'>> = {},
  ): Trial => {
    const { name, shows, blindTo } = patternById(pattern)!;
    return {
      id: pattern,
      name,
      says: shows,
      blindTo,
      how: 'sent',
      effort: 1,
      pattern,
      level: USUAL_LEVEL,
      moments: STILL,
      isAfterCut: false,
      ...more,
    };
  };
  const walked = Math.min(WALKED, pixelCount);
  return [
    sent('red'),
    sent('green'),
    sent('blue'),
    ...(hasWhite ? [sent('whiteLight')] : []),
    sent('white', {
      id: 'whiteFull',
      name: 'White, at its brightest',
      says: 'White at full level, for a moment: where it turns yellow or red, or trips, volts are low.',
      level: 1,
      effort: 1.6,
    }),
    sent('white'),
    sent('off'),
    sent('last'),
    sent('ends'),
    ...(strands.length > 1 && !isWall ? [sent('bands')] : []),
    ...(runCount > 1 ? [sent('marks')] : []),
    sent('ports'),
    ...(isWall ? [sent('labels')] : []),
    sent('alongX', { moments: WANDERING, effort: 1.3 }),
    sent('alongY', { moments: WANDERING, effort: 1.3 }),
    sent('diagonal', { moments: WANDERING, effort: 1.3 }),
    sent('checker', { moments: [{ timeS: 0.1, step: null }], effort: 1.2 }),
    sent('walk', {
      moments: Array.from({ length: walked }, (_, i) => ({
        timeS: 0,
        step: Math.floor((i * (pixelCount - 1)) / Math.max(1, walked - 1)),
      })),
      effort: 3,
    }),
    {
      ...sent('white'),
      id: 'ownFill',
      name: 'The device’s own fill',
      says: 'Have the device fill itself with white, by its own test: nothing is sent.',
      blindTo: 'the sender, the network, universes, and where pixels are',
      how: 'own',
      effort: 2,
    },
    sent('red', {
      id: 'afterCut',
      name: 'Red after a power cut',
      says: 'Cut the power of its devices, wait ten seconds, switch it on and send red.',
      effort: 5,
      isAfterCut: true,
    }),
    ...Object.entries(LOOKS).map(([id, look]): Trial => ({
      id,
      ...look,
      how: 'look',
      pattern: 'off',
      level: 0,
      moments: STILL,
      isAfterCut: false,
    })),
  ];
}
