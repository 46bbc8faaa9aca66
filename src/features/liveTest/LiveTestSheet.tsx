'use client';

import { Button, ColorInput, SegmentedControl, Switch } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { wantedRateOf } from '@/core/catalogue/packing';
import { patternById } from '@/core/patterns/registry';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { SENDING_MINUTES } from '@/core/rig/benchState';
import type { RigSetup } from '@/core/rig/rigFacts';
import type { TestAsked } from '@/core/rig/testLight';
import { SIDES } from '@/core/threading/view';
import { countOf } from '@/core/units/number';
import type { Layers } from '@/ui/picture/draw';
import type { Lit } from '@/ui/picture/drawLit';
import { PixelCanvas } from '@/ui/picture/PixelCanvas';
import { sceneOf } from '@/ui/picture/scene';
import { siteScene } from '@/ui/picture/siteScene';
import picture from '../picture/picture.module.css';
import { useAnswer, useShow } from '../show/ShowProvider';
import { SideControl } from '../view/SideControl';
import { useView } from '../view/useView';
import styles from './liveTest.module.css';
import { OpenCapture, type OpenedCapture } from './OpenCapture';
import { SendControls, type SendChoice } from '../sending/SendControls';
import { TestList } from './TestList';
import { ThumbBar } from './ThumbBar';
import { useLiveLight, useWatchedBench } from '../sending/watchBench';
import { useRig } from '../sending/useRig';
import { useSending } from '../sending/useSending';
import { useTestKeys } from './useTestKeys';
import { setTest, stepBy, useClock, useStopKey, useTest } from '../sending/useTest';
import { propAt, plannedAt, runAt } from '@/core/plan/records';

const LAYERS: Layers = { numbers: false, jumpers: false, ports: true, chevrons: false, scaleBar: false };

/** Faults that change from picture to picture by themselves. */
const FLICKERS = new Set([
  'noGround',
  'lowLevel',
  'twoSenders',
  'supplySags',
  'serialChatter',
  'wrongChip',
  'slowDownWrong',
]);
const flickers = ({ faults }: RigSetup) => faults.some(({ kind }) => FLICKERS.has(kind));

