import type { Palette } from '@/ui/picture/palette';

export const PALETTE: Palette = {
  ground: '#000001',
  surface: '#000002',
  line: '#000003',
  text: '#000004',
  textDim: '#000005',
  lamp: '#000006',
  iris: '#000007',
  bad: '#000008',
  ember: '#00000a',
  onTab: '#000009',
  runs: ['#100000', '#200000', '#300000'],
};

/** A call of a canvas: a method with its arguments, and the settings that were in force. */
interface DrawCall {
  name: string;
  args: readonly unknown[];
  fillStyle: string;
  strokeStyle: string;
  globalAlpha: number;
  dash: readonly number[];
}

export interface WrittenText {
  text: string;
  /** Its box on screen; letters are 7 px wide here and lines 14 px high. */
  left: number;
  right: number;
  top: number;
  bottom: number;
  fillStyle: string;
}

const LETTER_PX = 7;

/** A canvas context that writes down what is asked of it, at one device pixel a CSS pixel. */
export function recorder(widthPx = 1000, heightPx = 700) {
  const calls: DrawCall[] = [];
  const settings: Record<string, unknown> = {
    fillStyle: '',
    strokeStyle: '',
    globalAlpha: 1,
    textAlign: 'left',
    canvas: { width: widthPx, height: heightPx },
  };
  let dash: number[] = [];
  const answers: Record<string, (...args: never[]) => unknown> = {
    measureText: (text: string) => ({ width: text.length * LETTER_PX }),
    createImageData: (width: number, height: number) => ({
      width,
      height,
      data: new Uint8ClampedArray(width * height * 4),
    }),
  };
  const texts: WrittenText[] = [];
  const context = new Proxy(settings, {
    get: (target, name: string) => {
      if (name in target) return target[name];
      return (...args: unknown[]) => {
        if (name === 'setLineDash') dash = args[0] as number[];
        calls.push({
          name,
          args,
          fillStyle: String(target.fillStyle),
          strokeStyle: String(target.strokeStyle),
          globalAlpha: Number(target.globalAlpha),
          dash,
        });
        if (name === 'fillText') {
          const [text, x, y] = args as [string, number, number];
          const width = text.length * LETTER_PX;
          const left =
            target.textAlign === 'center' ? x - width / 2 : target.textAlign === 'right' ? x - width : x;
          texts.push({
            text,
            left,
            right: left + width,
            top: y - 7,
            bottom: y + 7,
            fillStyle: String(target.fillStyle),
          });
        }
        return answers[name]?.(...(args as never[]));
      };
    },
    set: (target, name: string, value: unknown) => {
      target[name] = value;
      return true;
    },
  }) as unknown as CanvasRenderingContext2D;
  return {
    context,
    calls,
    texts,
    /** Calls of one method. */
    of: (name: string) => calls.filter((call) => call.name === name),
    words: () => texts.map(({ text }) => text),
  };
}

/** Pairs of texts that lie on one another. */
export function overlaps(texts: readonly WrittenText[]): string[] {
  return texts.flatMap((a, i) =>
    texts
      .slice(i + 1)
      .filter((b) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
      .map((b) => `${a.text} on ${b.text}`),
  );
}
