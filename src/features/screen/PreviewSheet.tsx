'use client';

import { Button, Chip, ColorInput, FileButton, Group, NumberInput, Select, Switch } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { PropOf } from '@/core/props/registry';
import { framePieces, framePixels } from '@/core/screens/frame';
import {
  PLAIN,
  stepsDone,
  STEP_WORDS,
  USUAL_PIPELINE,
  withoutStep,
  type PipelineSettings,
  type PipelineStep,
} from '@/core/screens/pipelineSettings';
import { SCREEN_SIDES } from '@/core/screens/sides';
import { LevelSlider } from '@/ui/fields/LevelSlider';
import { Hint } from '@/ui/Panel';
import { Opening } from '../sheets/Opening';
import sheets from '../sheets/sheets.module.css';
import { MatchGains } from './MatchGains';
import {
  CAPTURED_HEIGHT,
  CAPTURED_WIDTH,
  closePicture,
  openPicture,
  type PictureSource,
} from './pictureSource';
import { SCENES } from './scenes';
import type { ScreenShape } from '@/core/screens/shape';
import styles from './screen.module.css';
import { useLitScreen } from './useLitScreen';
import { useSetScreen } from './useSetScreen';
import { itemAt, byId } from '@/core/units/there';
import { messageOf } from '@/core/units/messageOf';
import { mapTuple } from '@/core/units/tuple';

/** The picture beside the one as set. */
type Beside = 'nothing' | 'bare' | PipelineStep;