/** A test on a prop or on the whole site: what it is, what lights, and what is to light. */
export function LiveTestSheet({ plan, prop }: { plan: Plan; prop: number | null }) {
  const test = useTest();
  const showId = useShow((state) => state.id);
  const rateHz = useShow((state) => wantedRateOf(state.show.addressing));
  const [setup] = useRig();
  const [shows, setShows] = useState<Shows>('seen');
  const [choice, setChoice] = useState<SendChoice>({
    rateHz: Math.min(rateHz, 120),
    minutes: SENDING_MINUTES.usual,
    isSynced: false,
    rates: [],
  });
  const [capture, setCapture] = useState<OpenedCapture | null>(null);
  const of = prop === null ? null : propAt(plan, prop);
  const whole = of ? ({ on: 'prop', propId: of.id } as const) : ({ on: 'show' } as const);
  // A selection on one prop is no part of another.
  useEffect(() => setTest({ on: null }), [prop]);
  const state = useWatchedBench(showId);
  const { stop, isOthers } = useSending(showId, whole, choice, state);
  useStopKey(state?.sending != null, stop);
  // The test of another window is shown as it is.
  const others = isOthers ? state!.sending!.test : null;
  const patternId = others?.pattern ?? test.pattern;
  const step = others ? others.step : test.step;
  const pattern = patternById(patternId)!;
  const isMoving = pattern.isMoving && step === null;
  useClock(isMoving || flickers(setup));
  const isLive = state?.sending?.wish.to === 'rig';
  const [live, setLive] = useState<Uint8Array | null>(null);
  useLiveLight(showId, of?.id ?? null, isLive, setLive);

  const asked = useMemo(
    () => ({
      prop,
      on: test.on ?? (prop === null ? { on: 'show' } : { on: 'prop', propId: propAt(plan, prop).id }),
      pattern: test.pattern,
      level: test.percent / 100,
      colour: test.colour,
      step: test.step,
      ...others,
      isOwnTest: test.isOwnTest,
      isAfterCut: test.isAfterCut,
      timeS: test.timeS,
      frame: Math.floor(test.frame / 3),
      setup,
    }),
    [plan, prop, test, others, setup],
  ) satisfies TestAsked;
  const light = useAnswer('test', asked);
  const file = capture?.file ?? null;
  const held = useAnswer(
    'captured',
    useMemo(() => ({ prop, file, setup }), [prop, file, setup]),
  );
  const count = prop === null ? plan.pixelCount : plannedAt(plan, prop).pixelCount;
  const isCurrent = light?.seen.length === 4 * count;
  const planned = isCurrent ? light.planned : null;
  const sized = (bytes: Uint8Array | null | undefined) => (bytes?.length === 4 * count ? bytes : null);
  const seen = capture
    ? sized(held?.light)
    : isLive && !test.isOwnTest
      ? sized(live)
      : isCurrent
        ? light.seen
        : null;
  // Real devices are seen by eye alone.
  const drawn: Shows = test.goes === 'devices' ? 'planned' : shows;
  const verdict = capture
    ? { words: `${capture.name}: ${held?.words ?? 'reading it…'}`, isSame: false }
    : verdictOf({
        seen,
        planned,
        isOff: patternId === 'off' && !test.isOwnTest,
        isMoving: isMoving && isLive,
        isToDevices: test.goes === 'devices',
      });
  useTestKeys();
  const sides = (of && kindOf(of).sides) ?? SIDES;
  const name = of?.name ?? 'the whole site';
  return (
    <section className={`${picture.stage} ${styles.test}`} aria-label={`Test of ${name}`}>
      <TestList plan={plan} prop={prop} />
      <div className={styles.middle}>
        <div className={picture.tools}>
          <SegmentedControl
            size="xs"
            aria-label="Which of both is drawn"
            value={drawn}
            onChange={(value) => setShows(value)}
            data={[
              { value: 'seen', label: 'What lights', disabled: test.goes === 'devices' },
              { value: 'planned', label: 'As planned' },
              { value: 'both', label: 'Both', disabled: test.goes === 'devices' },
            ]}
          />
          <SideControl sides={sides} />
        </div>
        <div className={`${picture.canvas} ${styles.night}`}>
          <NightPictures
            plan={plan}
            prop={prop}
            drawn={drawn}
            seen={seen}
            planned={planned}
            label={`${name}, ${countOf(count, 'pixel')}, ${pattern.name}`}
          />
        </div>
        <div className={styles.words}>
          <p>
            <b>{pattern.name}.</b> {pattern.shows} <i>Blind to {pattern.blindTo}.</i>
          </p>
          <p role="status" className={styles.verdict} data-same={verdict.isSame}>
            {verdict.words}
          </p>
          <SendControls choice={choice} onChoose={setChoice} state={state} isOthers={isOthers} onStop={stop}>
            <ColourAndStep isStepped={pattern.isStepped ?? false} count={count} />
            {!isLive && (
              <Switch
                size="xs"
                label="After a power cut"
                checked={test.isAfterCut}
                onChange={(event) => setTest({ isAfterCut: event.currentTarget.checked })}
              />
            )}
            <OpenCapture opened={capture} onOpen={setCapture} />
            {of && !test.isOwnTest && (
              <Button
                size="compact-sm"
                variant="subtle"
                color="gray"
                onClick={() =>
                  window.location.assign(
                    `/api/shows/${showId}/capture.pcap?pattern=${test.pattern}&frames=80&rate=40&level=${test.percent / 100}&prop=${of.id}`,
                  )
                }
                title="What would be sent for two seconds of it, as a pcap file"
              >
                Save as a capture
              </Button>
            )}
          </SendControls>
        </div>
      </div>
      <ThumbBar isStepped={pattern.isStepped ?? false} onStop={stop} />
    </section>
  );
}

interface NightPicturesProps {
  plan: Plan;
  /** Index of the prop; null for the whole site. */
  prop: number | null;
  drawn: Shows;
  seen: Uint8Array | null;
  planned: Uint8Array | null;
  label: string;
}

