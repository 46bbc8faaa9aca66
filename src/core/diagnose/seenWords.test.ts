import { PERCEIVED } from './perceive';
import { seenWords } from './seenWords';

const codes = (...names: (typeof PERCEIVED)[number][]) =>
  Uint8Array.from(names, (name) => PERCEIVED.indexOf(name));
const planned = codes('red', 'red', 'green', 'green', 'red', 'red');

it.each([
  [codes('dark', 'dark', 'dark', 'dark', 'dark', 'dark'), 'All dark'],
  [codes('blue', 'blue', 'blue', 'blue', 'blue', 'blue'), 'All blue'],
  [codes('red', 'red', 'green', 'green', 'dark', 'dark'), 'Red and green up to light 4, dark behind it'],
  [codes('green', 'green', 'red', 'red', 'red', 'red'), 'Red and green, at other places'],
  [codes('dark', 'dark', 'dark', 'dark', 'dark', 'white'), '1 lit, white'],
  [codes('red', 'dark', 'red', 'red', 'red', 'red'), 'Red, 1 dark'],
  [codes('red', 'green', 'blue', 'white', 'cyan', 'yellow'), 'Many colours'],
])('says what is seen: %#', (seen, words) => {
  expect(seenWords(seen, planned)).toBe(words);
});
