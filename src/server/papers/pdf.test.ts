import { readFileSync } from 'node:fs';
import {
  codesOnPage,
  hasPoppler,
  hasZbar,
  picturesOf,
  textOfPages,
  wordsOfPages,
} from '../../../tests/unit/poppler';
import { tries } from '../../../tests/unit/tries';
import { LABEL_FORMATS, labelFormatOf, type LabelFormat } from '@/core/catalogue/paper';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { labelPlaceMm } from '@/core/pages/labelPages';
import { labelsOf } from '@/core/papers/labels/labels';
import { amountWords } from '@/core/parts/part';
import { partsList } from '@/core/parts/partsList';
import { planShow } from '@/core/plan/plan';
import type { Plan } from '@/core/plan/planned';
import { currentFacts, Facts } from '@/core/show/facts';
import { readShowFileText } from '@/core/show/read';
import type { Show } from '@/core/show/schema';
import { pdfPieces } from './pdf';
import { printJob, sheetSvg, type PrintAsked } from './print';

const { show, facts: list } = readShowFileText(readFileSync('demo/marrow-quay.show.json', 'utf8'));
const facts = new Facts(currentFacts(list));
const plan = planShow(show);
const ASKED: PrintAsked = {
  origin: 'http://192.168.1.20:3000',
  showId: 'marrow-quay',
  printedAt: '2026-11-27T18:00:00Z',
};

function pdfOf(sheet: string, of: Plan = plan, change: Partial<PrintAsked> = {}): Uint8Array {
  const job = printJob(of, facts, 41, sheet, {}, { ...ASKED, ...change });
  return Buffer.concat([...pdfPieces(job, () => {})]);
}
const planWith = (change: Partial<Show>) => planShow({ ...show, ...change });
const wordsOf = (pdf: Uint8Array) => textOfPages(pdf).join('\n').replace(/\s+/g, ' ');

