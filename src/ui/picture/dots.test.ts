import { DotImage } from './dots';

/** A canvas of which only the image is kept. */
function canvas(width: number, height: number) {
  let shown: ImageData | null = null;
  const context = {
    createImageData: (w: number, h: number) => ({
      width: w,
      height: h,
      data: new Uint8ClampedArray(w * h * 4),
    }),
    putImageData: (image: ImageData) => {
      shown = image;
    },
  } as unknown as CanvasRenderingContext2D;
  const dots = new DotImage();
  dots.begin(context, width, height);
  return {
    dots,
    context,
    /** Red, green, blue, alpha of a screen pixel. */
    at: (x: number, y: number) => {
      dots.end(context);
      return [...shown!.data.slice((y * width + x) * 4, (y * width + x) * 4 + 4)];
    },
    sum: () => {
      dots.end(context);
      let sum = 0;
      for (let i = 3; i < shown!.data.length; i += 4) sum += shown!.data[i]!;
      return sum / 255;
    },
  };
}

const RED = 0x0000ff;
const BLUE = 0xff0000;

it('draws a round dot of its colour, full in the middle and nothing in the corners', () => {
  const { dots, at } = canvas(20, 20);
  dots.dot(10, 10, 4, RED, 255);
  expect(at(10, 10)).toEqual([255, 0, 0, 255]);
  expect(at(6, 6)[3]).toBe(0);
  expect(at(13, 10)[3]).toBeGreaterThan(0);
});

it.each([1, 1.5, 2, 3.25, 6, 9])('covers about the area of a circle of radius %d', (radius) => {
  const { dots, sum } = canvas(40, 40);
  dots.dot(20.3, 19.6, radius, RED, 255);
  expect(sum()).toBeGreaterThan(Math.PI * radius * radius * 0.85);
  expect(sum()).toBeLessThan(Math.PI * (radius + 0.3) ** 2);
});

it('lets the stronger of two dots stand', () => {
  const { dots, at } = canvas(10, 10);
  dots.dot(5, 5, 2, RED, 255);
  dots.dot(5, 5, 2, BLUE, 100);
  expect(at(5, 5)).toEqual([255, 0, 0, 255]);
});

it('draws what is half outside, and leaves out what is outside', () => {
  const { dots, at, sum } = canvas(10, 10);
  dots.dot(0, 0, 3, RED, 255);
  expect(at(0, 0)[3]).toBeGreaterThan(200);
  expect(at(9, 9)[3]).toBe(0);
  const before = sum();
  for (const [x, y] of [
    [-50, 5],
    [60, 5],
    [5, -50],
    [5, 60],
  ] as const)
    dots.dot(x, y, 3, RED, 255);
  expect(sum()).toBe(before);
});

it('does not spill over an edge into the next row', () => {
  const { dots, at } = canvas(10, 10);
  dots.dot(9.5, 5, 2, RED, 255);
  for (let y = 0; y < 10; y += 1) expect(at(0, y)[3]).toBe(0);
});

it('draws specks as one screen pixel each', () => {
  const { dots, sum, at } = canvas(10, 10);
  dots.dot(3.7, 4.2, 0.4, RED, 255);
  expect(at(3, 4)).toEqual([255, 0, 0, 255]);
  expect(sum()).toBe(1);
});

it('starts empty again', () => {
  const { dots, context, sum } = canvas(10, 10);
  dots.dot(5, 5, 3, RED, 255);
  dots.begin(context, 10, 10);
  expect(sum()).toBe(0);
});
