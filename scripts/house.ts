// The figures of how the code is kept: each one, its goal, and what was reached. Fails when a figure is worse than it was.
//   npm run house                     the figures
//   npm run house -- longFunctions    and where those of one are
//   npm run house -- --write          keeps what was reached
import fs from 'node:fs';
import path from 'node:path';
import { houseFigures, isWorse, readKept, withReached, worsened } from './lib/house/figures';
import { projectSources } from './lib/house/sources';

const ROOT = path.resolve(__dirname, '..');
const asked = process.argv.slice(2);

const figures = houseFigures(projectSources(ROOT));
const kept = readKept(ROOT);
const shown = figures.find(({ id }) => asked.includes(id));
if (shown) console.log(`${shown.words}:\n${shown.places.map((place) => `  ${place}`).join('\n')}\n`);
for (const figure of figures) {
  const { id, words, value, goal, better } = figure;
  const isShort = isWorse(figure, value, goal);
  const why = isShort && kept[id]?.why;
  const line = `${words} (at ${better === 'fewer' ? 'most' : 'least'} ${goal}${isShort ? ', missed' : ''})`;
  console.log(`${String(value).padStart(7)}  ${line}  ${id}${why ? `\n         ${why}` : ''}`);
}
if (asked.includes('--write'))
  fs.writeFileSync(
    path.join(ROOT, 'scripts/house.json'),
    `${JSON.stringify(withReached(figures, kept), null, 2)}\n`,
  );
else {
  const worse = worsened(figures, kept);
  for (const sentence of worse) console.log(`Worse: ${sentence}`);
  process.exitCode = worse.length > 0 ? 1 : 0;
}
