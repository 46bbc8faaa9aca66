import { addressOf, pixelFactsOf, type PixelAddress } from '../answers/lookup';
import { artNetAddress, artNetWords } from '../protocols/artNet';
import { multicastGroup } from '../protocols/e131';
import { portName } from '../catalogue/controller';
import type { Plan } from '../plan/planned';
import { search, type SearchHit } from './query';
import { itemAt } from '../units/there';
import { propAt, runAt, controllerAt } from '../plan/records';

/** A search answered with ids, names and every number of every pixel, for other programs. */
export function lookUp(plan: Plan, query: string) {
  const { hits, message } = search(plan, query);
  return { query, message: message ?? null, hits: hits.map((hit) => hitAnswer(plan, hit)) };
}

function hitAnswer(plan: Plan, hit: SearchHit) {
  switch (hit.kind) {
    case 'prop':
      return {
        kind: hit.kind,
        propId: propAt(plan, hit.prop).id,
        propName: propAt(plan, hit.prop).name,
      };
    case 'port': {
      const controller = controllerAt(plan, hit.controller);
      return { kind: hit.kind, controllerId: controller.id, port: portName(controller, hit.port) };
    }
    case 'controller': {
      const { id, name } = controllerAt(plan, hit.controller);
      return { kind: hit.kind, controllerId: id, controllerName: name };
    }
    case 'place': {
      const { id, name } = itemAt(plan.show.places, hit.place);
      return { kind: hit.kind, placeId: id, placeName: name };
    }
    case 'supply': {
      const { id, name } = itemAt(plan.show.supplies, hit.supply);
      return { kind: hit.kind, supplyId: id, supplyName: name };
    }
    case 'lead': {
      const { id, name } = itemAt(plan.show.feeds, hit.feed);
      return { kind: hit.kind, feedId: id, feedName: name };
    }
    case 'skipped': {
      const run = runAt(plan, hit.run);
      const controller = controllerAt(plan, run.wire!.controller);
      return {
        kind: hit.kind,
        propId: propAt(plan, run.prop).id,
        run: run.number,
        port: portName(controller, run.wire!.port),
        skippedPixel: hit.skippedPixel,
      };
    }
    case 'pixel':
      return {
        kind: hit.kind,
        channelOfPixel: hit.channelOfPixel + 1,
        ...pixelAnswer(addressOf(plan, hit.pixel)),
        onProp: pixelFactsOf(plan, hit.pixel).map(({ name, value, note }) => ({
          name,
          value,
          note: note ?? null,
        })),
        neighbours: neighboursOf(plan, hit.pixel),
      };
  }
}

function pixelAnswer({ pixel: _row, wire, ...place }: PixelAddress) {
  return {
    ...place,
    wire: wire && {
      ...wire,
      e131: wire.e131 && { ...wire.e131, multicastGroup: multicastGroup(wire.e131.universe) },
      artNet: wire.artNet && { ...wire.artNet, ...splitPortAddress(wire.artNet.portAddress) },
    },
  };
}

function splitPortAddress(portAddress: number) {
  const { net, subNet, universe } = artNetAddress(portAddress);
  return { net, subNet, universe, words: artNetWords(portAddress) };
}

/** The pixels before and after in the same run, as numbers in that run; null at its ends. */
function neighboursOf(plan: Plan, pixel: number) {
  const run = runAt(plan, plan.pixels.run[pixel]!);
  const inRun = pixel - run.firstPixel + 1;
  return { before: inRun > 1 ? inRun - 1 : null, after: inRun < run.pixelCount ? inRun + 1 : null };
}
