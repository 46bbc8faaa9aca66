import type { Size } from './camera';
import type { DotImage } from './dots';
import { rgbOf, type Palette } from './palette';
import type { Scene } from './scene';

/** Light of pixels, in the place of the colours of their runs. */
export interface Lit {
  /** Red, green, blue and white of each pixel of the scene, 0 to 255 of their light, one after another. */
  light: Uint8Array;
  /** 1 where no supply reaches. */
  unfed: Uint8Array;
  /** Pixels that a lead goes to. */
  feeds: readonly number[];
  /** Pixels behind which plus is cut. */
  cuts: readonly number[];
  /** 1 where the conductors from a pixel to the next are too hot. */
  hot?: Uint8Array | undefined;
}

/** The canvas, with the pixels where they are on the screen. */
interface Canvas {
  context: CanvasRenderingContext2D;
  scene: Scene;
  x: Float32Array;
  y: Float32Array;
  size: Size;
  palette: Palette;
  /** Radius of a dot. */
  dotPx: number;
}

/** Light adds up, and the eye sees less light as less than a screen does: its values go by the power of 1/2.2. */
const ON_SCREEN = Uint8Array.from({ length: 256 }, (_, i) => Math.round(255 * (i / 255) ** (1 / 2.2)));

/** Light is seen against the night in both themes, and so are its marks. */
const ON_NIGHT = { lead: '#ffb84d', cut: '#eef4f3', hot: '#ff6b4a' };

/** Each pixel in the colour that it really has; one that nothing feeds is a faint speck. */
export function drawLight(
  { context, scene, x, y, size, dotPx, palette }: Canvas,
  dots: DotImage,
  { light, unfed }: Lit,
): void {
  const { width, height } = context.canvas;
  const ratio = width / size.widthPx;
  const [red, green, blue] = rgbOf(palette.textDim);
  const dark = (blue << 16) | (green << 8) | red;
  dots.begin(context, width, height);
  for (let i = 0; i < scene.pixelCount; i += 1) {
    const at = 4 * i;
    const white = light[at + 3]!;
    const share = (part: number) => ON_SCREEN[Math.min(255, light[at + part]! + white)]!;
    const colour = (share(2) << 16) | (share(1) << 8) | share(0);
    const isDark = unfed[i] === 1 || colour === 0;
    dots.dot(
      x[i]! * ratio,
      y[i]! * ratio,
      dotPx * ratio * (isDark ? 0.6 : 1),
      isDark ? dark : colour,
      isDark ? 110 : 255,
    );
  }
  dots.end(context);
}

/** A square about each pixel that a lead goes to, a bar across the way where plus is cut, and a thick line along what is too hot. */
export function drawFeeding({ context, x, y, dotPx }: Canvas, { feeds, cuts, hot }: Lit): void {
  if (hot) {
    context.strokeStyle = ON_NIGHT.hot;
    context.lineWidth = 2 * dotPx + 5;
    context.beginPath();
    hot.forEach((isHot, pixel) => {
      const [fromX, fromY, toX, toY] = [x[pixel], y[pixel], x[pixel + 1], y[pixel + 1]];
      if (!isHot || fromX === undefined || fromY === undefined || toX === undefined || toY === undefined)
        return;
      context.moveTo(fromX, fromY);
      context.lineTo(toX, toY);
    });
    context.stroke();
  }
  context.strokeStyle = ON_NIGHT.lead;
  context.lineWidth = 2;
  context.setLineDash([]);
  for (const pixel of feeds) {
    if (x[pixel] === undefined) continue;
    const reach = Math.max(5, dotPx + 3);
    context.strokeRect(x[pixel] - reach, y[pixel]! - reach, 2 * reach, 2 * reach);
  }
  context.lineWidth = 3;
  context.strokeStyle = ON_NIGHT.cut;
  context.beginPath();
  for (const pixel of cuts) {
    if (x[pixel + 1] === undefined) continue;
    const [alongX, alongY] = [x[pixel + 1]! - x[pixel]!, y[pixel + 1]! - y[pixel]!];
    const apart = Math.hypot(alongX, alongY) || 1;
    const [middleX, middleY] = [x[pixel]! + alongX / 2, y[pixel]! + alongY / 2];
    const [acrossX, acrossY] = [(-9 * alongY) / apart, (9 * alongX) / apart];
    context.moveTo(middleX - acrossX, middleY - acrossY);
    context.lineTo(middleX + acrossX, middleY + acrossY);
  }
  context.stroke();
}