(hasPoppler() ? describe : describe.skip)('read back by another program', () => {
  const binder = pdfOf('binder');
  const pages = textOfPages(binder);

  it('numbers the pages of the whole binder, and prints nothing on its edges', () => {
    pages.forEach((text, i) => expect(text).toContain(`page ${i + 1} of ${pages.length}`));
    const { pages: sizes, words } = wordsOfPages(binder);
    expect(sizes).toHaveLength(pages.length);
    // Printers leave some 5 mm; 10 mm are kept free.
    const edge = (10 / 25.4) * 72;
    const outside = words.filter(({ page, left, right, top, bottom }) => {
      const { width, height } = sizes[page - 1]!;
      return left < edge || right > width - edge + 0.5 || top < edge || bottom > height - edge + 4;
    });
    expect(outside).toEqual([]);
  });

  it('looks like paper on each of its pages: ink, and white edges', () => {
    const pictures = picturesOf(binder, 20);
    expect(pictures).toHaveLength(pages.length);
    pictures.forEach(({ width, height, grey }, i) => {
      // 20 dots an inch: 8 mm of edge are six dots.
      let [dark, onEdge] = [0, 0];
      for (let y = 0; y < height; y += 1)
        for (let x = 0; x < width; x += 1) {
          if (grey[y * width + x]! > 200) continue;
          dark += 1;
          if (x < 6 || y < 6 || x >= width - 6 || y >= height - 6) onEdge += 1;
        }
      expect([i + 1, onEdge]).toEqual([i + 1, 0]);
      expect(dark).toBeGreaterThan(40);
    });
  });

  it('has no letter that none of its fonts has', () => {
    expect(pages.join('').match(/[\u25a1\ufffd]/g)).toBeNull();
  });

  it.each(show.controllers.map((controller, index) => [controller.name, controller.id, index] as const))(
    'tells the values of %s as the plan has them',
    (_name, id, index) => {
      const words = wordsOf(pdfOf(`device.${id}`));
      for (const port of deviceSettings(plan, index).ports) {
        expect(words).toContain(port.name);
        for (const value of [port.pixels, port.channel, port.endChannel, port.colourOrder])
          if (value !== null)
            expect(words).toContain(typeof value === 'number' ? value.toLocaleString('en-GB') : value);
      }
      const { network } = show.controllers[index]!;
      if (network) expect(words).toContain(network.ip);
    },
  );

  it('says what to buy as the parts list has it', () => {
    const words = wordsOf(pdfOf('parts'));
    const { lines, labour } = partsList(plan);
    expect(words).toContain(`${labour.joints} joints to solder`);
    for (const { need, buy, unit, price } of lines) {
      expect(words).toContain(amountWords(need, unit));
      expect(words).toContain(buy === 0 ? 'none' : amountWords(buy, unit));
      if (price !== null) expect(words).toContain(`${price.toFixed(2)} EUR`);
    }
  });

  it.each(['a4', 'letter'] as const)('sets out the tower on %s in metres and in feet', (size) => {
    const metric = wordsOf(pdfOf('setting-out.lighthouse-tower', plan, { size }));
    expect(metric).toContain('1.838 m apart');
    expect(metric).toContain('2,162');
    const inFeet = { ...plan, show: { ...plan.show, lengths: 'imperial' as const } };
    const feet = wordsOf(pdfOf('setting-out.lighthouse-tower', inFeet, { size }));
    expect(feet).toContain('6 ft');
    expect(feet).not.toContain('1.838 m');
  });

  it('draws a wall from behind, with the side in large type, and no word of the front', () => {
    const [page] = textOfPages(pdfOf('wall-wire.score-wall'));
    expect(page).toContain('SEEN FROM THE BACK');
    expect(page!.toLowerCase()).not.toContain('front');
    // Chain 1 begins at the left of the front: the right of the back.
    const { words } = wordsOfPages(pdfOf('wall-wire.score-wall'));
    const at = (panel: string) => words.find((word) => word.words === panel)!.left;
    expect(at('1.1')).toBeGreaterThan(at('1.5'));
  });

  it('never mixes the two sides on one page', () => {
    for (const text of pages) {
      const sides = ['SEEN FROM THE FRONT', 'SEEN FROM THE BACK'].filter((side) => text.includes(side));
      expect(sides.length).toBeLessThan(2);
      if (sides[0] === 'SEEN FROM THE BACK') expect(text).not.toMatch(/seen from the front/);
      if (sides[0] === 'SEEN FROM THE FRONT') expect(text).not.toMatch(/seen from the back/);
    }
  });

  it.each(['a4', 'letter'] as const)('keeps the quick start on one page of %s', (size) => {
    for (const id of ['slipway-node', 'screen-board']) {
      const read = textOfPages(pdfOf(`quick-start.${id}`, plan, { size }));
      expect(read).toHaveLength(1);
      expect(read[0]).toContain('What if');
    }
  });

  it('explains its numbers at the end where that is asked for', () => {
    expect(wordsOf(pdfOf('leads', plan, { explains: true }))).toMatch(
      /How these numbers come about 1 cable = /,
    );
    expect(wordsOf(pdfOf('leads'))).not.toContain('How these numbers come about');
  });

  it('prints names of other scripts, and longer than any room', () => {
    const props = show.props.map((prop) =>
      prop.id === 'net-curtain'
        ? { ...prop, name: `Сеть Δίκτυο Žižkov ${'W'.repeat(60)}`.slice(0, 80) }
        : prop,
    );
    const words = textOfPages(pdfOf('build.net-curtain', planWith({ props })))[0]!;
    expect(words).toContain('Сеть');
    expect(words).toContain('Žižkov');
  });
});

const tight: LabelFormat = {
  paper: 'letter',
  columns: 4,
  rows: 20,
  widthMm: 44.5,
  heightMm: 12.7,
  leftMm: 7.1,
  topMm: 12.7,
  stepXMm: 52.1,
  stepYMm: 12.7,
};

