/**
 * Dots drawn straight into the pixels of an image. A canvas draws some thousand small pictures or arcs a frame at most;
 * written by hand, a dot costs as many assignments as it covers screen pixels.
 */
export class DotImage {
  private image: ImageData | null = null;
  /** One screen pixel a word: alpha, blue, green, red from the highest byte down. */
  private words = new Uint32Array(0);

  /** Starts an empty image of the size of a canvas, in device pixels. */
  begin(context: CanvasRenderingContext2D, width: number, height: number): void {
    if (this.image?.width !== width || this.image.height !== height) {
      this.image = context.createImageData(width, height);
      this.words = new Uint32Array(this.image.data.buffer);
    } else this.words.fill(0);
  }

  /**
   * Draws a round dot; where dots overlap, the stronger one stands.
   *
   * @param x of its middle, in device pixels; `y` likewise
   * @param radius in device pixels
   * @param colour `0xbbggrr`
   * @param alpha 0..255
   */
  dot(x: number, y: number, radius: number, colour: number, alpha: number): void {
    const { width, height } = this.image!;
    if (x < -radius || y < -radius || x > width + radius || y > height + radius) return;
    const left = Math.floor(x);
    const top = Math.floor(y);
    if (radius < SPECK) {
      const at = top * width + left;
      if (left >= 0 && top >= 0 && left < width && top < height && alpha > this.words[at]! >>> 24)
        this.words[at] = ((alpha << 24) | colour) >>> 0;
      return;
    }
    const mask = maskFor(radius, x - left, y - top);
    const reach = mask.reach;
    const fromX = Math.max(-reach, -left);
    const toX = Math.min(reach, width - 1 - left);
    const toY = Math.min(reach, height - 1 - top);
    for (let dy = Math.max(-reach, -top); dy <= toY; dy += 1) {
      const row = (top + dy) * width + left;
      const maskRow = (dy + reach) * mask.size + reach;
      for (let dx = fromX; dx <= toX; dx += 1) {
        const strength = (mask.coverage[maskRow + dx]! * alpha) >> 8;
        if (strength > this.words[row + dx]! >>> 24) this.words[row + dx] = ((strength << 24) | colour) >>> 0;
      }
    }
  }

  /** Puts the image on the canvas, in place of all that was there. */
  end(context: CanvasRenderingContext2D): void {
    context.putImageData(this.image!, 0, 0);
  }
}

interface Mask {
  /** Screen pixels from the middle one to the edge. */
  reach: number;
  size: number;
  /** 0..256 a screen pixel. */
  coverage: Uint16Array;
}

/** Dots below this radius are one screen pixel each; there are hundreds of thousands of them. */
const SPECK = 0.75;

/** Steps of a screen pixel in which a dot's middle is told apart, so that rows of dots stay even. */
const PHASES = 4;
const masks = new Map<number, Mask>();

function maskFor(radius: number, restX: number, restY: number): Mask {
  const quarters = Math.max(1, Math.round(radius * 4));
  const phaseX = Math.floor(restX * PHASES);
  const phaseY = Math.floor(restY * PHASES);
  const key = (quarters * PHASES + phaseX) * PHASES + phaseY;
  let mask = masks.get(key);
  if (!mask)
    masks.set(key, (mask = makeMask(quarters / 4, (phaseX + 0.5) / PHASES, (phaseY + 0.5) / PHASES)));
  return mask;
}

function makeMask(radius: number, middleX: number, middleY: number): Mask {
  const reach = Math.ceil(radius + 0.5);
  const size = 2 * reach + 1;
  const coverage = new Uint16Array(size * size);
  // A dot smaller than a screen pixel is still one, only fainter.
  const most = Math.min(1, Math.PI * radius * radius + 0.35);
  for (let y = -reach; y <= reach; y += 1)
    for (let x = -reach; x <= reach; x += 1) {
      const distance = Math.hypot(x + 0.5 - middleX, y + 0.5 - middleY);
      const covered = Math.min(Math.max(radius + 0.5 - distance, 0), most);
      coverage[(y + reach) * size + x + reach] = Math.round(covered * 256);
    }
  return { reach, size, coverage };
}