/** The picture as it is and as planned, each against the night. */
function NightPictures({ plan, prop, drawn, seen, planned, label }: NightPicturesProps) {
  const { side } = useView();
  const of = prop === null ? null : propAt(plan, prop);
  const count = prop === null ? plan.pixelCount : plannedAt(plan, prop).pixelCount;
  const scene = useMemo(() => (prop === null ? siteScene(plan) : sceneOf(plan, prop, 'true')), [plan, prop]);
  const lit = useMemo(() => litOf(seen, count), [seen, count]);
  const litAsPlanned = useMemo(() => litOf(planned, count), [planned, count]);
  const sides = (of && kindOf(of).sides) ?? SIDES;
  return (
    <>
      {(drawn === 'both' ? (['seen', 'planned'] as const) : [drawn]).map((which) => (
        <figure key={which} className={styles.half}>
          <PixelCanvas
            scene={scene}
            side={side}
            layers={LAYERS}
            lit={which === 'seen' ? lit : litAsPlanned}
            marginPx={of ? (drawn === 'both' ? 44 : 60) : 24}
            selected={-1}
            selectedRun={-1}
            onSelect={() => {}}
            callout={(pixel) => (
              <PixelLight plan={plan} prop={prop} at={pixel} seen={seen} planned={planned} />
            )}
            label={`${label}, ${which === 'seen' ? 'as it lights' : 'as planned'}, ${sides[side]}`}
          />
          {drawn === 'both' && <figcaption>{which === 'seen' ? 'What lights' : 'As planned'}</figcaption>}
        </figure>
      ))}
    </>
  );
}

/** The colour of a test that has one of its own, and the steps of a walk. */
function ColourAndStep({ isStepped, count }: { isStepped: boolean; count: number }) {
  const test = useTest();
  return (
    <>
      {(test.pattern === 'colour' || test.isOwnTest) && (
        <ColorInput
          size="xs"
          aria-label="The colour"
          withEyeDropper={false}
          format="rgb"
          value={`rgb(${test.colour.slice(0, 3).join(', ')})`}
          onChange={(value) => {
            const [red, green, blue] = (/(\d+), (\d+), (\d+)/.exec(value) ?? []).slice(1).map(Number);
            if (blue !== undefined) setTest({ colour: [red!, green!, blue, 0] });
          }}
        />
      )}
      {isStepped && (
        <div className={styles.steps}>
          <Button size="compact-sm" variant="default" onClick={() => stepBy(-1)}>
            Back
          </Button>
          <Button size="compact-sm" variant="default" onClick={() => stepBy(1)}>
            Step
          </Button>
          {test.step !== null && <span className="mono">pixel {(test.step % Math.max(1, count)) + 1}</span>}
        </div>
      )}
    </>
  );
}

/** Which picture is drawn. */
type Shows = 'seen' | 'planned' | 'both';

const litOf = (light: Uint8Array | null, count: number): Lit => ({
  light: light ?? new Uint8Array(4 * count),
  unfed: new Uint8Array(count),
  feeds: [],
  cuts: [],
});

interface Compared {
  seen: Uint8Array | null;
  planned: Uint8Array | null;
  isOff: boolean;
  /** Pictures of both are not of the same moment. */
  isMoving: boolean;
  isToDevices: boolean;
}

/** Whether what lights is what is planned; said only of what was compared. */
function verdictOf({ seen, planned, isOff, isMoving, isToDevices }: Compared): {
  words: string;
  isSame: boolean;
} {
  const no = (words: string) => ({ words, isSame: false });
  if (isToDevices) return no('The picture is what your devices are to show: compare by eye.');
  if (!seen || !planned) return no('Working it out…');
  if (isMoving)
    return no(
      'It moves, so both are compared by eye; a step at a time, or what stands still, is compared here.',
    );
  const isSame = seen.every((byte, i) => byte === planned[i]);
  // Two dark pictures are alike, and say nothing of the wiring.
  if (isSame && !isOff && planned.every((byte) => byte === 0))
    return no('By the plan nothing of this lights now: a dark moment, no such light, or on no port.');
  return {
    words: isSame ? 'What lights is what is planned.' : 'What lights is not what is planned.',
    isSame,
  };
}

/** The bytes that a pixel gets, and is to get. */
function PixelLight({
  plan,
  prop,
  at,
  seen,
  planned,
}: {
  plan: Plan;
  prop: number | null;
  at: number;
  seen: Uint8Array | null;
  planned: Uint8Array | null;
}) {
  const words = (of: Uint8Array | null) => (of ? [...of.subarray(4 * at, 4 * at + 4)].join(' ') : '–');
  const run = prop === null ? runAt(plan, plan.pixels.run[at]!) : null;
  return (
    <>
      <strong>
        {run
          ? `${propAt(plan, run.prop).name}, pixel ${at - plannedAt(plan, run.prop).firstPixel + 1}`
          : `Pixel ${at + 1}`}
      </strong>
      <div className={picture.calloutLine}>
        red green blue white
        <br />
        lights {words(seen)}
        <br />
        planned {words(planned)}
      </div>
    </>
  );
}
