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
import type { PowerWish } from '@/core/power/propDraft';
import { showNeed, waysToPower } from '@/core/power/waysToPower';
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

/** Questions about a show whose answers need other plans. The planning thread answers them. */
const QUESTIONS = {
  /** Effects of an edit, in a few lines. */
  effect: ({ plan, cache }: Known, edit: Edit) => effectOf(plan, edit, cache),
  /** Both ways of making an edit; null where it moves nothing. */
  foresight: ({ plan, edited, cache }: Known, { edit, today }: { edit: Edit; today: string }) =>
    foresee(plan, edit, edited ?? layShow(applyEdit(plan.show, edit), cache), today, cache),
  /** Needs of the whole show under each policy. */
  policies: ({ plan, cache }: Known, rateHz: number) => comparePolicies(plan.show, rateHz, cache),
  /** Currents while everything shows the same colour; for one prop also the volts of each pixel. */
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
  /** Power for a prop from nothing. */
  waysToPower: ({ whole }: Known, { prop, wish }: { prop: number; wish: Omit<PowerWish, 'shortOpens'> }) =>
    waysToPower(whole(), prop, wish),
  /** The loads of all props at full white. */
  showNeed: ({ whole }: Known, _: null) => showNeed(whole()),
  /** Usual ways to feed a prop, side by side. */
  compareFeeds: ({ whole }: Known, { prop, wish }: { prop: number; wish: CompareWish }) =>
    compareFeeds(whole(), prop, wish),
  /** Effects of an open fuse, for each power feed. */
  openFuses: ({ whole }: Known, shown: Shown) => openFuses(whole(), shown),
  /** The brightest level that each supply carries, and the values to type into limiters. */
  caps: ({ whole }: Known, _: null) => capsOf(whole()),
  /** Every data wire, with the ground that is lifted where it ends. */
  dataLines: ({ whole }: Known, _: null) => dataLinesOf(whole()),
  /** Readings on site beside the plan, with their explanations. */
  readings: ({ whole }: Known, facts: readonly Fact[]) => {
    const plan = whole();
    return explainReadings(plan, readingsOf(plan, new Facts(facts)));
  },
  /** Points to measure, with the values of the plan. */
  readingPlaces: ({ whole }: Known, { facts, shown, prop }: PlacesAsked) =>
    readingPlaces(whole(), new Facts(facts), shown, prop),
  /** The picture of a test on a prop, as it is and as planned. */
  test: ({ whole }: Known, asked: TestAsked) => testLight(whole(), asked),
  /** The picture that the packets of a capture file make. */
  captured: ({ whole }: Known, asked: CapturedAsked) => capturedLight(whole(), asked),
  /** Everything that may be the matter with what drives a prop, each in a sentence. */
  faults: ({ whole }: Known, prop: number) => faultsOfProp(whole(), prop),
  /** The state of the search for a fault of a prop; null where no test of it is possible. */
  diagnosis: ({ whole, progress }: Known, { prop, told, ...wish }: DiagnosisAsked): SessionState | null => {
    const scope = scopeOf(whole(), prop);
    return scope && sessionState(scope, told, { ...wish, progress });
  },
  /** The picture to expect in a step of first power-up. */
  expected: ({ whole }: Known, { prop, picture }: { prop: number; picture: ExpectedPicture }) =>
    expectedSeen(whole(), prop, picture),
  /** Contents of a sheet; null where the show has none with that id. */
  sheet: ({ whole }: Known, { id, facts, ...asked }: SheetAsked): SheetSeen | null => {
    const sheet = sheetsOf(whole(), new Facts(facts), asked).find((each) => each.id === id);
    return sheet ? { id, name: sheet.name, side: sheet.side, blocks: plainBlocks(sheet.blocks()) } : null;
  },
  /** The brightest level that the power of the show carries. */
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
  /** Faults that are suspected more than usual, or less. */
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
