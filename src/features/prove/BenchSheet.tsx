'use client';

import { Button, ColorInput, SegmentedControl, Slider } from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import { patternById, PATTERNS } from '@/core/patterns/registry';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { SIDES } from '@/core/threading/view';
import { countOf } from '@/core/units/number';
import type { Layers } from '@/ui/picture/draw';
import { PixelCanvas } from '@/ui/picture/PixelCanvas';
import { sceneOf } from '@/ui/picture/scene';
import picture from '../picture/picture.module.css';
import { useAnswer, useShow } from '../show/ShowProvider';
import { SideControl } from '../view/SideControl';
import { useView } from '../view/useView';
import styles from './prove.module.css';
import { useRigFaults } from './useRigFaults';
import { setTest, startPattern, stepBy, stopTest, useClock, useStopKey, useTest } from './useTest';

const LAYERS: Layers = { numbers: false, jumpers: false, ports: true, chevrons: false, scaleBar: false };

/** A test on a prop: what it is, what lights, and what is to light. */
export function BenchSheet({ plan, prop }: { plan: Plan; prop: number }) {
  const { side } = useView();
  const test = useTest();
  const [faults] = useRigFaults();
  const [shows, setShows] = useState<'seen' | 'planned'>('seen');
  const pattern = patternById(test.pattern)!;
  const isFlickering = faults.some(({ kind }) => kind === 'noGround' || kind === 'lowLevel');
  useClock((pattern.isMoving && test.step === null) || isFlickering);
  const asked = useMemo(
    () => ({
      prop,
      pattern: test.pattern,
      isOwnTest: test.isOwnTest,
      level: test.percent / 100,
      colour: test.colour,
      timeS: test.timeS,
      step: test.step,
      frame: Math.floor(test.frame / 3),
      faults,
    }),
    [prop, test, faults],
  );
  const light = useAnswer('test', asked);
  const scene = useMemo(() => sceneOf(plan, prop, 'true'), [plan, prop]);
  const { id: propId, name, kind } = plan.show.props[prop]!;
  const showId = useShow((state) => state.id);
  const count = plan.props[prop]!.pixelCount;
  const isCurrent = light?.seen.length === 4 * count;
  const lit = useMemo(
    () => ({
      light: isCurrent ? light[shows] : new Uint8Array(4 * count),
      unfed: new Uint8Array(count),
      feeds: [],
      cuts: [],
    }),
    [light, isCurrent, shows, count],
  );
  const isSame = isCurrent && light.seen.every((byte, i) => byte === light.planned[i]);
  // Two dark pictures are alike, and say nothing of the wiring.
  const saysNothing =
    isCurrent && test.pattern !== 'off' && light.planned.every((byte) => byte === 0) && isSame;
  const verdict = !isCurrent
    ? 'Working it out…'
    : saysNothing
      ? 'By the plan nothing of this lights now: a dark moment, no such light, or on no port.'
      : isSame
        ? 'What lights is what is planned.'
        : 'What lights is not what is planned.';
  useStopKey();
  useHotkeys([
    ['space', () => stepBy(1)],
    ['shift+space', () => stepBy(-1)],
    ['R', () => startPattern('red')],
    ['G', () => startPattern('green')],
    ['B', () => startPattern('blue')],
    ['W', () => startPattern('white')],
    ['0', () => startPattern('off')],
  ]);
  const sides = kindOf({ kind }).sides ?? SIDES;
  return (
    <section className={`${picture.stage} ${styles.bench}`} aria-label={`Test of ${name}`}>
      <div className={styles.tests}>
        <div className={styles.list} role="group" aria-label="What is shown">
          {PATTERNS.map(({ id, name: words }) => (
            <button
              key={id}
              type="button"
              aria-pressed={id === test.pattern}
              className={styles.pattern}
              onClick={() => startPattern(id)}
            >
              {words}
            </button>
          ))}
        </div>
      </div>
      <div className={styles.middle}>
        <div className={picture.tools}>
          <SegmentedControl
            size="xs"
            aria-label="Which of both is drawn"
            value={shows}
            onChange={(value) => setShows(value as typeof shows)}
            data={[
              { value: 'seen', label: 'What lights' },
              { value: 'planned', label: 'As planned' },
            ]}
          />
          <SideControl sides={sides} />
          <div className={styles.level}>
            <span id="test-level">Level</span>
            <Slider
              aria-labelledby="test-level"
              thumbLabel="Level in percent"
              className={styles.slider}
              min={1}
              max={100}
              label={null}
              value={test.percent}
              onChange={(percent) => setTest({ percent })}
            />
            <output className="mono">{test.percent} %</output>
          </div>
        </div>
        <div className={`${picture.canvas} ${styles.night}`}>
          <PixelCanvas
            scene={scene}
            side={side}
            layers={LAYERS}
            lit={lit}
            selected={-1}
            selectedRun={-1}
            onSelect={() => {}}
            callout={(pixel) => <PixelLight at={pixel} light={isCurrent ? light : null} />}
            label={`${name}, ${countOf(count, 'pixel')}, ${pattern.name}, ${shows === 'seen' ? 'as it lights' : 'as planned'}, ${sides[side]}`}
          />
        </div>
        <div className={styles.words}>
          <p>
            <b>{pattern.name}.</b> {pattern.shows} <i>Blind to {pattern.blindTo}.</i>
          </p>
          <p role="status" className={styles.verdict} data-same={isSame && !saysNothing}>
            {verdict}
          </p>
          <div className={styles.controls}>
            <SegmentedControl
              size="xs"
              aria-label="Where the test comes from"
              value={test.isOwnTest ? 'own' : 'sent'}
              onChange={(value) => setTest({ isOwnTest: value === 'own' })}
              data={[
                { value: 'sent', label: 'Sent' },
                { value: 'own', label: 'The device’s own fill' },
              ]}
            />
            {(test.pattern === 'colour' || test.isOwnTest) && (
              <ColorInput
                size="xs"
                aria-label="The colour"
                format="rgb"
                value={`rgb(${test.colour.slice(0, 3).join(', ')})`}
                onChange={(value) => {
                  const [red, green, blue] = (/(\d+), (\d+), (\d+)/.exec(value) ?? []).slice(1).map(Number);
                  if (blue !== undefined) setTest({ colour: [red!, green!, blue, 0] });
                }}
              />
            )}
            {pattern.isStepped && (
              <>
                <Button size="compact-sm" variant="default" onClick={() => stepBy(-1)}>
                  Back
                </Button>
                <Button size="compact-sm" variant="default" onClick={() => stepBy(1)}>
                  Step
                </Button>
                {test.step !== null && (
                  <span className="mono">pixel {(test.step % Math.max(1, count)) + 1}</span>
                )}
              </>
            )}
            {!test.isOwnTest && (
              <Button
                size="compact-sm"
                variant="default"
                onClick={() =>
                  window.location.assign(
                    `/api/shows/${showId}/capture.pcap?pattern=${test.pattern}&frames=80&rate=40&level=${test.percent / 100}&prop=${propId}`,
                  )
                }
                title="What would be sent for two seconds of it, as a pcap file"
              >
                Save as a capture
              </Button>
            )}
            <Button size="compact-sm" color="red" onClick={stopTest}>
              Stop
            </Button>
          </div>
        </div>
      </div>
    </section>
  );
}

/** The bytes that a pixel gets, and is to get. */
function PixelLight({ at, light }: { at: number; light: { seen: Uint8Array; planned: Uint8Array } | null }) {
  if (!light) return null;
  const words = (of: Uint8Array) => [...of.subarray(4 * at, 4 * at + 4)].join(' ');
  return (
    <>
      <strong>Pixel {at + 1}</strong>
      <div className={picture.calloutLine}>
        red green blue white
        <br />
        lights {words(light.seen)}
        <br />
        planned {words(light.planned)}
      </div>
    </>
  );
}
