'use client';

import { Button, ColorInput, FileButton, Select, Slider, Switch } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PropOf } from '@/core/props/registry';
import { PLAIN, USUAL_PIPELINE, type PipelineSettings } from '@/core/screens/pipeline';
import { USUAL_ZONES, zonesOf } from '@/core/screens/zones';
import { Hint } from '@/ui/Panel';
import { startScreenLights } from '@/workers/screen/screenLights';
import sheets from '../sheets/sheets.module.css';
import { drawGlow } from './drawGlow';
import { SCENES } from './scenes';
import styles from './screen.module.css';

/** What is captured: small pictures suffice. */
const [CAPTURED_WIDTH, CAPTURED_HEIGHT] = [320, 180];
const RATE_HZ = 30;
/** More of a file takes longer to be opened than anybody waits. */
const MOST_FILE_BYTES = 500 * 1024 * 1024;

type Source =
  | { kind: 'scene'; id: string }
  | { kind: 'image'; image: ImageBitmap }
  | { kind: 'video'; video: HTMLVideoElement };

/** The screen on a wall with its strip glowing round it. */
export function PreviewSheet({ prop }: { prop: PropOf<'screen'> }) {
  const { shape } = prop;
  const [source, setSource] = useState<Source>({ kind: 'scene', id: SCENES[0]!.id });
  const [settings, setSettings] = useState<PipelineSettings>(USUAL_PIPELINE);
  const [isBare, setIsBare] = useState(false);
  const [wall, setWall] = useState('#8a8f92');
  const [tookMs, setTookMs] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const zones = useMemo(() => zonesOf(shape, USUAL_ZONES), [shape]);
  const used = isBare ? PLAIN : settings;
  const latest = useRef({ source, used, wall });
  useEffect(() => {
    latest.current = { source, used, wall };
  }, [source, used, wall]);

  useEffect(() => {
    const lights = startScreenLights();
    const small = document.createElement('canvas');
    small.width = CAPTURED_WIDTH;
    small.height = CAPTURED_HEIGHT;
    const context = small.getContext('2d', { willReadFrequently: true })!;
    let [handle, last, isBusy, isOver] = [0, performance.now(), false, false];
    const began = last;
    let sum = 0;
    let count = 0;
    void lights.begin(zones, latest.current.used);
    const tick = (now: number) => {
      handle = requestAnimationFrame(tick);
      const passed = now - last;
      if (isBusy || passed < 1000 / RATE_HZ) return;
      last = now;
      isBusy = true;
      const { source: from, used: as, wall: on } = latest.current;
      drawSource(context, from, (now - began) / 1000);
      const { data } = context.getImageData(0, 0, CAPTURED_WIDTH, CAPTURED_HEIGHT);
      void lights.set(as);
      void lights
        .step({ width: CAPTURED_WIDTH, height: CAPTURED_HEIGHT, rgba: data }, passed)
        .then(({ bytes, tookMs: took }) => {
          isBusy = false;
          if (isOver || !canvas.current) return;
          drawGlow(canvas.current, shape, bytes, small, on);
          sum += took;
          count += 1;
          if (count === RATE_HZ) {
            setTookMs(sum / count);
            [sum, count] = [0, 0];
          }
        });
    };
    handle = requestAnimationFrame(tick);
    return () => {
      isOver = true;
      cancelAnimationFrame(handle);
      lights.stop();
    };
  }, [shape, zones]);

  const open = async (file: File | null) => {
    if (!file) return;
    setProblem(null);
    if (file.size > MOST_FILE_BYTES)
      return setProblem(`“${file.name}” is larger than 500 MB; a short piece of it shows the same.`);
    if (file.type.startsWith('video/')) {
      const video = document.createElement('video');
      video.muted = true;
      video.loop = true;
      video.src = URL.createObjectURL(file);
      try {
        await video.play();
        setSource({ kind: 'video', video });
      } catch {
        setProblem(`“${file.name}” is no video that this browser can show.`);
      }
      return;
    }
    try {
      setSource({ kind: 'image', image: await createImageBitmap(file) });
    } catch {
      setProblem(`“${file.name}” is no picture that this browser can read.`);
    }
  };
  const scene = source.kind === 'scene' ? SCENES.find(({ id }) => id === source.id)! : null;
  const set = (change: Partial<PipelineSettings>) => setSettings({ ...settings, ...change });
  const gain = (at: 0 | 1 | 2, percent: number) =>
    set({
      gains: settings.gains.map((each, i) =>
        i === at ? percent / 100 : each,
      ) as unknown as PipelineSettings['gains'],
    });
  return (
    <div className={sheets.sheet}>
      <div className={styles.preview}>
        <div>
          <canvas
            ref={canvas}
            className={styles.glow}
            data-testid="screen-preview"
            role="img"
            aria-label={`The screen with its backlight, ${scene?.name ?? 'your own picture'}`}
          />
          <p className={styles.told} role="status">
            {scene?.shows ?? 'Your own picture: it stays in this browser.'}
            {tookMs !== null &&
              ` ${zones.length} lights took ${tookMs.toFixed(2)} ms a picture of ${CAPTURED_WIDTH} × ${CAPTURED_HEIGHT}.`}
          </p>
          {problem && (
            <p role="alert" className={styles.problem}>
              {problem}
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
          <Switch
            label="As captured, nothing done to it"
            description="Before, beside after"
            checked={isBare}
            onChange={(event) => setIsBare(event.currentTarget.checked)}
          />
          <Setting
            label="Saturation"
            percent={settings.saturation * 100}
            most={150}
            onChange={(percent) => set({ saturation: percent / 100 })}
          />
          <Setting
            label="Smoothing, ms"
            percent={settings.smoothingMs}
            most={800}
            onChange={(smoothingMs) => set({ smoothingMs })}
          />
          <Setting
            label="Brightest"
            percent={settings.cap * 100}
            onChange={(percent) => set({ cap: percent / 100 })}
          />
          <Setting
            label="Least light"
            percent={settings.minimum * 100}
            most={30}
            onChange={(percent) => set({ minimum: percent / 100 })}
          />
          <Setting label="Red" percent={settings.gains[0] * 100} onChange={(percent) => gain(0, percent)} />
          <Setting label="Green" percent={settings.gains[1] * 100} onChange={(percent) => gain(1, percent)} />
          <Setting label="Blue" percent={settings.gains[2] * 100} onChange={(percent) => gain(2, percent)} />
          <Switch
            label="Black bars are left out"
            checked={settings.letterbox.isOn}
            onChange={(event) =>
              set({ letterbox: { ...settings.letterbox, isOn: event.currentTarget.checked } })
            }
          />
          <ColorInput label="The wall" withEyeDropper={false} format="hex" value={wall} onChange={setWall} />
          <Hint>Full saturation distracts; many like half to two thirds of it.</Hint>
        </div>
      </div>
    </div>
  );
}

function drawSource(context: CanvasRenderingContext2D, source: Source, timeS: number): void {
  const [width, height] = [CAPTURED_WIDTH, CAPTURED_HEIGHT];
  if (source.kind === 'scene') SCENES.find(({ id }) => id === source.id)!.draw(context, width, height, timeS);
  else context.drawImage(source.kind === 'image' ? source.image : source.video, 0, 0, width, height);
}

function Setting({
  label,
  percent,
  most = 100,
  onChange,
}: {
  label: string;
  percent: number;
  most?: number;
  onChange: (percent: number) => void;
}) {
  const id = `preview-${label.replace(/\W+/g, '-').toLowerCase()}`;
  return (
    <div className={styles.depth}>
      <span id={id}>{label}</span>
      <output className="mono">{Math.round(percent)}</output>
      <Slider
        aria-labelledby={id}
        thumbLabel={label}
        className={styles.wide}
        min={0}
        max={most}
        label={null}
        value={Math.round(percent)}
        onChange={onChange}
      />
    </div>
  );
}
