import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { PALETTE, overlaps, recorder } from '../../../tests/unit/recorder';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import type { Prop } from '@/core/props/registry';
import { fit, toScreenX, toScreenY, type Camera } from './camera';
import { drawScene, type Layers } from './draw';
import type { Marks } from './drawFrame';
import { sceneOf, type Scene } from './scene';

const SIZE = { widthPx: 1000, heightPx: 700 };
const ALL: Layers = { numbers: true, jumpers: true, ports: true, chevrons: true, scaleBar: false };
const NONE: Layers = { numbers: false, jumpers: false, ports: false, chevrons: false, scaleBar: false };
const UNMARKED: Marks = { selected: -1, hovered: -1, run: -1 };

interface Wish {
  layers?: Partial<Layers>;
  marks?: Partial<Marks>;
  mirror?: 1 | -1;
  zoom?: number;
}

function draw(prop: Prop, { layers, marks, mirror = 1, zoom = 1 }: Wish = {}) {
  const show = aShow({ props: [prop], controllers: [aController({ ports: 16, mostPixelsPerPort: 50_000 })] });
  const runs = planShow(show).props[0]!.runCount;
  const patched = onPorts(
    show,
    ...Array.from({ length: runs }, (_, i): [string, number, number] => [prop.id, i + 1, i + 1]),
  );
  const scene = sceneOf(planShow(patched), 0);
  const fitted = fit(scene.bounds!, SIZE, 64);
  const camera: Camera = { ...fitted, xMm: mirror * fitted.xMm, pxPerMm: fitted.pxPerMm * zoom };
  const made = recorder(SIZE.widthPx, SIZE.heightPx);
  drawScene(
    made.context,
    scene,
    camera,
    SIZE,
    mirror,
    { ...ALL, ...layers },
    { ...UNMARKED, ...marks },
    PALETTE,
  );
  const at = (pixel: number) => ({
    // As exact as the drawing keeps them.
    x: Math.fround(toScreenX(camera, SIZE, mirror * scene.xMm[pixel]!)),
    y: Math.fround(toScreenY(camera, SIZE, scene.yMm[pixel]!)),
  });
  return { ...made, scene, at };
}

/** Texts that are pixels' numbers, not tabs. */
const numbersOf = (made: ReturnType<typeof draw>) => made.texts.filter(({ text }) => /^\d+$/.test(text));

describe('labels', () => {
  const grid = fc.record({
    columns: fc.integer({ min: 1, max: 40 }),
    rows: fc.integer({ min: 1, max: 30 }),
    along: fc.constantFrom('rows', 'columns'),
    pattern: fc.constantFrom('straight', 'serpentine'),
    runs: fc.integer({ min: 1, max: 3 }),
    mirror: fc.constantFrom(1 as const, -1 as const),
    zoom: fc.constantFrom(1, 3, 10),
  });

  it('cover neither one another nor a pixel, from either side, at any zoom', () => {
    fc.assert(
      fc.property(grid, ({ columns, rows, mirror, zoom, ...threading }) => {
        const made = draw(aGrid('net', columns, rows, threading), { mirror, zoom });
        const numbers = numbersOf(made);
        expect(overlaps(numbers)).toEqual([]);
        for (let pixel = 0; pixel < made.scene.pixelCount; pixel += 1) {
          const { x, y } = made.at(pixel);
          expect(
            numbers.filter((box) => x > box.left && x < box.right && y > box.top && y < box.bottom),
          ).toEqual([]);
        }
      }),
      { numRuns: tries(60) },
    );
  });

  it('stand at ends and turns, and at more pixels where there is room', () => {
    // 30 pixels 30 mm apart: from 1 to 30, and in between as many as fit.
    const line = draw(aLine('rail', 30));
    const written = numbersOf(line).map(({ text }) => Number(text));
    expect(written).toEqual(expect.arrayContaining([1, 30]));
    expect(written.length).toBeLessThan(30);
    expect(numbersOf(draw(aLine('rail', 30), { zoom: 4 })).length).toBeGreaterThan(3);
  });

  it('are no more for 30,000 pixels than a person can read', () => {
    const net = draw(aGrid('net', 200, 150, { runs: 4 }));
    expect(net.scene.pixelCount).toBe(30_000);
    expect(numbersOf(net).length).toBeLessThanOrEqual(150 + 2 * 4);
    expect(numbersOf(net).length).toBeGreaterThan(0);
    // Dots go straight into an image: no call for each of them.
    expect(net.calls.length).toBeLessThan(6000);
  });

  it('are numbers of their run', () => {
    const made = draw(aGrid('net', 10, 2, { runs: 2 }));
    expect(numbersOf(made).filter(({ text }) => text === '10')).toHaveLength(2);
    expect(numbersOf(made).some(({ text }) => Number(text) > 10)).toBe(false);
  });

  it('are left out where they are not wanted', () => {
    expect(draw(aGrid('net', 6, 4), { layers: NONE }).texts).toEqual([]);
  });
});

