import { XmlElement, XmlError, parseXml } from '@rgrove/parse-xml';
import svgpath from 'svgpath';
import { addCubic, type Outline } from '@/core/points/outline';
import { PointsError } from '@/core/points/pointList';
import { countOf, groupDigits } from '@/core/units/number';

export interface Drawing {
  outlines: Outline[];
  /** Extent of the outlines, in the units of the drawing. */
  left: number;
  top: number;
  width: number;
  height: number;
  /** What the drawing says of its size; null where it does not. */
  mmPerUnit: number | null;
  /** What was left out, in words. */
  leftOut: string[];
}

const MOST_ELEMENTS = 200_000;
const MOST_CORNERS = 2_000_000;

/** Elements whose content is not drawn where it stands. */
const NOT_DRAWN = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'pattern',
  'marker',
  'linearGradient',
  'radialGradient',
  'filter',
  'style',
  'script',
  'metadata',
  'title',
  'desc',
]);
const LEFT_OUT: Record<string, string> = { text: 'text', image: 'image', foreignObject: 'foreign object' };
const UNIT_MM: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: 25.4 / 96,
  '': 25.4 / 96,
};

/**
 * Reads the outlines of an SVG drawing: paths, lines, polylines, polygons, rectangles, circles and ellipses, with their
 * transformations. The text is only ever parsed, never shown.
 *
 * @param progress called with the part of the elements that is read, 0 to 1
 * @throws PointsError with the line where the file is damaged, or what is missing
 */
