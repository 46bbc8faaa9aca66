import type { PatchEntry, Show } from '../show/schema';
import { itemAt, valueIn } from '../units/there';

/** The place of a run on its port. */
export interface RunOnWire {
  /** Index of the controller in the show. */
  controller: number;
  /** From 1. */
  port: number;
  /** Its place behind the port, from 1. */
  chainPosition: number;
  skippedPixels: number;
  /** Place on the wire of its first pixel, from 1 at the port; the skipped pixels before it are counted. */
  firstPlace: number;
  /** Places on the wires of the controller's lower ports, for the continuous count of LEDs. */
  placesBeforePort: number;
  /** Byte of its first channel in the controller's flat count, from 0. */
  flatOffset: number;
  /** Why its first channel is where it is: index in the list of reasons of the layout. */
  startReason: number;
  /** Index of the run whose channels were laid before its own; null where it is the first. */
  laidAfter: number | null;
}

/** A port that holds something. */
export interface PlannedPort {
  controller: number;
  port: number;
  /** Indices of its runs in chain order. */
  runs: number[];
  /** Pixels lit; `places` adds the skipped ones. */
  pixels: number;
  places: number;
}

/** Ports with their runs. */
interface Plugged {
  /** For each run, null where it is on no port. */
  wires: (RunOnWire | null)[];
  /** By controller and number. */
  ports: PlannedPort[];
  /** Entries of the patch whose run does not exist. */
  staleEntries: PatchEntry[];
}

/**
 * Follows the patch: the entries of a port are the runs behind it, in their order.
 *
 * @param props for each prop of the show where its runs begin among all runs, and how many they are
 * @param runs of all props, one after another
 */
export function plugIn(
  show: Show,
  props: readonly { firstRun: number; runCount: number }[],
  runs: readonly { pixelCount: number }[],
): Plugged {
  const propIndex = new Map(show.props.map((prop, i) => [prop.id, i]));
  const controllerIndex = new Map(show.controllers.map((controller, i) => [controller.id, i]));
  const wires = new Array<RunOnWire | null>(runs.length).fill(null);
  const staleEntries: PatchEntry[] = [];
  const portByKey = new Map<number, PlannedPort>();
  for (const entry of show.patch) {
    const prop = itemAt(props, valueIn(propIndex, entry.propId));
    const controller = valueIn(controllerIndex, entry.controllerId);
    if (entry.run > prop.runCount) {
      staleEntries.push(entry);
      continue;
    }
    const key = controller * 1000 + entry.port;
    let port = portByKey.get(key);
    if (!port) portByKey.set(key, (port = { controller, port: entry.port, runs: [], pixels: 0, places: 0 }));
    const index = prop.firstRun + entry.run - 1;
    const { pixelCount } = itemAt(runs, index);
    wires[index] = {
      controller,
      port: entry.port,
      chainPosition: port.runs.length + 1,
      skippedPixels: entry.skippedPixels,
      firstPlace: port.places + entry.skippedPixels + 1,
      placesBeforePort: 0,
      flatOffset: 0,
      startReason: 0,
      laidAfter: null,
    };
    port.runs.push(index);
    port.pixels += pixelCount;
    port.places += entry.skippedPixels + pixelCount;
  }
  const ports = [...portByKey.values()].sort((a, b) => a.controller - b.controller || a.port - b.port);
  let before = 0;
  ports.forEach((port, i) => {
    if (i > 0)
      before = itemAt(ports, i - 1).controller === port.controller ? before + itemAt(ports, i - 1).places : 0;
    for (const run of port.runs) wires[run]!.placesBeforePort = before;
  });
  return { wires, ports, staleEntries };
}
