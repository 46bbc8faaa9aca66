/** Moving pictures that the product makes by itself. */
interface PreviewScene {
  id: string;
  name: string;
  /** The thing to look for. */
  shows: string;
  draw: (context: CanvasRenderingContext2D, width: number, height: number, timeS: number) => void;
}

const fill = (
  context: CanvasRenderingContext2D,
  colour: string | CanvasGradient,
  x: number,
  y: number,
  w: number,
  h: number,
) => {
  context.fillStyle = colour;
  context.fillRect(x, y, w, h);
};

export const SCENES: readonly PreviewScene[] = [
  {
    id: 'blocks',
    name: 'Moving blocks',
    shows: 'Each block drags its colour along the edge that it is near.',
    draw: (context, width, height, timeS) => {
      fill(context, '#06121f', 0, 0, width, height);
      ['#e5432f', '#f5c042', '#37b35a', '#3f7be0'].forEach((colour, i) => {
        const x = ((timeS * 0.11 + i * 0.27) % 1.2) - 0.1;
        const y = 0.5 + 0.42 * Math.sin(timeS * 0.7 + i * 1.7);
        fill(context, colour, x * width, y * height - 0.12 * height, 0.2 * width, 0.24 * height);
      });
    },
  },
  {
    id: 'leaving',
    name: 'A bright thing leaves on the right',
    shows: 'The right side flares as it goes; how long it glows after is the smoothing.',
    draw: (context, width, height, timeS) => {
      fill(context, '#0b1a2b', 0, 0, width, height);
      const x = (timeS * 0.35) % 1.6;
      const glow = context.createRadialGradient(
        x * width,
        0.45 * height,
        2,
        x * width,
        0.45 * height,
        0.22 * width,
      );
      glow.addColorStop(0, '#fff3d0');
      glow.addColorStop(0.35, '#ffb84d');
      glow.addColorStop(1, 'rgb(11 26 43 / 0)');
      fill(context, glow, 0, 0, width, height);
    },
  },
  {
    id: 'letterbox',
    name: 'Black bars',
    shows: 'With bars left out, top and bottom light as the picture does; else they stay dark.',
    draw: (context, width, height, timeS) => {
      fill(context, '#000', 0, 0, width, height);
      const top = 0.13 * height;
      const sky = context.createLinearGradient(0, top, 0, height - top);
      sky.addColorStop(0, '#3f7be0');
      sky.addColorStop(0.6, '#f2a65a');
      sky.addColorStop(1, '#23404a');
      fill(context, sky, 0, top, width, height - 2 * top);
      fill(
        context,
        '#fff6d8',
        (0.2 + 0.6 * (0.5 + 0.5 * Math.sin(timeS * 0.4))) * width,
        0.4 * height,
        18,
        18,
      );
    },
  },
  {
    id: 'pan',
    name: 'Slow pan',
    shows: 'Colours wander along the edge without jumps.',
    draw: (context, width, height, timeS) => {
      for (let x = 0; x < width; x += 4)
        fill(context, `hsl(${(360 * (x / width + timeS * 0.05)) % 360} 70% 50%)`, x, 0, 4, height);
    },
  },
  {
    id: 'corners',
    name: 'Corners',
    shows:
      'Red top left, green top right, blue bottom right, white bottom left: start, direction and mirror.',
    draw: (context, width, height) => {
      fill(context, '#101010', 0, 0, width, height);
      fill(context, '#f00', 0, 0, width / 4, height / 4);
      fill(context, '#0f0', (3 * width) / 4, 0, width / 4, height / 4);
      fill(context, '#00f', (3 * width) / 4, (3 * height) / 4, width / 4, height / 4);
      fill(context, '#fff', 0, (3 * height) / 4, width / 4, height / 4);
    },
  },
  {
    id: 'white',
    name: 'White',
    shows: 'A wall or a strip with a tint: turn the gains down until the wall matches the screen.',
    draw: (context, width, height) => fill(context, '#fff', 0, 0, width, height),
  },
];
