import type { Plan, PlannedProp, PlannedRun, PlannedSpace, Span } from '@/core/plan/planned';
import type { PlannedPort, RunOnWire } from '@/core/patch/plug';
import { packColumns, unpackColumns, type Columns, type Description } from './columns';
import { itemAt } from '@/core/units/there';

type Geometry = Pick<PlannedProp, 'strands' | 'jumpers' | 'hiddenPixels'>;
/** A run that is on a port, by its index. */
type Wire = RunOnWire & { run: number };
/** The runs of all ports stand in one list, one port after another. */
type Port = PlannedPort & { runCount: number };

const PROPS: Description<PlannedProp> = {
  firstPixel: 'whole',
  pixelCount: 'whole',
  firstRun: 'whole',
  runCount: 'whole',
};
const RUNS: Description<PlannedRun> = {
  prop: 'whole',
  number: 'whole',
  firstPixel: 'whole',
  pixelCount: 'whole',
  channelsPerPixel: 'whole',
};
const WIRES: Description<Wire> = {
  run: 'whole',
  controller: 'whole',
  port: 'whole',
  chainPosition: 'whole',
  skippedPixels: 'whole',
  firstPlace: 'whole',
  placesBeforePort: 'whole',
  flatOffset: 'whole',
  startReason: 'whole',
  laidAfter: 'wholeOrNull',
};
const PORTS: Description<Port> = {
  controller: 'whole',
  port: 'whole',
  pixels: 'whole',
  places: 'whole',
  runCount: 'whole',
};
const SPANS: Description<Span> = {
  run: 'whole',
  controller: 'whole',
  universe: 'wholeOrNull',
  startChannel: 'whole',
  channelCount: 'whole',
  startShowChannel: 'whole',
  runChannel: 'signed',
};
const SPACES: Description<PlannedSpace> = {
  universe: 'wholeOrNull',
  controller: 'whole',
  startShowChannel: 'whole',
  channelCount: 'whole',
};

/**
 * A plan on its way from one thread to another. Copying its many small objects would take longer than planning: numbers go as columns
 * that change hands, and geometry that the other side has is named by its index. The show itself stays where it is.
 */
interface PlanMessage extends Pick<
  Plan,
  'pixelCount' | 'channelCount' | 'lastShowChannel' | 'pixels' | 'staleEntries' | 'runsWithoutAddress'
> {
  props: Columns<PlannedProp>;
  /** For each prop its geometry, or the index of the prop that had it in the plan before. */
  geometry: (number | Geometry)[];
  runs: Columns<PlannedRun>;
  wires: Columns<Wire>;
  ports: Columns<Port>;
  runsOfPorts: Uint32Array;
  spans: Columns<Span>;
  spaces: Columns<PlannedSpace>;
}

/** @param before the props of the plan that was sent before, as this thread holds them */
export function packPlan(plan: Plan, before: readonly PlannedProp[]): PlanMessage {
  const sent = new Map(before.map((prop, index) => [prop.strands, index]));
  const { pixelCount, channelCount, lastShowChannel, pixels, staleEntries, runsWithoutAddress } = plan;
  return {
    pixelCount,
    channelCount,
    lastShowChannel,
    pixels,
    staleEntries,
    runsWithoutAddress,
    props: packColumns(PROPS, plan.props),
    geometry: plan.props.map(
      ({ strands, jumpers, hiddenPixels }) => sent.get(strands) ?? { strands, jumpers, hiddenPixels },
    ),
    runs: packColumns(RUNS, plan.runs),
    wires: packColumns(
      WIRES,
      plan.runs.flatMap(({ wire }, run) => (wire ? [{ ...wire, run }] : [])),
    ),
    ports: packColumns(
      PORTS,
      plan.ports.map((port) => ({ ...port, runCount: port.runs.length })),
    ),
    runsOfPorts: Uint32Array.from(plan.ports.flatMap(({ runs }) => runs)),
    spans: packColumns(SPANS, plan.spans),
    spaces: packColumns(SPACES, plan.spaces),
  };
}

/** Buffers that a message hands over instead of copying them: every column in it, the plan's own table of pixels among them. */
export function buffersOfMessage(message: PlanMessage): ArrayBuffer[] {
  return Object.values(message)
    .flatMap((part: unknown) => (ArrayBuffer.isView(part) ? [part] : Object.values(part ?? {})))
    .flatMap((column: unknown) => (ArrayBuffer.isView(column) ? [column.buffer as ArrayBuffer] : []));
}

/**
 * @param show the show that was planned
 * @param before the props of the plan that came before
 */
export function unpackPlan(message: PlanMessage, show: Plan['show'], before: readonly PlannedProp[]): Plan {
  const { geometry, props, runs, wires, ports, runsOfPorts, spans, spaces, ...rest } = message;
  const wireOf = new Map(unpackColumns(WIRES, wires).map(({ run, ...wire }) => [run, wire]));
  let firstRun = 0;
  return {
    ...rest,
    show,
    props: unpackColumns(PROPS, props).map((prop, index): PlannedProp => {
      const known = itemAt(geometry, index);
      const { strands, jumpers, hiddenPixels } = typeof known === 'number' ? itemAt(before, known) : known;
      return { ...prop, strands, jumpers, hiddenPixels };
    }),
    runs: unpackColumns(RUNS, runs).map((run, index) => ({ ...run, wire: wireOf.get(index) ?? null })),
    ports: unpackColumns(PORTS, ports).map(({ runCount, ...port }) => {
      const from = firstRun;
      firstRun += runCount;
      return { ...port, runs: [...runsOfPorts.subarray(from, firstRun)] };
    }),
    spans: unpackColumns(SPANS, spans),
    spaces: unpackColumns(SPACES, spaces),
  };
}