(hasPoppler() ? describe : describe.skip)('labels', () => {
  const formats = [
    ['own', tight] as const,
    ...LABEL_FORMATS.map(({ id, ...format }) => [id, format] as const),
  ];
  it.each(formats.slice(0, tries(10)))('stand inside their label to the millimetre: %s', (_id, format) => {
    const labels = [...labelsOf(plan, 'strands')];
    const { pages, words } = wordsOfPages(pdfOf('labels-strands', planWith({ papers: { labels: format } })));
    const perPage = format.columns * format.rows;
    expect(pages).toHaveLength(Math.ceil(labels.length / perPage));
    const mm = (pt: number) => (pt * 25.4) / 72;
    labels.forEach(({ code }, i) => {
      const word = words.find((each) => each.words === code && each.page === Math.floor(i / perPage) + 1)!;
      const { xMm, yMm } = labelPlaceMm(format, i % perPage);
      expect(mm(word.left)).toBeGreaterThanOrEqual(xMm + 1);
      expect(mm(word.right)).toBeLessThanOrEqual(xMm + format.widthMm - 1);
      expect(mm(word.bottom)).toBeLessThanOrEqual(yMm + format.heightMm);
      expect(mm(word.top)).toBeGreaterThanOrEqual(yMm);
    });
    // Nothing of any label stands outside of all of them.
    const outside = words.filter(({ left, right, top, bottom, page }) => {
      const onPage = labels.slice((page - 1) * perPage, page * perPage);
      return !onPage.some((_label, k) => {
        const { xMm, yMm } = labelPlaceMm(format, k);
        return (
          mm(left) >= xMm &&
          mm(right) <= xMm + format.widthMm &&
          mm(top) >= yMm - 0.5 &&
          mm(bottom) <= yMm + format.heightMm + 0.5
        );
      });
    });
    expect(outside).toEqual([]);
  });

  (hasZbar() ? it : it.skip)('have codes that another reader reads, each leading to its own thing', () => {
    const pdf = pdfOf('labels-ports');
    const format = labelFormatOf(show.papers);
    [...labelsOf(plan, 'ports')].forEach(({ code }, i) => {
      const { xMm, yMm } = labelPlaceMm(format, i);
      expect(codesOnPage(pdf, 1, { ...format, xMm, yMm })).toEqual([
        `http://192.168.1.20:3000/phone/marrow-quay?code=${code}`,
      ]);
    });
  });

  (hasZbar() ? it : it.skip)(
    'have a code on each sheet that asks whether it still holds, under the name that the show gives',
    () => {
      const [code] = codesOnPage(
        pdfOf('device.pier-box', planWith({ papers: { host: 'lantern.local:3000' } })),
        1,
      );
      expect(code).toMatch(/^http:\/\/lantern\.local:3000\/phone\/marrow-quay\?mark=41-[2-9A-Z]{5}$/);
    },
  );
});

it('draws a sheet as an SVG file, names escaped', () => {
  const props = show.props.map((prop) => (prop.id === 'net-curtain' ? { ...prop, name: 'Net <b>&"' } : prop));
  const svg = sheetSvg(planWith({ props }), facts, 'threading.net-curtain', ASKED);
  expect(svg).toMatch(/^<svg xmlns/);
  expect(svg).toContain('Net &lt;b&gt;&amp;&quot;');
  expect(svg).not.toContain('<b>');
});

it('refuses what there is not', () => {
  expect(() => printJob(plan, facts, 1, 'device.nobody', {}, ASKED)).toThrow('no sheet “device.nobody”');
  expect(() => printJob(plan, facts, 1, 'binder', { propId: 'nobody' }, ASKED)).toThrow(
    'no prop with the id “nobody”',
  );
  expect(() => printJob(plan, facts, 1, 'binder', { group: 'nothing' }, ASKED)).toThrow('no group of sheets');
});

it('takes into a binder of a place its props and their devices alone', () => {
  const place = show.places.find(({ name }) => name === 'Boathouse')!;
  const { sheets } = printJob(plan, facts, 1, 'binder', { placeId: place.id }, ASKED);
  const props = new Set(show.props.flatMap((prop) => (prop.placeId === place.id ? [prop.id] : [])));
  expect(sheets.length).toBeGreaterThan(10);
  for (const { about } of sheets) {
    expect(about.kind).not.toBe('show');
    if (about.kind === 'prop') expect(props).toContain(about.propId);
  }
});
