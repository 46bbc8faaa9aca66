import fc from 'fast-check';
import { tries } from '../../tests/unit/tries';
import { anyShow, aShow } from '../../tests/unit/shows';
import { documentText, parseInSteps } from './documents';

const bytes = (text: string) => new TextEncoder().encode(text);

it('writes JSON, a record a line, that is parsed to the same show at once or in steps', async () => {
  await fc.assert(
    fc.asyncProperty(anyShow, fc.string(), async (show, text) => {
      const named = { ...show, name: `{\n"${text}\u2028}` };
      const document = documentText(named);
      expect(JSON.parse(document)).toEqual(JSON.parse(JSON.stringify(named)));
      expect(await parseInSteps(bytes(document))).toEqual(JSON.parse(document));
      expect(document.split('\n').length).toBeGreaterThan(show.props.length);
    }),
    { numRuns: tries(60) },
  );
});

it('parses in steps what is in one line, or has nothing in it', async () => {
  for (const show of [aShow(), { ...aShow(), places: [], pixelTypes: [] }]) {
    expect(await parseInSteps(bytes(JSON.stringify(show)))).toEqual(show);
    expect(await parseInSteps(bytes(documentText(show)))).toEqual(show);
  }
});

it('lets others have their turn', async () => {
  const show = aShow({ name: 'Large' });
  const places = Array.from({ length: 200_000 }, (_, i) => ({ id: `p${i}`, name: `Place ${i}` }));
  const parsing = parseInSteps(bytes(documentText({ ...show, places })));
  let turns = 0;
  const timer = setInterval(() => (turns += 1), 0);
  await parsing;
  clearInterval(timer);
  expect(turns).toBeGreaterThan(1);
});
