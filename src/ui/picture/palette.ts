/** The colours of the page that a drawing needs, read from the theme. */
export interface Palette {
  ground: string;
  surface: string;
  line: string;
  text: string;
  textDim: string;
  lamp: string;
  iris: string;
  bad: string;
  ember: string;
  onTab: string;
  runs: readonly string[];
}

export function readPalette(element: Element): Palette {
  const style = getComputedStyle(element);
  const token = (name: string) => style.getPropertyValue(`--${name}`).trim();
  return {
    ground: token('ground'),
    surface: token('surface-2'),
    line: token('line'),
    text: token('text-1'),
    textDim: token('text-3'),
    lamp: token('lamp'),
    iris: token('iris'),
    bad: token('bad'),
    ember: token('ember'),
    onTab: token('ground'),
    runs: [1, 2, 3, 4, 5, 6].map((n) => token(`run-${n}`)),
  };
}

const rgbCache = new Map<string, [number, number, number]>();

/** `#43c9c4` → 67, 201, 196. */
export function rgbOf(colour: string): [number, number, number] {
  let rgb = rgbCache.get(colour);
  if (!rgb) {
    const value = parseInt(colour.slice(1), 16);
    rgb = [(value >> 16) & 255, (value >> 8) & 255, value & 255];
    rgbCache.set(colour, rgb);
  }
  return rgb;
}
