// The cost of a picture on its way to 600 lights: opened and read in the browser, and the colours worked out, for a whole and a small capture.
// A third of the time of a picture at 30 a second is 11.1 ms.
import { goal, middleMs, sized, table } from './report';
import { startBrowser } from '../scripts/lib/demoServer';
import { Pipeline } from '../src/core/screens/pipeline';
import { USUAL_PIPELINE } from '../src/core/screens/pipelineSettings';
import { screen } from '../src/core/props/screen';
import { zoneSides, zonesOf } from '../src/core/screens/zones';

const shape = {
  ...screen.starter().shape,
  size: { by: 'diagonal' as const, diagonalMm: 2360, aspectWidth: 16, aspectHeight: 9 },
  pixelsPerMetre: 96,
};
const zones = zonesOf(shape);
const SIZES = [
  [1280, 720],
  [320, 180],
] as const;

async function main() {
  const browser = await startBrowser();
  try {
    const page = await browser.newPage();
    // The compiler that runs this file calls __name to name functions, which the page does not know.
    await page.addInitScript('window.__name = (named) => named');
    await page.goto('about:blank');
    const rows = [];
    for (const [width, height] of SIZES) {
      const rgba = Uint8Array.from({ length: 4 * width * height }, (_, i) => (i * 7919) & 255);
      const pipeline = new Pipeline(zones, zoneSides(shape), USUAL_PIPELINE);
      const worked = middleMs(sized(31, 3), () => pipeline.step({ width, height, rgba }, 33));
      const { opened, read } = await page.evaluate(
        async ([w, h]) => {
          const canvas = new OffscreenCanvas(w, h);
          const context = canvas.getContext('2d', { willReadFrequently: true })!;
          context.fillStyle = 'red';
          context.fillRect(0, 0, w / 2, h);
          const file = await canvas.convertToBlob({ type: 'image/jpeg' });
          const times = { opened: [] as number[], read: [] as number[] };
          for (let i = 0; i < 31; i += 1) {
            const began = performance.now();
            const image = await createImageBitmap(file);
            const there = performance.now();
            context.drawImage(image, 0, 0);
            context.getImageData(0, 0, w, h);
            times.opened.push(there - began);
            times.read.push(performance.now() - there);
          }
          const middle = (all: number[]) => all.sort((a, b) => a - b)[15]!;
          return { opened: middle(times.opened), read: middle(times.read) };
        },
        [width, height] as const,
      );
      rows.push({
        captured: `${width} × ${height}`,
        lights: zones.length,
        'opened, ms': opened.toFixed(2),
        'read, ms': read.toFixed(2),
        'colours, ms': worked.toFixed(2),
        goal: goal('colours ≤ 11.1 ms', worked <= 11.1),
      });
    }
    table('screen', rows);
  } finally {
    await browser.close();
  }
}

void main();
