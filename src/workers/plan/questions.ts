import { dataLinesOf } from '@/core/answers/dataLines';
import { expectedSeen } from '@/core/bringUp/expected';
import type { ExpectedPicture } from '@/core/bringUp/step';
import { comparePolicies } from '@/core/answers/comparePolicies';
import { effectOf } from '@/core/devices/effect';
import { foresee } from '@/core/devices/foresight';
import type { PlanCache } from '@/core/plan/cache';
import { layShow } from '@/core/plan/plan';
import type { LaidShow, Plan } from '@/core/plan/planned';
import { capsOf } from '@/core/power/caps';
import { explainReadings } from '@/core/power/explainReadings';
import { readingPlaces } from '@/core/power/readingPlaces';
import { readingsOf } from '@/core/power/readings';
import { capturedLight, type CapturedAsked } from '@/core/rig/capturedLight';
import type { Raise } from '@/core/diagnose/raised';
import { scopeOf, sessionState, type SessionState, type Told } from '@/core/diagnose/session';
import { faultsOfProp, testLight, type TestAsked } from '@/core/rig/testLight';
import { propPower } from '@/core/power/propPower';
import { compareFeeds, type CompareWish } from '@/core/power/compareFeeds';
import { openFuses } from '@/core/power/openFuse';
import { proposeFeeds, type FeedWish } from '@/core/power/proposeFeeds';
import { powerReport } from '@/core/power/report';
import { safeLevel } from '@/core/power/safeLevel';
import type { Shown } from '@/core/power/shown';
import { withMoved, type MovedEnd } from '@/core/power/movedEnd';
import { plainBlocks, type PlainBlock } from '@/core/pages/plain';
import type { SheetsAsked } from '@/core/pages/sheet';
import { sheetsOf } from '@/core/papers/sheets';
import { Facts, type Fact } from '@/core/show/facts';
import { applyEdit, type Edit } from '@/core/show/edits/registry';

/** With what a question is answered. */
interface Known {
  /** The plan of the show that is asked about. */
  plan: LaidShow;
  /** The plan of the show as edited, where that is shown already. */
  edited: LaidShow | null;
  /** The same with the table of its pixels. */
  whole: () => Plan;
  /** Geometry that is threaded already. */
  cache: PlanCache;
  /** Told how much is done, from 0 to 1. */
  progress: (part: number) => void;
}

/** What can be asked of a show that takes other plans to answer. The thread that plans answers it. */
const QUESTIONS = {
  /** What an edit would do, in a few lines. */
  effect: ({ plan, cache }: Known, edit: Edit) => effectOf(plan, edit, cache),
  /** Both ways of making an edit; null where it moves nothing. */
  foresight: ({ plan, edited, cache }: Known, edit: Edit) =>
    foresee(plan, edit, edited ?? layShow(applyEdit(plan.show, edit), cache), cache),
  /** What the whole show takes under each policy. */
  policies: ({ plan, cache }: Known, rateHz: number) => comparePolicies(plan.show, rateHz, cache),
  /** What flows while all show the same; and of one prop what each of its pixels gets. */
  power: ({ whole }: Known, { shown, prop, moved }: PowerAsked) => {
    const plan = withMoved(whole(), moved);
    return {
      report: powerReport(plan, shown),
      pixels: prop === null ? null : propPower(plan, prop, shown),
    };
  },
  /** The fewest leads that a prop wants. */
  feeds: ({ whole }: Known, { prop, wish }: { prop: number; wish: FeedWish }) =>
    proposeFeeds(whole(), prop, wish),
  /** Usual ways to feed a prop, side by side. */
  compareFeeds: ({ whole }: Known, { prop, wish }: { prop: number; wish: CompareWish }) =>
    compareFeeds(whole(), prop, wish),
  /** What becomes of the show when the fuse of one lead is open, for each. */
  openFuses: ({ whole }: Known, shown: Shown) => openFuses(whole(), shown),
  /** What each supply can have lit, and what to type into the limiters of devices. */
  caps: ({ whole }: Known, _: null) => capsOf(whole()),
  /** Every data wire, with the ground that is lifted where it ends. */
  dataLines: ({ whole }: Known, _: null) => dataLinesOf(whole()),
  /** What was read on site beside the plan, and what explains it. */
  readings: ({ whole }: Known, facts: readonly Fact[]) => {
    const plan = whole();
    return explainReadings(plan, readingsOf(plan, new Facts(facts)));
  },
  /** Where to read, with what the plan gives there. */
  readingPlaces: ({ whole }: Known, { facts, shown, prop }: PlacesAsked) =>
    readingPlaces(whole(), new Facts(facts), shown, prop),
  /** What a prop shows of a test as the display is, and what it is to show. */
  test: ({ whole }: Known, asked: TestAsked) => testLight(whole(), asked),
  /** What lights of the packets of a capture file. */
  captured: ({ whole }: Known, asked: CapturedAsked) => capturedLight(whole(), asked),
  /** Everything that may be the matter with what drives a prop, each in a sentence. */
  faults: ({ whole }: Known, prop: number) => faultsOfProp(whole(), prop),
  /** Where the search for what is the matter with a prop stands; null where nothing of it can be tried. */
  diagnosis: ({ whole, progress }: Known, { prop, told, ...wish }: DiagnosisAsked): SessionState | null => {
    const scope = scopeOf(whole(), prop);
    return scope && sessionState(scope, told, { ...wish, progress });
  },
  /** What is to be seen of a step of bringing a prop up. */
  expected: ({ whole }: Known, { prop, picture }: { prop: number; picture: ExpectedPicture }) =>
    expectedSeen(whole(), prop, picture),
  /** What stands on a sheet; null where the show has none of that id. */
  sheet: ({ whole }: Known, { id, facts, ...asked }: SheetAsked): SheetSeen | null => {
    const sheet = sheetsOf(whole(), new Facts(facts), asked).find((each) => each.id === id);
    return sheet ? { id, name: sheet.name, side: sheet.side, blocks: plainBlocks(sheet.blocks()) } : null;
  },
  /** How bright the show may be as it is fed. */
  safeLevel: ({ whole }: Known, shown: Omit<Shown, 'level'>) => safeLevel(whole(), shown),
};

interface SheetAsked extends SheetsAsked {
  id: string;
  facts: readonly Fact[];
}

/** A sheet as it is looked at on the screen. */
interface SheetSeen {
  id: string;
  name: string;
  side: string | null;
  blocks: PlainBlock[];
}

interface DiagnosisAsked {
  prop: number;
  told: readonly Told[];
  /** A trial that is asked for before all others. */
  first: string | null;
  /** What is suspected more than usual, or less. */
  raises: readonly Raise[];
}

interface PowerAsked {
  shown: Shown;
  /** Index of the prop whose pixels are asked for. */
  prop: number | null;
  /** As if the end of a lead were elsewhere. */
  moved: MovedEnd | null;
}

interface PlacesAsked {
  facts: readonly Fact[];
  shown: Shown;
  prop: number | null;
}

type Questions = typeof QUESTIONS;
export type Question = keyof Questions;
export type Asked<Name extends Question> = Parameters<Questions[Name]>[1];
export type Answer<Name extends Question> = ReturnType<Questions[Name]>;

export function answer<Name extends Question>(name: Name, known: Known, asked: Asked<Name>): Answer<Name> {
  const of = QUESTIONS[name] as (known: Known, asked: Asked<Name>) => Answer<Name>;
  return of(known, asked);
}
