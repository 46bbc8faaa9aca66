import { countOf } from '../units/number';

/** Result of a round. */
interface Played {
  tests: number;
  /** Number of tests from which nothing could follow. */
  blind: number;
  /** Things that were mended and were not the matter. */
  wrong: number;
  /** Tests that the engine takes. */
  engineTests: number;
  isWon: boolean;
}

export interface Score extends Played {
  points: number;
  /** The points, line by line. */
  lines: { words: string; points: number }[];
}

const WHOLE = 100;
const EACH_TEST_MORE = 5;
const EACH_BLIND = 5;
const EACH_WRONG = 15;

/** 100 points for who finds it in as many tests as the engine; fewer for tests beyond, blind tests and wrong mends; none where it was not found. */
export function scoreOf(played: Played): Score {
  const { tests, blind, wrong, engineTests, isWon } = played;
  const more = Math.max(0, tests - engineTests);
  const lines = [
    { words: isWon ? 'Everything was found and mended' : 'It was not found', points: isWon ? WHOLE : 0 },
    ...(isWon
      ? [
          {
            words: `${countOf(more, 'test')} more than the engine’s ${engineTests}`,
            points: -EACH_TEST_MORE * more,
          },
          { words: `${countOf(blind, 'test')} that could tell nothing`, points: -EACH_BLIND * blind },
          { words: `Mended and not the matter: ${countOf(wrong, 'thing')}`, points: -EACH_WRONG * wrong },
        ]
      : []),
  ].filter(({ points }, i) => i === 0 || points !== 0);
  const points = Math.max(
    0,
    lines.reduce((sum, line) => sum + line.points, 0),
  );
  return { ...played, points, lines };
}
