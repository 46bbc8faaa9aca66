import { dataOrder, frameLights, framePieces } from '@/core/screens/frame';
import { pictureSize, type ScreenShape } from '@/core/screens/shape';
import { itemAt } from '@/core/units/there';

/** Light adds up, and a screen shows half of it as a byte of 188. */
const onScreen = (byte: number) => Math.round(255 * (byte / 255) ** (1 / 2.2));

/** Depth of light on the wall, as a share of the height of the screen. */
const REACH = 0.34;

/** The wall, the glow of each light on it, and the picture before it. @param bytes red, green and blue of each light in data order */
export function drawGlow(
  canvas: HTMLCanvasElement,
  shape: ScreenShape,
  bytes: Uint8Array,
  picture: CanvasImageSource,
  wall: string,
): void {
  const ratio = window.devicePixelRatio || 1;
  const { clientWidth, clientHeight } = canvas;
  if (canvas.width !== Math.round(clientWidth * ratio)) canvas.width = Math.round(clientWidth * ratio);
  if (canvas.height !== Math.round(clientHeight * ratio)) canvas.height = Math.round(clientHeight * ratio);
  const context = canvas.getContext('2d')!;
  const { width, height } = canvas;
  const { widthMm, heightMm } = pictureSize(shape);
  const scale = Math.min(width / (widthMm + 2 * REACH * heightMm), height / (heightMm * (1 + 2 * REACH)));
  const [middleX, middleY] = [width / 2, height / 2];
  context.globalCompositeOperation = 'source-over';
  context.fillStyle = '#050708';
  context.fillRect(0, 0, width, height);
  context.globalCompositeOperation = 'lighter';
  const lights = frameLights(framePieces(shape));
  const reach = REACH * heightMm * scale;
  // Lights that lie close lie over one another: each gives its share.
  const share = Math.min(1, (3.2 * 1000) / shape.pixelsPerMetre / (REACH * heightMm));
  dataOrder(shape).forEach((place, i) => {
    const { xMm, yMm } = itemAt(lights, place);
    const [red, green, blue] = [bytes[3 * i] ?? 0, bytes[3 * i + 1] ?? 0, bytes[3 * i + 2] ?? 0].map(
      onScreen,
    );
    if (red === 0 && green === 0 && blue === 0) return;
    const [x, y] = [middleX + xMm * scale, middleY - yMm * scale];
    const glow = context.createRadialGradient(x, y, 0, x, y, reach);
    glow.addColorStop(0, `rgb(${red} ${green} ${blue} / ${share})`);
    glow.addColorStop(0.4, `rgb(${red} ${green} ${blue} / ${0.35 * share})`);
    glow.addColorStop(1, `rgb(${red} ${green} ${blue} / 0)`);
    context.fillStyle = glow;
    context.fillRect(x - reach, y - reach, 2 * reach, 2 * reach);
  });
  // A wall gives back its own colour of what falls on it.
  context.globalCompositeOperation = 'multiply';
  context.fillStyle = wall;
  context.fillRect(0, 0, width, height);
  context.globalCompositeOperation = 'source-over';
  const [w, h] = [widthMm * scale, heightMm * scale];
  context.drawImage(picture, middleX - w / 2, middleY - h / 2, w, h);
}
