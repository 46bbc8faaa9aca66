import { bytesOfSeen, PERCEIVED, perceived } from './perceive';

it.each([
  ['dark', [3, 0, 0, 0]],
  ['red', [255, 0, 0, 0]],
  ['yellow', [255, 160, 0, 0]],
  ['white', [200, 200, 190, 0]],
  ['warm white', [255, 209, 178, 0]],
  ['white', [0, 0, 0, 255]],
  ['dim blue', [0, 0, 60, 0]],
  ['cyan', [10, 240, 200, 0]],
])('sees %s', (name, [red, green, blue, white]) => {
  expect(PERCEIVED[perceived(red!, green!, blue!, white!, 255)]).toBe(name);
});

it('draws what is seen so that it is seen so', () => {
  PERCEIVED.slice(0, -1).forEach((_, code) => {
    const [red, green, blue, white] = bytesOfSeen(code, 255);
    expect(perceived(red, green, blue, white, 255)).toBe(code);
  });
});
