import { useEffect, useRef, useState, type RefObject } from 'react';
import type { PipelineSettings } from '@/core/screens/pipelineSettings';
import type { ScreenShape } from '@/core/screens/shape';
import { startScreenLights } from '@/workers/screen/screenLights';
import { drawGlow } from './drawGlow';
import { CAPTURED_HEIGHT, CAPTURED_WIDTH, drawPicture, type PictureSource } from './pictureSource';
import { ownJson } from '@/core/fields/parseJson';

const RATE_HZ = 30;

/** Times of a frame on its way to the pixels, in ms: means over the last second. */
interface StepTimes {
  decodedMs: number;
  readMs: number;
  workedMs: number;
}

/** Pictures go through the work on their colours, and the lights of each way of it onto a canvas of its own. */
export function useLitScreen(
  canvases: readonly RefObject<HTMLCanvasElement | null>[],
  shape: ScreenShape,
  source: PictureSource,
  ways: readonly PipelineSettings[],
  wall: string,
): { times: StepTimes | null; problem: string | null } {
  const [times, setTimes] = useState<StepTimes | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const latest = useRef({ canvases, source, ways, wall });
  useEffect(() => {
    latest.current = { canvases, source, ways, wall };
  });
  // Colour settings are part of the shape, and change nothing of the places of the pixels.
  const frame = JSON.stringify({ ...shape, colours: undefined, link: undefined, source: undefined });
  const count = ways.length;
  useEffect(() => {
    const of = ownJson<ScreenShape>(frame);
    const lights = startScreenLights();
    const small = document.createElement('canvas');
    small.width = CAPTURED_WIDTH;
    small.height = CAPTURED_HEIGHT;
    const context = small.getContext('2d', { willReadFrequently: true })!;
    let [handle, last, isBusy, isOver] = [0, performance.now(), false, false];
    const began = last;
    const sum = { decodedMs: 0, readMs: 0, workedMs: 0 };
    let pictures = 0;
    const fails = (error: Error) => isOver || setProblem(error.message);
    lights.begin(of, latest.current.ways).catch(fails);
    const picture = async (passedMs: number, timeS: number) => {
      const now = latest.current;
      const decodedMs = await drawPicture(context, now.source, timeS);
      const reading = performance.now();
      const { data } = context.getImageData(0, 0, CAPTURED_WIDTH, CAPTURED_HEIGHT);
      const readMs = performance.now() - reading;
      await lights.set(now.ways);
      const { lit, tookMs } = await lights.step(
        { width: CAPTURED_WIDTH, height: CAPTURED_HEIGHT, rgba: data },
        passedMs,
      );
      if (isOver) return;
      lit.forEach((bytes, i) => {
        const canvas = latest.current.canvases[i]?.current;
        if (canvas) drawGlow(canvas, of, bytes, small, latest.current.wall);
      });
      sum.decodedMs += decodedMs;
      sum.readMs += readMs;
      sum.workedMs += tookMs;
      pictures += 1;
      if (pictures < RATE_HZ) return;
      setTimes({
        decodedMs: sum.decodedMs / pictures,
        readMs: sum.readMs / pictures,
        workedMs: sum.workedMs / pictures,
      });
      pictures = sum.decodedMs = sum.readMs = sum.workedMs = 0;
    };
    const tick = (now: number) => {
      handle = requestAnimationFrame(tick);
      const passed = now - last;
      if (isBusy || passed < 1000 / RATE_HZ) return;
      last = now;
      isBusy = true;
      picture(passed, (now - began) / 1000)
        .catch(fails)
        .finally(() => {
          isBusy = false;
        });
    };
    handle = requestAnimationFrame(tick);
    return () => {
      isOver = true;
      cancelAnimationFrame(handle);
      lights.stop();
    };
  }, [frame, count]);
  return { times, problem };
}
