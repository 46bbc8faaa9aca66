import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { readOlderFile } from './keptAddresses';
import { layShow } from './plan';
import { spansOfRun } from './planIndex';
import type { Show } from '../show/schema';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';

const card = SHIPPED_CONTROLLER_TYPES.find(({ id }) => id === 'panel-card')!;

/** A receiver card before a controller that follows on after it. */
function older(version: number) {
  const show = onPorts(
    aShow({
      controllers: [aController({ firstUniverse: null })],
      props: [aLine('rail', 40), aLine('arch', 50), aLine('eave', 60)],
    }),
    ['rail', 1, 1],
    ['arch', 1, 2],
    ['eave', 1, 3],
  );
  const [first, ...others] = show.patch;
  return {
    ...show,
    version,
    controllerTypes: [card],
    controllers: [
      aController({ id: 'card', label: 'X', typeId: card.id, firstUniverse: null }),
      ...show.controllers,
    ],
    patch: [{ ...first!, controllerId: 'card', port: 1 }, ...others],
  };
}

const startsIn = (show: Show) => {
  const plan = layShow(show);
  return plan.runs.map((_, run) => {
    const [first] = spansOfRun(plan, run);
    return first ? `${String(first.universe)} ${first.startChannel}` : 'none';
  });
};

it('holds devices behind a receiver card where they were when it took universes, and locks them there', () => {
  const { typeId: _, ...plain } = older(8).controllers[0]!;
  const before = startsIn(
    readOlderFile({ ...older(8), controllers: [plain, ...older(8).controllers.slice(1)] }).show,
  );
  const upgraded = readOlderFile(older(7)).show;
  const now = startsIn(upgraded);
  expect(now.filter((words) => words.startsWith('null'))).toHaveLength(1);
  expect(now.filter((words) => !words.startsWith('null'))).toEqual(
    before.filter((_words, i) => !now[i]!.startsWith('null')),
  );
  expect(upgraded.patch.filter(({ pin }) => pin?.kept === true).length).toBeGreaterThan(0);
  // A show of today is read as it stands: what follows on moves up.
  expect(startsIn(readOlderFile(older(8)).show)).not.toEqual(now);
  expect(readOlderFile(older(8)).show.patch.some(({ pin }) => pin)).toBe(false);
});

it('leaves a show alone whose devices are all on a network', () => {
  expect(readOlderFile({ ...aShow(), version: 7 })).toEqual(readOlderFile(aShow()));
});