export function readSvg(text: string, progress: (part: number) => void = () => {}): Drawing {
  const root = rootOf(text);
  const byId = new Map<string, XmlElement>();
  let elements = 0;
  const index = (element: XmlElement) => {
    elements += 1;
    if (elements > MOST_ELEMENTS)
      throw new PointsError(
        `This drawing has more than ${groupDigits(MOST_ELEMENTS)} elements. Simplify it, or split it.`,
      );
    if (element.attributes.id) byId.set(element.attributes.id, element);
    for (const child of childrenOf(element)) index(child);
  };
  index(root);

  const leftOut = new Map<string, number>();
  const outlines: Outline[] = [];
  const box = viewBoxOf(root);
  // Far finer than the pitch of any pixel on it; without a view box drawings are mostly some hundred units wide.
  const tolerance = box ? Math.hypot(box.width, box.height) / 5000 : 0.05;
  let done = 0;
  let corners = 0;
  const visit = (element: XmlElement, transforms: readonly string[], uses: number) => {
    done += 1;
    if (done % 2000 === 0) progress(Math.min(1, done / elements));
    if (done > MOST_ELEMENTS)
      throw new PointsError(
        `This drawing repeats its parts more than ${groupDigits(MOST_ELEMENTS)} times. Simplify it.`,
      );
    const { name, attributes } = element;
    if (NOT_DRAWN.has(name) || isHidden(attributes)) return;
    if (LEFT_OUT[name]) {
      leftOut.set(LEFT_OUT[name], (leftOut.get(LEFT_OUT[name]) ?? 0) + 1);
      return;
    }
    const chain = attributes.transform ? [attributes.transform, ...transforms] : transforms;
    if (name === 'use') {
      const target = byId.get((attributes.href ?? attributes['xlink:href'] ?? '').replace(/^#/, ''));
      if (!target || uses > 20) return;
      const shift = `translate(${numberOf(attributes.x)} ${numberOf(attributes.y)})`;
      if (target.name === 'symbol')
        for (const child of childrenOf(target)) visit(child, [shift, ...chain], uses + 1);
      else visit(target, [shift, ...chain], uses + 1);
      return;
    }
    const data = pathOf(name, attributes);
    if (data) {
      for (const outline of flatten(data, chain, tolerance)) {
        corners += outline.points.length;
        if (corners > MOST_CORNERS)
          throw new PointsError('This drawing is too fine to follow. Simplify its paths.');
        outlines.push(outline);
      }
    }
    for (const child of childrenOf(element)) visit(child, chain, uses);
  };
  visit(root, [], 0);

  if (outlines.length === 0)
    throw new PointsError(
      `There is no outline in this drawing.${leftOut.size > 0 ? ` It has ${leftOutWords(leftOut).join(' and ')}: turn texts into paths first.` : ''}`,
    );
  return { outlines, ...extentOf(outlines), mmPerUnit: mmPerUnitOf(root), leftOut: leftOutWords(leftOut) };
}

function rootOf(text: string): XmlElement {
  let root: XmlElement | null;
  try {
    root = parseXml(text).root;
  } catch (error) {
    if (!(error instanceof XmlError)) throw error;
    throw new PointsError(
      `This is not a sound SVG file: line ${groupDigits(error.line)}, column ${error.column}: ${error.message.split('\n')[0]!.replace(/ \(line.*/, '')}.`,
      error.line,
    );
  }
  if (root?.name !== 'svg')
    throw new PointsError(
      `This is not an SVG file: it begins with ${root ? `<${root.name}>` : 'nothing'}, not with <svg>.`,
    );
  return root;
}

function childrenOf(element: XmlElement): XmlElement[] {
  return element.children.filter((child): child is XmlElement => child instanceof XmlElement);
}

type Attributes = Readonly<Record<string, string>>;

function isHidden({ display, visibility, style = '' }: Attributes): boolean {
  return (
    display === 'none' || visibility === 'hidden' || /display\s*:\s*none|visibility\s*:\s*hidden/.test(style)
  );
}

function numberOf(text: string | undefined): number {
  const value = Number.parseFloat(text ?? '');
  return Number.isFinite(value) ? value : 0;
}

/** The path data of a shape; undefined for what is none. */
function pathOf(name: string, attributes: Attributes): string | undefined {
  const of = (key: string) => numberOf(attributes[key]);
  switch (name) {
    case 'path':
      return attributes.d;
    case 'line':
      return `M${of('x1')} ${of('y1')}L${of('x2')} ${of('y2')}`;
    case 'polyline':
      return attributes.points && `M${attributes.points}`;
    case 'polygon':
      return attributes.points && `M${attributes.points}Z`;
    case 'rect': {
      const [x, y, width, height] = [of('x'), of('y'), of('width'), of('height')];
      if (width <= 0 || height <= 0) return undefined;
      // One radius stands for both where the other is not given.
      const rx = Math.min(numberOf(attributes.rx ?? attributes.ry), width / 2);
      const ry = Math.min(numberOf(attributes.ry ?? attributes.rx), height / 2);
      if (rx <= 0 || ry <= 0) return `M${x} ${y}h${width}v${height}h${-width}Z`;
      const [across, down] = [width - 2 * rx, height - 2 * ry];
      const round = (toX: number, toY: number) => `a${rx} ${ry} 0 0 1 ${toX} ${toY}`;
      return `M${x + rx} ${y}h${across}${round(rx, ry)}v${down}${round(-rx, ry)}h${-across}${round(-rx, -ry)}v${-down}${round(rx, -ry)}Z`;
    }
    case 'circle':
      return ellipsePath(of('cx'), of('cy'), of('r'), of('r'));
    case 'ellipse':
      return ellipsePath(of('cx'), of('cy'), of('rx'), of('ry'));
    default:
      return undefined;
  }
}

function ellipsePath(cx: number, cy: number, rx: number, ry: number): string | undefined {
  if (rx <= 0 || ry <= 0) return undefined;
  return `M${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}Z`;
}

/** The parts of a path as lines through points. Transformations are from the innermost outwards. */
function flatten(data: string, transforms: readonly string[], tolerance: number): Outline[] {
  // Damaged data is followed up to the fault, as browsers do.
  let path = svgpath(data);
  for (const transform of transforms) path = path.transform(transform);
  path = path.abs().unshort().unarc();
  const outlines: Outline[] = [];
  let points: number[] = [];
  const end = (closed: boolean) => {
    const last = points.length - 2;
    // A path that goes back to its start by a line of its own, and is closed then, has that corner once.
    if (closed && last > 0 && points[0] === points[last] && points[1] === points[last + 1])
      points.splice(last, 2);
    if (points.length > 2) outlines.push({ points, closed });
    points = [];
  };
  path.iterate((segment, _index, x, y) => {
    const numbers = segment.slice(1) as number[];
    const start: [number, number] = [x, y];
    if (segment[0] !== 'M' && segment[0] !== 'Z' && points.length === 0) points.push(...start);
    switch (segment[0]) {
      case 'M':
        end(false);
        points.push(numbers[0]!, numbers[1]!);
        break;
      case 'L':
        points.push(numbers[0]!, numbers[1]!);
        break;
      case 'H':
        points.push(numbers[0]!, y);
        break;
      case 'V':
        points.push(x, numbers[0]!);
        break;
      case 'C':
        addCubic(points, numbers as [number, number, number, number, number, number], tolerance);
        break;
      case 'Q': {
        const [qx, qy, toX, toY] = numbers as [number, number, number, number];
        // A quadratic curve is the cubic whose control points lie two thirds of the way to its own.
        addCubic(
          points,
          [
            x + ((qx - x) * 2) / 3,
            y + ((qy - y) * 2) / 3,
            toX + ((qx - toX) * 2) / 3,
            toY + ((qy - toY) * 2) / 3,
            toX,
            toY,
          ],
          tolerance,
        );
        break;
      }
      case 'Z':
        end(true);
        break;
    }
  });
  end(false);
  return outlines;
}

function extentOf(outlines: readonly Outline[]) {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points } of outlines)
    for (let i = 0; i < points.length; i += 2) {
      left = Math.min(left, points[i]!);
      right = Math.max(right, points[i]!);
      top = Math.min(top, points[i + 1]!);
      bottom = Math.max(bottom, points[i + 1]!);
    }
  return { left, top, width: right - left, height: bottom - top };
}

/** Millimetres of one unit, from the width of the drawing and its view box; null where it has no width with a unit. */
function mmPerUnitOf(root: XmlElement): number | null {
  const width = /^\s*([\d.]+)\s*(mm|cm|in|pt|pc)\s*$/.exec(root.attributes.width ?? '');
  if (!width) return null;
  const widthMm = Number(width[1]) * UNIT_MM[width[2]!]!;
  return widthMm > 0 ? widthMm / (viewBoxOf(root)?.width ?? widthMm / UNIT_MM.px!) : null;
}

function viewBoxOf({ attributes }: XmlElement): { width: number; height: number } | null {
  const [, , width, height] = (attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  return width! > 0 && height! > 0 ? { width: width!, height: height! } : null;
}

function leftOutWords(leftOut: ReadonlyMap<string, number>): string[] {
  return [...leftOut].map(([word, count]) => countOf(count, word));
}
