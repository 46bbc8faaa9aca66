import { SIDE_PT } from './format';
import { ptOf, type Ink, type Measure } from './ink';
import type { Page } from './page';
import { linesOf } from './text';
import { itemAt } from '../units/there';

/** The frame of each page. */
interface PageWords {
  show: string;
  sheet: string;
  /** From which side it is seen, in large type; null where there is none. */
  side: string | null;
  /** `rev 41 · 27 Nov 2026`. */
  state: string;
  /** By which it is asked whether the sheet is still as planned; null for a sheet of tables that has none. */
  mark: string | null;
  /** The link in its code. */
  link: string | null;
  /** Page n of m. */
  page: number;
  pages: number;
}

const CODE_MM = 19;

/** The head and the foot of a page. */
export function furniture({ room }: Page, words: PageWords, measure: Measure): Ink[] {
  const topPt = room.topPt - (words.side === null ? 0 : SIDE_PT);
  const headTop = ptOf(13);
  const code = ptOf(CODE_MM);
  const textRoom = room.rightPt - room.leftPt - (words.link === null ? 0 : code + 8);
  const fit = (text: string, mostPt: number, style: 'bold' | 'regular', leastPt: number) => {
    let size = mostPt;
    while (size > leastPt && measure(text, size, style) > textRoom) size -= 0.5;
    return { size, text: itemAt(linesOf(text, textRoom, size, style, measure), 0) };
  };
  const name = fit(words.sheet, 18, 'bold', 11);
  const show = fit(words.show, 11, 'regular', 8);
  const inks: Ink[] = [
    {
      is: 'text',
      xPt: room.leftPt,
      baselinePt: headTop + 18,
      sizePt: name.size,
      style: 'bold',
      words: name.text,
    },
    {
      is: 'text',
      xPt: room.leftPt,
      baselinePt: headTop + 34,
      sizePt: show.size,
      style: 'regular',
      words: show.text,
    },
    {
      is: 'text',
      xPt: room.leftPt,
      baselinePt: headTop + 49,
      sizePt: 9,
      style: 'regular',
      words: [words.state, words.mark && `sheet ${words.mark}`].filter(Boolean).join(' · '),
    },
    { is: 'path', points: [room.leftPt, topPt - 4, room.rightPt, topPt - 4], widthPt: 1 },
  ];
  if (words.link !== null)
    inks.push({ is: 'code', xPt: room.rightPt - code, yPt: headTop - 2, sizePt: code, text: words.link });
  if (words.side !== null) {
    const side = words.side.toUpperCase();
    const size = Math.min(24, (24 * (room.rightPt - room.leftPt)) / Math.max(1, measure(side, 24, 'bold')));
    inks.push({
      is: 'text',
      xPt: room.leftPt,
      baselinePt: topPt + 22,
      sizePt: size,
      style: 'bold',
      words: side,
    });
  }
  const footPt = room.heightPt - ptOf(13);
  inks.push(
    { is: 'path', points: [room.leftPt, footPt - 12, room.rightPt, footPt - 12], widthPt: 0.4, grey: true },
    {
      is: 'text',
      xPt: room.leftPt,
      baselinePt: footPt,
      sizePt: 8,
      style: 'regular',
      words: 'Rapid Lantern',
      grey: true,
    },
    {
      is: 'text',
      xPt: room.rightPt,
      baselinePt: footPt,
      sizePt: 9,
      style: 'bold',
      words: `page ${words.page} of ${words.pages}`,
      anchor: 'end',
    },
  );
  return inks;
}
