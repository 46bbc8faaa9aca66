import fc from 'fast-check';
import { CORNERS, cornerSeenFrom, otherSide, xSeenFrom } from './view';

describe('the two sides', () => {
  it('gives the same again when seen from the back twice', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true }), fc.constantFrom(...CORNERS), (x, corner) => {
        expect(xSeenFrom('back', xSeenFrom('back', x))).toBe(x);
        expect(cornerSeenFrom('back', cornerSeenFrom('back', corner))).toBe(corner);
        expect(otherSide(otherSide('front'))).toBe('front');
      }),
    );
  });

  it('swaps left and right and keeps top and bottom', () => {
    expect(cornerSeenFrom('back', 'topLeft')).toBe('topRight');
    expect(cornerSeenFrom('back', 'bottomRight')).toBe('bottomLeft');
    expect(cornerSeenFrom('front', 'topLeft')).toBe('topLeft');
    expect(xSeenFrom('back', 250)).toBe(-250);
  });
});
