import { activeArea, Pipeline, sampled, WHOLE, type Frame } from './pipeline';
import { matchedGains, PLAIN, stepsDone, USUAL_PIPELINE, withoutStep } from './pipelineSettings';
import { stillReport } from './still';
import type { Zone } from './zones';

/** A picture of rows of colours, each as red, green, blue. */
const frameOf = (rows: readonly (readonly number[])[][]): Frame => ({
  width: rows[0]!.length,
  height: rows.length,
  rgba: Uint8Array.from(
    rows.flatMap((row) => row.flatMap(([red, green, blue]) => [red!, green!, blue!, 255])),
  ),
});
const BLACK = [0, 0, 0];
const WHITE = [255, 255, 255];
const RED = [255, 0, 0];
const left: Zone = { index: 0, x0: 0, x1: 0.5, y0: 0, y1: 1 };
const right: Zone = { index: 1, x0: 0.5, x1: 1, y0: 0, y1: 1 };

it('takes the mean in linear light, not of bytes', () => {
  const half = frameOf([[BLACK, WHITE, RED, RED]]);
  const light = sampled(half, [left, right]);
  expect([...light]).toEqual([0.5, 0.5, 0.5, 1, 0, 0]);
  // A byte of 188 is half of the light of white.
  expect(sampled(frameOf([[[188, 188, 188]]]), [{ ...left, x1: 1 }])[0]).toBeCloseTo(0.503, 2);
});

it('gives a zone of less than a pixel the pixel that it is in', () => {
  const thin: Zone = { index: 0, x0: 0.6, x1: 0.62, y0: 0, y1: 0.01 };
  expect([...sampled(frameOf([[BLACK, RED]]), [thin])]).toEqual([1, 0, 0]);
});

it('finds the picture between black bars, and none in a black frame', () => {
  const boxed = frameOf([
    [BLACK, BLACK, BLACK, BLACK],
    [BLACK, RED, RED, BLACK],
    [BLACK, BLACK, BLACK, BLACK],
    [BLACK, BLACK, BLACK, BLACK],
  ]);
  expect(activeArea(boxed, 16)).toEqual({ x0: 0.25, x1: 0.75, y0: 0.25, y1: 0.5 });
  expect(activeArea(frameOf([[BLACK]]), 16)).toEqual(WHOLE);
});

it('leaves bars out once they have stood, and sees what comes into them at once', () => {
  const rows = (middle: number[]) => [[BLACK], [middle], [middle], [BLACK]];
  const all: Zone = { index: 0, x0: 0, x1: 1, y0: 0, y1: 1 };
  const pipeline = new Pipeline([all], ['top'], {
    ...PLAIN,
    letterbox: { isOn: true, threshold: 16, delayMs: 100 },
  });
  const boxed = frameOf(rows(RED));
  expect(pipeline.step(boxed, 0)[0]).toBe(128);
  expect(pipeline.step(boxed, 60)[0]).toBe(128);
  expect(pipeline.step(boxed, 60)[0]).toBe(255);
  expect(pipeline.step(frameOf([[RED], [RED], [RED], [BLACK]]), 10)[0]).toBe(255);
  expect(pipeline.step(frameOf([[RED], [RED], [RED], [RED]]), 10)[0]).toBe(255);
});

it('comes 63 % of the way in the time that is set, and all of it without', () => {
  const all: Zone = { index: 0, x0: 0, x1: 1, y0: 0, y1: 1 };
  const pipeline = new Pipeline([all], ['top'], { ...PLAIN, smoothingMs: 100 });
  expect(pipeline.step(frameOf([[BLACK]]), 0)[0]).toBe(0);
  expect(pipeline.step(frameOf([[WHITE]]), 100)[0]).toBe(Math.round(255 * (1 - Math.exp(-1))));
  expect(new Pipeline([all], ['top'], PLAIN).step(frameOf([[WHITE]]), 1)[0]).toBe(255);
});

it.each([
  ['saturation 0 is grey', { saturation: 0 }, RED, [54, 54, 54]],
  ['saturation 0.5 is half way', { saturation: 0.5 }, RED, [155, 27, 27]],
  ['gains balance white', { gains: [1, 0.8, 0.5] as [number, number, number] }, WHITE, [255, 204, 128]],
  ['a cap holds', { cap: 0.4 }, WHITE, [102, 102, 102]],
  ['a minimum glows', { minimum: 0.02 }, BLACK, [5, 5, 5]],
  ['a side that is off is dark', { sidesOff: ['top' as const], minimum: 0.5 }, WHITE, [0, 0, 0]],
  ['another side that is off changes nothing', { sidesOff: ['left' as const] }, WHITE, [255, 255, 255]],
  ['gamma 2 dims the middle', { gamma: 2 }, [188, 0, 0], [64, 0, 0]],
])('%s', (_, change, colour, expected) => {
  const all: Zone = { index: 0, x0: 0, x1: 1, y0: 0, y1: 1 };
  const [red, green, blue] = new Pipeline([all], ['top'], { ...PLAIN, ...change }).step(
    frameOf([[colour]]),
    0,
  );
  for (const [i, byte] of [red!, green!, blue!].entries())
    expect(Math.abs(byte - expected[i]!)).toBeLessThanOrEqual(1);
});

it('names the steps that do something, and takes each out', () => {
  expect(stepsDone(PLAIN)).toEqual([]);
  expect(stepsDone(USUAL_PIPELINE)).toEqual(['letterbox', 'smoothing', 'saturation']);
  for (const step of stepsDone(USUAL_PIPELINE))
    expect(stepsDone(withoutStep(USUAL_PIPELINE, step))).not.toContain(step);
});

it('matches gains so that the wall has the colour of the white screen', () => {
  expect(matchedGains([200, 200, 200], [200, 200, 200], [1, 1, 1])).toEqual([1, 1, 1]);
  // Bytes of 188 and 255 are half and all of the light; 250 stands for all, as 255 may be more than the camera holds.
  const gains = matchedGains([188, 188, 188], [250, 188, 188], [1, 1, 1])!;
  const light = (byte: number) => ((byte / 255 + 0.055) / 1.055) ** 2.4;
  expect(gains[0]).toBeCloseTo(light(188) / light(250), 3);
  expect(gains.slice(1)).toEqual([1, 1]);
  // With them the red of the wall is what it was asked to be: asked again, nothing changes.
  expect(matchedGains([188, 188, 188], [188, 188, 188], gains)).toEqual(gains);
  expect(matchedGains([188, 188, 188], [255, 188, 188], [1, 1, 1])).toBeNull();
  expect(matchedGains([4, 4, 4], [188, 188, 188], [1, 1, 1])).toBeNull();
});

it('tells from a still whether there is a picture, how it looks, and what to crop', () => {
  const row = (colour: readonly number[]) => [
    BLACK,
    ...Array.from({ length: 6 }, () => colour),
    BLACK,
    BLACK,
  ];
  const boxed = (colour: readonly number[]) =>
    frameOf([row(BLACK), row(BLACK), row(colour), row(colour), row(BLACK)]);
  expect(stillReport(boxed(RED), 16)).toEqual({
    looks: 'picture',
    crop: { left: 1, right: 2, top: 2, bottom: 1 },
  });
  expect(stillReport(boxed(BLACK), 16)).toEqual({
    looks: 'black',
    crop: { left: 0, right: 0, top: 0, bottom: 0 },
  });
  expect(stillReport(boxed([150, 140, 135]), 16).looks).toBe('pale');
  expect(stillReport(boxed([230, 225, 220]), 16).looks).toBe('picture');
});