/** The screen on a wall with its strip glowing round it. */
export function PreviewSheet({ prop }: { prop: PropOf<'screen'> }) {
  const { shape } = prop;
  const setShape = useSetScreen(prop.id, shape);
  const kept = shape.colours ?? USUAL_PIPELINE;
  const [source, setSource] = useState<PictureSource>({ kind: 'scene', id: itemAt(SCENES, 0).id });
  /** While a slider is dragged. */
  const [dragged, setDragged] = useState<Partial<PipelineSettings>>({});
  const settings = { ...kept, ...dragged };
  const [wanted, setBeside] = useState<Beside>('nothing');
  const [wall, setWall] = useState('#8a8f92');
  const [problem, setProblem] = useState<string | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const other = useRef<HTMLCanvasElement>(null);
  const steps = stepsDone(settings);
  // A step that does nothing any more has nothing to be seen without.
  const beside: Beside =
    wanted === 'nothing' || wanted === 'bare' || steps.includes(wanted) ? wanted : 'nothing';
  const without = beside === 'nothing' ? null : beside === 'bare' ? PLAIN : withoutStep(settings, beside);
  const { times, problem: broken } = useLitScreen(
    [canvas, other],
    shape,
    source,
    without ? [settings, without] : [settings],
    wall,
  );
  useEffect(() => () => closePicture(source), [source]);

  const open = async (file: File | null) => {
    if (!file) return;
    setProblem(null);
    try {
      setSource(await openPicture(file));
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const scene = source.kind === 'scene' ? byId(SCENES, source.id) : null;
  const drag = (change: Partial<PipelineSettings>) => setDragged({ ...dragged, ...change });
  const keep = (change: Partial<PipelineSettings>) => {
    setDragged({});
    return setShape({ colours: { ...kept, ...change } });
  };
  const lights = framePixels(shape);
  const shown = scene?.name ?? 'your own picture';
  return (
    <div className={sheets.sheet}>
      <div className={styles.preview}>
        <div>
          <div className={styles.pair} data-two={without !== null}>
            {without && (
              <figure>
                <canvas
                  ref={other}
                  className={styles.glow}
                  role="img"
                  aria-label={`The screen with its backlight, ${shown}, before`}
                />
                <figcaption>
                  {beside === 'bare'
                    ? 'As captured, nothing done to it'
                    : `Without ${STEP_WORDS[beside as PipelineStep]}`}
                </figcaption>
              </figure>
            )}
            <figure>
              <canvas
                ref={canvas}
                className={styles.glow}
                data-testid="screen-preview"
                role="img"
                aria-label={`The screen with its backlight, ${shown}`}
              />
              {without && <figcaption>As it is set</figcaption>}
            </figure>
          </div>
          <p className={styles.told} role="status">
            {scene?.shows ?? 'Your own picture: it stays in this browser.'}
            {times &&
              ` ${lights} lights took ${times.workedMs.toFixed(2)} ms a picture of ${CAPTURED_WIDTH} × ${CAPTURED_HEIGHT}; ${source.kind === 'video' ? `decoding ${times.decodedMs.toFixed(2)} ms, ` : ''}reading ${times.readMs.toFixed(2)} ms.`}
          </p>
          {(problem ?? broken) && (
            <p role="alert" className={styles.problem}>
              {problem ?? broken}
            </p>
          )}
        </div>
        <div className={styles.wishes}>
          <Select
            label="What the screen shows"
            allowDeselect={false}
            value={scene?.id ?? ''}
            placeholder="your own picture"
            data={SCENES.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id) => id && setSource({ kind: 'scene', id })}
          />
          <FileButton accept="image/*,video/*" onChange={(file) => void open(file)}>
            {(props) => (
              <Button variant="default" {...props}>
                A picture or a video of yours…
              </Button>
            )}
          </FileButton>
          <Select
            label="Beside it"
            allowDeselect={false}
            value={beside}
            data={[
              { value: 'nothing', label: 'nothing' },
              { value: 'bare', label: 'as captured, nothing done to it' },
              ...steps.map((step) => ({ value: step, label: `without ${STEP_WORDS[step]}` })),
            ]}
            onChange={(value) => value && setBeside(value)}
          />
          <ColourSettings shape={shape} kept={kept} settings={settings} onDrag={drag} onKeep={keep} />
          <ColorInput label="The wall" withEyeDropper={false} format="hex" value={wall} onChange={setWall} />
          <Opening words="Match the wall to the screen">
            <MatchGains settings={kept} onKeep={keep} />
          </Opening>
          <Hint>Full saturation distracts; many like half to two thirds of it.</Hint>
        </div>
      </div>
    </div>
  );
}

interface ColourSettingsProps {
  shape: ScreenShape;
  /** As they are kept, and as they are while a slider is dragged. */
  kept: PipelineSettings;
  settings: PipelineSettings;
  onDrag: (change: Partial<PipelineSettings>) => void;
  onKeep: (change: Partial<PipelineSettings>) => boolean;
}

function ColourSettings({ shape, kept, settings, onDrag: drag, onKeep: keep }: ColourSettingsProps) {
  const sides = SCREEN_SIDES.filter((side) => framePieces(shape).some((piece) => piece.side === side));
  const level = (
    label: string,
    value: number,
    most: number,
    unit: string,
    to: (value: number) => Partial<PipelineSettings>,
  ) => (
    <LevelSlider
      key={label}
      label={label}
      value={value}
      most={most}
      unit={unit}
      onDrag={(next) => drag(to(next))}
      onCommit={(next) => keep(to(next))}
    />
  );
  const gains = (at: number, percent: number): Partial<PipelineSettings> => ({
    gains: mapTuple(kept.gains, (each, i) => (i === at ? percent / 100 : each)),
  });
  return (
    <>
      {level('Saturation', settings.saturation * 100, 150, '%', (percent) => ({
        saturation: percent / 100,
      }))}
      {level('Smoothing', settings.smoothingMs, 800, 'ms', (smoothingMs) => ({ smoothingMs }))}
      {level('Brightest', settings.cap * 100, 100, '%', (percent) => ({ cap: percent / 100 }))}
      {level('Least light', settings.minimum * 100, 30, '%', (percent) => ({ minimum: percent / 100 }))}
      {(['Red', 'Green', 'Blue'] as const).map((name, i) =>
        level(name, settings.gains[i]! * 100, 100, '%', (percent) => gains(i, percent)),
      )}
      <NumberInput
        label="Gamma"
        description="1 is proportional; more leaves dark scenes darker"
        min={0.3}
        max={4}
        step={0.1}
        clampBehavior="strict"
        value={kept.gamma}
        onChange={(value) => typeof value === 'number' && value >= 0.3 && keep({ gamma: value })}
      />
      <Switch
        label="Black bars are left out"
        checked={kept.letterbox.isOn}
        onChange={(event) => keep({ letterbox: { ...kept.letterbox, isOn: event.currentTarget.checked } })}
      />
      {kept.letterbox.isOn &&
        level('Bars count after', settings.letterbox.delayMs, 5000, 'ms', (delayMs) => ({
          letterbox: { ...kept.letterbox, delayMs },
        }))}
      <div>
        <p className={styles.label}>Sides that stay dark</p>
        <Chip.Group
          multiple
          value={kept.sidesOff}
          onChange={(off) => keep({ sidesOff: SCREEN_SIDES.filter((side) => off.includes(side)) })}
        >
          <Group gap={6} role="group" aria-label="Sides that stay dark">
            {sides.map((side) => (
              <Chip key={side} size="xs" variant="outline" value={side}>
                {side}
              </Chip>
            ))}
          </Group>
        </Chip.Group>
      </div>
    </>
  );
}
