import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { slotsPerUniverse, type Packing } from '../catalogue/packing';
import {
  FILLS,
  bandsOf,
  bandsOfDisagreement,
  disagreement,
  disagreementWords,
  pictureTotals,
} from './pictureMap';

describe('the picture map', () => {
  it('takes ceil(W * H * 3 / 510) universes of whole pixels, and ceil(… / 512) when full', () => {
    const pixels = 320 * 64;
    expect(pictureTotals(pixels, { kind: 'wholePixels' }, 10, 1)).toMatchObject({
      channels: 61_440,
      universes: Math.ceil(61_440 / 510),
      lastUniverse: 130,
      // 120 universes of 510 and the rest.
      channelsInLast: 61_440 - 120 * 510,
      nextUniverse: 130,
      nextChannel: 61_440 - 120 * 510 + 1,
      straddlingCount: 0,
    });
    const full = pictureTotals(pixels, { kind: 'full512' }, 10, 1);
    expect(full).toMatchObject({
      universes: 120,
      lastUniverse: 129,
      channelsInLast: 512,
      nextUniverse: 130,
      nextChannel: 1,
    });
    // Every universe border but each third lies inside a pixel.
    expect(full.straddling.slice(0, 3)).toEqual([170, 341, 682]);
    expect(full.straddlingCount).toBe(119 - 39);
  });
  it('counts as channel by channel does', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.oneof(
          fc.constant<Packing>({ kind: 'wholePixels' }),
          fc.constant<Packing>({ kind: 'full512' }),
          fc
            .integer({ min: 1, max: 512 })
            .map((channelsPerUniverse): Packing => ({ kind: 'custom', channelsPerUniverse })),
        ),
        fc.integer({ min: 1, max: 512 }),
        (pixels, packing, startChannel) => {
          fc.pre(startChannel <= slotsPerUniverse(packing));
          let [universe, slot] = [5, startChannel - 1];
          const of: number[] = [];
          const size = slotsPerUniverse(packing);
          for (let channel = 0; channel < pixels * 3; channel += 1, slot += 1) {
            const needs = packing.kind === 'wholePixels' ? (channel % 3 === 0 ? 3 : 1) : 1;
            if (slot + needs > size) [universe, slot] = [universe + 1, 0];
            of.push(universe);
          }
          const straddling = Array.from({ length: pixels }, (_, i) => i).filter(
            (i) => of[3 * i] !== of[3 * i + 2],
          );
          const totals = pictureTotals(pixels, packing, 5, startChannel, 10_000);
          expect(totals.universes).toBe(new Set(of).size);
          expect(totals.lastUniverse).toBe(of.at(-1));
          expect(totals.channelsInLast).toBe(of.filter((each) => each === of.at(-1)).length);
          if (size >= 3) expect(totals.straddling).toEqual(straddling);
        },
      ),
    );
  });
});

describe('a packing disagreement', () => {
  const bands = (sent: number, received: number) =>
    bandsOf(disagreement(170 * 6, sent, received, 'red'))
      .map((band) => band.colour)
      .slice(0, 4);
  it('shows red, blue, green when the receiver steps by more, and red, green, blue when by less', () => {
    expect(bands(510, 512)).toEqual(['red', 'blue', 'green', 'red']);
    expect(bands(512, 510)).toEqual(['red', 'green', 'blue', 'red']);
  });
  it('is told by universes as by single pixels', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3000 }),
        fc.integer({ min: 3, max: 512 }),
        fc.integer({ min: 3, max: 512 }),
        fc.constantFrom(...FILLS),
        (pixels, sent, received, fill) => {
          expect(bandsOfDisagreement(pixels, sent, received, fill)).toEqual(
            bandsOf(disagreement(pixels, sent, received, fill)),
          );
        },
      ),
      { numRuns: tries(300) },
    );
    // 262,144 pixels in universes of 512: a band for each, of which two at the end may be dark.
    expect(bandsOfDisagreement(262_144, 510, 512, 'red').length).toBeGreaterThan(1500);
  });
  it('shows one colour where both agree', () => {
    for (const size of [510, 512, 150])
      for (const fill of FILLS) {
        const seen = bandsOf(disagreement(900, size, size, fill));
        expect(seen).toEqual([{ firstPixel: 0, pixelCount: 900, colour: fill }]);
      }
    expect(disagreementWords(510, 510)).toBeNull();
    expect(disagreementWords(510, 512)).toContain('2 × (u − 1) channels too late');
  });
});
