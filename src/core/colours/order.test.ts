import fc from 'fast-check';
import { comesOutRight, coloursShown, exchangeWords, plainOrder } from './order';

const THREE = ['RGB', 'RBG', 'GRB', 'GBR', 'BRG', 'BGR'];
const anyThree = fc.constantFrom(...THREE);

it('shows colours right where one end corrects and the other keeps the plain order', () => {
  for (const chip of [...THREE, 'GRBW', 'WBGR', 'W', 'G']) {
    expect(comesOutRight(chip, chip, plainOrder(chip))).toBe(true);
    expect(comesOutRight(chip, plainOrder(chip), chip)).toBe(true);
  }
});

it('lights what the bytes light, followed one by one', () => {
  fc.assert(
    fc.property(anyThree, anyThree, anyThree, (chip, controller, sender) => {
      const shown = coloursShown(chip, controller, sender)!;
      for (const colour of 'RGB') {
        // The sender puts full level into the byte where it has this colour.
        const sent = [...sender].map((letter) => (letter === colour ? 255 : 0));
        // The controller takes bytes as R, G, B and puts them out in the order that it was told.
        const out = [...controller].map((letter) => sent['RGB'.indexOf(letter)]!);
        const lit = [...chip].filter((_, place) => out[place] === 255);
        expect(lit).toHaveLength(1);
        expect(shown.get(lit[0]!)).toBe(colour);
      }
      expect(comesOutRight(chip, controller, sender)).toBe(exchangeWords(chip, controller, sender) === '');
    }),
  );
});

it('says nothing of orders that are of other colours', () => {
  expect(coloursShown('RGB', 'RGBW', 'RGB')).toBeNull();
  expect(exchangeWords('GRB', 'RGB', 'RGB')).toBe('red shows as green and green shows as red');
});
