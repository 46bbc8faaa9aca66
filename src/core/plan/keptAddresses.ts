import { linkOf } from '../catalogue/link';
import { isObject } from '../fields/json';
import { parseJson } from '../fields/parseJson';
import { NO_JSON, readShowFile, type ShowFile } from '../show/read';
import type { Show } from '../show/schema';
import { layShow } from './plan';
import { spansOfRun } from './planIndex';
import type { LaidShow } from './planned';
import { propOfRun } from './records';

/** Up to this version of the show file receiver cards and serial lines had universes of the show. */
const LAST_WITH_UNIVERSES_ON_ALL_LINKS = 7;

/** As `readShowFile`; what an older version laid otherwise stays where it was. */
export function readOlderFile(input: unknown): ShowFile {
  const file = readShowFile(input);
  const isOlder = isObject(input) && Number(input.version) <= LAST_WITH_UNIVERSES_ON_ALL_LINKS;
  return isOlder ? { ...file, show: withAddressesKept(file.show) } : file;
}

/** As `readOlderFile`, from the text of a file. */
export function readOlderFileText(text: string): ShowFile {
  return readOlderFile(parseJson(text, NO_JSON));
}

/**
 * The same show with the addresses that its devices on a network had while receiver cards and serial lines took universes, too: runs
 * that would move without those are locked where they were.
 */
function withAddressesKept(show: Show): Show {
  if (show.controllers.every((controller) => linkOf(show, controller) === 'network')) return show;
  // A device of which nobody said the kind is on a network.
  const before = startsOf(
    layShow({
      ...show,
      controllers: show.controllers.map((controller) => {
        const { typeId: _, ...rest } = controller;
        return linkOf(show, controller) === 'network' ? controller : rest;
      }),
    }),
  );
  const now = startsOf(layShow(show));
  return {
    ...show,
    patch: show.patch.map((entry) => {
      const key = `${entry.propId} ${entry.run}`;
      const [was, is] = [before.get(key), now.get(key)];
      if (!was || !is || (was.universe === is.universe && was.channel === is.channel)) return entry;
      return { ...entry, pin: { ...was, kept: true as const } };
    }),
  };
}

/** The place of each run's first channel, by prop and run; those in no universe have none. */
function startsOf(plan: LaidShow): ReadonlyMap<string, { universe: number; channel: number }> {
  return new Map(
    plan.runs.flatMap(({ number }, run) => {
      const [first] = spansOfRun(plan, run);
      return first && first.universe !== null
        ? [
            [
              `${propOfRun(plan, run).id} ${number}`,
              { universe: first.universe, channel: first.startChannel },
            ] as const,
          ]
        : [];
    }),
  );
}
