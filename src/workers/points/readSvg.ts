import { XmlElement, XmlError, parseXml } from '@rgrove/parse-xml';
import { outlineLength, type Outline } from '@/core/props/points/outline';
import { PointsError } from '@/core/props/points/pointList';
import { countOf, groupDigits } from '@/core/units/number';
import { flatten, matrixOf, parsePath, type Segment } from './svgPaths';
import { itemAt } from '@/core/units/there';

export interface Drawing {
  outlines: Outline[];
  /** Extent of the outlines, in the units of the drawing. */
  left: number;
  top: number;
  width: number;
  height: number;
  /** Size from the drawing; null where it says none. */
  mmPerUnit: number | null;
  /** Parts left out, in words. */
  leftOut: string[];
}

const MOST_ELEMENTS = 200_000;
const MOST_CORNERS = 2_000_000;
/** Drawing programs nest some ten groups. */
const DEEPEST = 500;

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
const NO_LENGTH = 'outline without a length';
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
  const index = (element: XmlElement, depth: number) => {
    elements += 1;
    if (depth > DEEPEST) throw tooDeep();
    if (elements > MOST_ELEMENTS)
      throw new PointsError(
        `This drawing has more than ${groupDigits(MOST_ELEMENTS)} elements. Simplify it, or split it.`,
      );
    if (element.attributes.id) byId.set(element.attributes.id, element);
    for (const child of childrenOf(element)) index(child, depth + 1);
  };
  index(root, 0);

  const leftOut = new Map<string, number>();
  const outlines: Outline[] = [];
  const box = viewBoxOf(root);
  // Far finer than the pitch of any pixel on it; without a view box drawings are mostly some hundred units wide.
  const tolerance = box ? Math.hypot(box.width, box.height) / 5000 : 0.05;
  // A part that is used many times is read once.
  const parsed = new Map<XmlElement, Segment[]>();
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
      let segments = parsed.get(element);
      if (!segments) parsed.set(element, (segments = parsePath(data)));
      for (const outline of flatten(segments, matrixOf(chain), tolerance)) {
        corners += outline.points.length;
        if (corners > MOST_CORNERS)
          throw new PointsError('This drawing is too fine to follow. Simplify its paths.');
        const length = outlineLength(outline);
        if (!Number.isFinite(length))
          throw new PointsError(
            `This drawing has a <${name}> with a coordinate, or a transformation, that is no number that can be measured.`,
          );
        // A scale of 0 leaves nothing of a path to lay pixels along.
        if (length === 0) leftOut.set(NO_LENGTH, (leftOut.get(NO_LENGTH) ?? 0) + 1);
        else outlines.push(outline);
      }
    }
    for (const child of childrenOf(element)) visit(child, chain, uses);
  };
  visit(root, [], 0);

  if (outlines.length === 0)
    throw new PointsError(
      leftOut.has(NO_LENGTH)
        ? 'Nothing in this drawing has a length: its paths are points, or a transformation scales them to 0.'
        : `There is no outline in this drawing.${leftOut.size > 0 ? ` It has ${leftOutWords(leftOut).join(' and ')}: turn texts into paths first.` : ''}`,
    );
  return { outlines, ...extentOf(outlines), mmPerUnit: mmPerUnitOf(root), leftOut: leftOutWords(leftOut) };
}

function rootOf(text: string): XmlElement {
  let root: XmlElement | null;
  try {
    root = parseXml(text).root;
  } catch (error) {
    // The parser goes down with the elements, and the stack ends where no drawing does.
    if (error instanceof RangeError) throw tooDeep();
    if (!(error instanceof XmlError)) throw error;
    throw new PointsError(
      `This is not a sound SVG file: line ${groupDigits(error.line)}, column ${error.column}: ${itemAt(error.message.split('\n'), 0).replace(/ \(line.*/, '')}.`,
      error.line,
    );
  }
  if (root?.name !== 'svg')
    throw new PointsError(
      `This is not an SVG file: it begins with ${root ? `<${root.name}>` : 'nothing'}, not with <svg>.`,
    );
  return root;
}

function tooDeep(): PointsError {
  return new PointsError(
    `This drawing nests its groups more than ${DEEPEST} deep. Ungroup it in the drawing program.`,
  );
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

function extentOf(outlines: readonly Outline[]) {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points } of outlines)
    for (let i = 0; i < points.length; i += 2) {
      left = Math.min(left, itemAt(points, i));
      right = Math.max(right, itemAt(points, i));
      top = Math.min(top, itemAt(points, i + 1));
      bottom = Math.max(bottom, itemAt(points, i + 1));
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
