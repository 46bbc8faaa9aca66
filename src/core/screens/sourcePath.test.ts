import { sourcePath } from './sourcePath';
import { USUAL_SOURCES } from './sourceWish';

const words = (change: object) => {
  const { parts, cables, losses, tests } = sourcePath({ ...USUAL_SOURCES, ...change });
  return {
    parts: parts.map(({ name }) => name),
    cables: cables.map(({ from, to }) => `${from} > ${to}`),
    losses: losses.join(' '),
    tests: tests.map(({ what }) => what),
  };
};

it('puts a switch before the splitter where there are several sources, and none where there is one', () => {
  expect(words({}).cables).toEqual([
    'source 1 > switch, in 1',
    'source 2 > switch, in 2',
    'switch, out > splitter, in',
    'splitter, out 1 > screen',
    'splitter, out 2 (scaled) > capture, in',
    'capture, its data plug > the small computer',
  ]);
  const one = words({ sources: 1 });
  expect(one.parts.some((part) => part.includes('switch'))).toBe(false);
  expect(one.cables[0]).toBe('the source, its picture output > splitter, in');
});

it('needs no splitter where the capture passes the picture on, and says what that costs', () => {
  const passed = words({ sources: 1, capturePassesOn: true });
  expect(passed.cables).toEqual([
    'the source, its picture output > capture, in',
    'capture, out > screen',
    'capture, its data plug > the small computer',
  ]);
  expect(passed.losses).toContain('no more than the capture device lets through');
});

it.each([
  [{ usesBuiltIn: true }, 'never leave it'],
  [{ isProtected: true }, 'leaves the picture black'],
  [{ isHdr: true }, 'washed out'],
  [{ usesRemote: true }, 'cut the line'],
])('says what is lost with %j, and not without', (change, loss) => {
  const [[field]] = Object.entries(change) as [[string, boolean]];
  expect(words(change).losses).toContain(loss);
  expect(words({ [field]: false }).losses).not.toContain(loss);
});

it('has every device joined to the next, and each stage tried before the one behind it', () => {
  for (const sources of [1, 4])
    for (const capturePassesOn of [true, false]) {
      const { cables, tests } = words({ sources, capturePassesOn });
      expect(cables.at(-1)).toContain('the small computer');
      expect(new Set(cables).size).toBe(cables.length);
      expect(tests[0]).toContain('straight into the screen');
      expect(tests.at(-1)).toContain('white screen');
    }
});