describe('data', () => {
  const ends = (scene: Scene) => scene.runs.map((run) => run.firstPixel + run.pixelCount - 1);

  it('enters at a tab with the name of the port, and leaves at an open ring', () => {
    const made = draw(aGrid('net', 6, 4, { runs: 2 }), { layers: { numbers: false } });
    expect(made.words()).toEqual(['A1', 'A2']);
    const rings = made.of('arc').map(({ args }) => args.slice(0, 2));
    for (const last of ends(made.scene)) expect(rings).toContainEqual([made.at(last).x, made.at(last).y]);
    // Tabs keep off one another and off pixels.
    expect(overlaps(made.texts)).toEqual([]);
  });

  it('says that a run is on no port yet', () => {
    const scene = sceneOf(planShow(aShow({ props: [aLine('rail', 5)] })), 0);
    const made = recorder();
    drawScene(
      made.context,
      scene,
      fit(scene.bounds!, SIZE, 64),
      SIZE,
      1,
      { ...NONE, ports: true },
      UNMARKED,
      PALETTE,
    );
    expect(made.words()).toEqual([scene.runs[0]!.tab]);
    expect(made.words()[0]).not.toMatch(/^[A-Z]\d+$/);
  });

  it.each([
    ['right, from the front', 1 as const, 1],
    ['left, from the back', -1 as const, -1],
  ])('goes %s: the chevron points that way', (_words, mirror, way) => {
    const made = draw(aLine('rail', 30), { mirror, layers: { ...NONE, chevrons: true } });
    // The chevron is the last path: an arm, the tip, the other arm.
    const [arm] = made.of('moveTo').slice(-1);
    const [tip, other] = made.of('lineTo').slice(-2);
    for (const each of [arm!, other!])
      expect(Math.sign((tip!.args[0] as number) - (each.args[0] as number))).toBe(way);
  });

  it('has a chevron a strand at most, and none where strands are short', () => {
    const chevrons = (prop: Prop) =>
      draw(prop, { layers: { ...NONE, chevrons: true } }).of('moveTo').length -
      draw(prop, { layers: NONE }).of('moveTo').length;
    const few = chevrons(aGrid('net', 30, 4));
    expect(few).toBeGreaterThanOrEqual(2);
    expect(few).toBeLessThanOrEqual(4);
    // Side by side, those of a dense net would read as a zigzag.
    const dense = chevrons(aGrid('net', 40, 40));
    expect(dense).toBeGreaterThan(1);
    expect(dense).toBeLessThan(40 * 0.6);
    expect(chevrons(aGrid('net', 2, 2))).toBe(0);
  });

  it('jumps in dashes, a curve for each jumper, and no line of data goes there', () => {
    const made = draw(aGrid('net', 10, 4, { pattern: 'straight' }), { layers: { ...NONE, jumpers: true } });
    const curves = made.of('bezierCurveTo');
    expect(curves).toHaveLength(3);
    for (const curve of curves) expect(curve.dash).toEqual([4, 3]);
    // Each strand is begun anew; a serpentine is one line through its turns.
    expect(made.of('moveTo').length).toBe(4 + 3);
    expect(draw(aGrid('net', 10, 4), { layers: NONE }).of('bezierCurveTo')).toEqual([]);
  });

  it('steps back where another run is selected', () => {
    const made = draw(aGrid('net', 6, 4, { runs: 2 }), { marks: { run: 1 }, layers: { numbers: false } });
    const tabs = made.of('fillText');
    expect(tabs.map(({ globalAlpha }) => globalAlpha)).toEqual([0.35, 1]);
  });
});

describe('marks', () => {
  it('ring the selected pixel in the colour of the lamp, and the one below the pointer', () => {
    const made = draw(aLine('rail', 10), { layers: NONE, marks: { selected: 3, hovered: 5 } });
    const rings = made.of('arc').map(({ args, strokeStyle }) => [args[0], strokeStyle]);
    expect(rings).toEqual([
      [made.at(5).x, PALETTE.text],
      [made.at(3).x, PALETTE.lamp],
    ]);
    // One ring where both are the same.
    expect(
      draw(aLine('rail', 10), { layers: NONE, marks: { selected: 3, hovered: 3 } }).of('arc'),
    ).toHaveLength(1);
  });
});

it('draws dots alone where they are too small for lines', () => {
  const made = draw(aGrid('net', 700, 500), {
    layers: { chevrons: true, jumpers: true, ports: false, numbers: false },
  });
  expect(made.of('putImageData')).toHaveLength(1);
  expect(made.of('stroke')).toEqual([]);
});

it('says how long its scale is, in a round length', () => {
  const made = draw(aLine('rail', 50), { layers: { ...NONE, scaleBar: { lengths: undefined } } });
  expect(made.words()).toHaveLength(1);
  const length = made.words()[0]!;
  expect(length).toMatch(/^(1|2|5)0*(\.\d+)? m?m$/);
  const [right, left] = [
    made.of('lineTo').at(-1)!.args[0] as number,
    made.of('moveTo').at(-1)!.args[0] as number,
  ];
  const mm = parseFloat(length) * (length.endsWith(' mm') ? 1 : 1000);
  // As long on screen as it says: pixels are 50 mm apart.
  expect(right - left).toBeCloseTo((mm / 50) * (made.at(1).x - made.at(0).x), 1);
});

it('marks where a prop comes apart by long dashes across it, and pixels that are not seen by hollow ones', () => {
  const net = aGrid('net', 10, 4);
  const apart = { ...net, shape: { ...net.shape, seamsAfterColumns: [5] } } as Prop;
  const made = draw(apart, { layers: NONE });
  const seams = made.of('stroke').filter(({ dash }) => dash[0] === 12);
  expect(seams).toHaveLength(1);
  const scene = { ...made.scene, hiddenPixels: [2, 7] };
  const again = recorder();
  drawScene(again.context, scene, fit(scene.bounds!, SIZE, 64), SIZE, 1, NONE, UNMARKED, PALETTE);
  expect(again.of('arc')).toHaveLength(2);
  expect(again.of('fill').every(({ fillStyle }) => fillStyle === PALETTE.ground)).toBe(true);
});
