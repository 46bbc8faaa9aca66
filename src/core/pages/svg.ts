import type { Lengths } from '../units/length';
import { QUIET_MODULES, type CodeOf, type Ink, type Measure } from './ink';
import type { Drawing } from './drawing';
import { placeDrawing } from './placeDrawing';

const FONTS = {
  regular: `font-family="'Atkinson Hyperlegible Next Variable', sans-serif"`,
  bold: `font-family="'Atkinson Hyperlegible Next Variable', sans-serif" font-weight="700"`,
  mono: `font-family="'Atkinson Hyperlegible Mono Variable', monospace"`,
};
const FILLS = { white: '#fff', light: '#ddd', black: '#000' };
const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** XML takes no control letters, however they are written: they are left out. */
const UNWRITABLE = /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu;

function escapeXml(text: string): string {
  return text.replace(UNWRITABLE, '').replace(/[&<>"]/g, (letter) => ESCAPES[letter]!);
}

const at = (value: number) => String(Math.round(value * 100) / 100);

/** Ink as elements of an SVG drawing in points. */
export function svgElements(inks: Iterable<Ink>, codeOf: CodeOf | null): string {
  const parts: string[] = [];
  for (const ink of inks) parts.push(elementOf(ink, codeOf));
  return parts.join('\n');
}

function elementOf(ink: Ink, codeOf: CodeOf | null): string {
  switch (ink.is) {
    case 'text': {
      const anchor = ink.anchor && ink.anchor !== 'start' ? ` text-anchor="${ink.anchor}"` : '';
      const turn = ink.turnDeg
        ? ` transform="rotate(${-ink.turnDeg} ${at(ink.xPt)} ${at(ink.baselinePt)})"`
        : '';
      return `<text x="${at(ink.xPt)}" y="${at(ink.baselinePt)}" font-size="${at(ink.sizePt)}" ${FONTS[ink.style]}${anchor}${turn}${ink.grey ? ' fill="#555"' : ''}>${escapeXml(ink.words)}</text>`;
    }
    case 'path': {
      const points = ink.points.map(at);
      let d = '';
      for (let i = 0; i < points.length; i += 2) d += `${i === 0 ? 'M' : 'L'}${points[i]} ${points[i + 1]}`;
      if (ink.closed) d += 'Z';
      return `<path d="${d}" fill="${ink.fill ? FILLS[ink.fill] : 'none'}"${strokeOf(ink.widthPt, ink.dashed, ink.grey)}/>`;
    }
    case 'circle':
      return `<circle cx="${at(ink.xPt)}" cy="${at(ink.yPt)}" r="${at(ink.radiusPt)}" fill="${ink.fill ? FILLS[ink.fill] : 'none'}"${strokeOf(ink.widthPt)}/>`;
    case 'code': {
      const rows = codeOf?.(ink.text) ?? [];
      const cell = ink.sizePt / (rows.length + 2 * QUIET_MODULES);
      const d = rows
        .flatMap((row, y) =>
          row.map((dark, x) =>
            dark
              ? `M${at(ink.xPt + (x + QUIET_MODULES) * cell)} ${at(ink.yPt + (y + QUIET_MODULES) * cell)}h${cell.toFixed(3)}v${cell.toFixed(3)}h-${cell.toFixed(3)}z`
              : '',
          ),
        )
        .join('');
      return `<path d="${d}" fill="#000"/>`;
    }
  }
}

function strokeOf(widthPt?: number, dashed?: boolean, grey?: boolean): string {
  if (widthPt === undefined) return '';
  return ` stroke="${grey ? '#999' : '#000'}" stroke-width="${at(widthPt)}" stroke-linejoin="round"${dashed ? ' stroke-dasharray="4 3"' : ''}`;
}

/** A drawing as a file of its own. */
export function drawingSvg(
  drawing: Drawing,
  widthPt: number,
  heightPt: number,
  measure: Measure,
  lengths: Lengths,
): string {
  const placed = placeDrawing(drawing, widthPt, heightPt, measure, lengths);
  return svgFile(placed.widthPt, placed.heightPt, drawing.name, svgElements(placed.inks(0, 0), null));
}

export function svgFile(widthPt: number, heightPt: number, name: string, elements: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${at(widthPt)} ${at(heightPt)}" width="${at(widthPt)}pt" height="${at(heightPt)}pt" role="img" fill="#000"><title>${escapeXml(name)}</title><rect width="100%" height="100%" fill="#fff"/>
${elements}
</svg>
`;
}
