import { buffersOf } from '@/core/plan/pixelTable';
import type { Plan, PlannedProp, PlannedRun } from '@/core/plan/planned';
import type { RunOnWire } from '@/core/patch/plug';

type Geometry = Pick<PlannedProp, 'strands' | 'jumpers' | 'hiddenPixels'>;

/** Rows of numbers, one row after another; NaN stands for null. */
type Rows = Float64Array;

/**
 * A plan on its way from one thread to another. Copying its many small objects would take longer than planning: numbers go as arrays
 * that change hands, and geometry that the other side has is named by its index. The show itself stays where it is.
 */
export interface PlanMessage extends Pick<
  Plan,
  'pixelCount' | 'channelCount' | 'lastShowChannel' | 'pixels' | 'staleEntries' | 'runsWithoutAddress'
> {
  props: Rows;
  /** For each prop its geometry, or the index of the prop that had it in the plan before. */
  geometry: (number | Geometry)[];
  runs: Rows;
  wires: Rows;
  ports: Rows;
  runsOfPorts: Rows;
  spans: Rows;
  spaces: Rows;
}

const PROP = ['firstPixel', 'pixelCount', 'firstRun', 'runCount'] as const;
const RUN = ['prop', 'number', 'firstPixel', 'pixelCount', 'channelsPerPixel'] as const;
const WIRE = [
  'controller',
  'port',
  'chainPosition',
  'skippedPixels',
  'firstPlace',
  'placesBeforePort',
  'flatOffset',
] as const;
const PORT = ['controller', 'port', 'pixels', 'places', 'runCount'] as const;
const SPAN = [
  'run',
  'controller',
  'universe',
  'startChannel',
  'channelCount',
  'startShowChannel',
  'runChannel',
] as const;
const SPACE = ['universe', 'controller', 'startShowChannel', 'channelCount'] as const;
const NO_WIRE: { [Field in keyof RunOnWire]: null } = {
  controller: null,
  port: null,
  chainPosition: null,
  skippedPixels: null,
  firstPlace: null,
  placesBeforePort: null,
  flatOffset: null,
};

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
    props: packRows(plan.props, PROP),
    geometry: plan.props.map(
      ({ strands, jumpers, hiddenPixels }) => sent.get(strands) ?? { strands, jumpers, hiddenPixels },
    ),
    runs: packRows(plan.runs, RUN),
    wires: packRows(
      plan.runs.map(({ wire }) => wire ?? NO_WIRE),
      WIRE,
    ),
    ports: packRows(
      plan.ports.map((port) => ({ ...port, runCount: port.runs.length })),
      PORT,
    ),
    runsOfPorts: Float64Array.from(plan.ports.flatMap(({ runs }) => runs)),
    spans: packRows(plan.spans, SPAN),
    spaces: packRows(plan.spaces, SPACE),
  };
}

/** What a message hands over instead of copying it. */
export function buffersOfMessage(message: PlanMessage): ArrayBuffer[] {
  const rows = [
    message.props,
    message.runs,
    message.wires,
    message.ports,
    message.runsOfPorts,
    message.spans,
    message.spaces,
  ];
  return [...buffersOf(message.pixels), ...rows.map((each) => each.buffer as ArrayBuffer)];
}

/**
 * @param show the show that was planned
 * @param before the props of the plan that came before
 */
export function unpackPlan(message: PlanMessage, show: Plan['show'], before: readonly PlannedProp[]): Plan {
  const { geometry, props, runs, wires, ports, runsOfPorts, spans, spaces, ...rest } = message;
  const wireOf = unpackRows(wires, WIRE);
  let firstRun = 0;
  return {
    ...rest,
    show,
    props: unpackRows(props, PROP).map((prop, index): PlannedProp => {
      const known = geometry[index]!;
      const { strands, jumpers, hiddenPixels } = typeof known === 'number' ? before[known]! : known;
      return { ...(prop as PlannedProp), strands, jumpers, hiddenPixels };
    }),
    runs: unpackRows(runs, RUN).map((run, index) => {
      const wire = wireOf[index]!;
      return { ...run, wire: wire.controller === null ? null : wire } as PlannedRun;
    }),
    ports: unpackRows(ports, PORT).map((row) => {
      const { runCount, ...port } = row as Record<(typeof PORT)[number], number>;
      const from = firstRun;
      firstRun += runCount;
      return { ...port, runs: [...runsOfPorts.subarray(from, firstRun)] };
    }),
    spans: unpackRows(spans, SPAN) as Plan['spans'],
    spaces: unpackRows(spaces, SPACE) as Plan['spaces'],
  };
}

function packRows<Field extends string>(
  rows: readonly Record<Field, number | null>[],
  fields: readonly Field[],
): Rows {
  const packed = new Float64Array(rows.length * fields.length);
  let at = 0;
  for (const row of rows) for (const field of fields) packed[at++] = row[field] ?? NaN;
  return packed;
}

function unpackRows<Field extends string>(
  packed: Rows,
  fields: readonly Field[],
): Record<Field, number | null>[] {
  return Array.from({ length: packed.length / fields.length }, (_, row) => {
    const item = {} as Record<Field, number | null>;
    fields.forEach((field, i) => {
      const value = packed[row * fields.length + i]!;
      item[field] = Number.isNaN(value) ? null : value;
    });
    return item;
  });
}
