import type { LaidWall } from '../panels/laidWall';
import { z } from 'zod';
import { idSchema } from '../fields/fields';
import { pictureIndex } from '../panels/pictureMap';
import { wallOf } from '../props/registry';
import { portsOfController } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { itemAt } from '../units/there';

/** The part of a show that a test is shown on. */
export const testSelectionSchema = z.discriminatedUnion('on', [
  z.strictObject({ on: z.literal('show') }),
  z.strictObject({ on: z.literal('place'), placeId: idSchema }),
  z.strictObject({ on: z.literal('prop'), propId: idSchema }),
  z.strictObject({ on: z.literal('run'), propId: idSchema, run: z.int().min(1).max(500) }),
  z.strictObject({ on: z.literal('port'), controllerId: idSchema, port: z.int().min(1).max(256) }),
  z.strictObject({ on: z.literal('controller'), controllerId: idSchema }),
  z.strictObject({
    on: z.literal('strand'),
    propId: idSchema,
    strand: z.int().min(1).max(100_000),
  }),
  z.strictObject({
    on: z.literal('panel'),
    propId: idSchema,
    /** From 1 at the top left of the front. */
    column: z.int().min(1).max(256),
    row: z.int().min(1).max(256),
  }),
  z.strictObject({
    on: z.literal('range'),
    propId: idSchema,
    run: z.int().min(1).max(500),
    /** Both ends count, from 1. */
    first: z.int().min(1).max(4_000_000),
    last: z.int().min(1).max(4_000_000),
  }),
  z.strictObject({
    on: z.literal('pixels'),
    propId: idSchema,
    /** In data order over all runs of the prop, from 0. */
    places: z.array(z.int().min(0).max(4_000_000)).min(1).max(64),
  }),
]);
export type TestSelection = z.infer<typeof testSelectionSchema>;

/** Pixels of a run that follow one another. Indices lead into the table of the plan. */
export interface Stretch {
  run: number;
  first: number;
  count: number;
}

/** The pixels that a test is shown on, by run in the order of the plan; what is not there gives none. */
export function stretchesOf(plan: Plan, selection: TestSelection): Stretch[] {
  const { show, props, runs } = plan;
  const whole = (run: number): Stretch => ({
    run,
    first: itemAt(runs, run).firstPixel,
    count: itemAt(runs, run).pixelCount,
  });
  const ofProp = (index: number): Stretch[] => {
    const planned = props[index];
    return planned ? Array.from({ length: planned.runCount }, (_, i) => whole(planned.firstRun + i)) : [];
  };
  const propIndex = (id: string) => show.props.findIndex((prop) => prop.id === id);
  switch (selection.on) {
    case 'show':
      return runs.map((_, run) => whole(run));
    case 'place':
      return show.props.flatMap((prop, index) => (prop.placeId === selection.placeId ? ofProp(index) : []));
    case 'prop':
      return ofProp(propIndex(selection.propId));
    case 'run':
      return ofProp(propIndex(selection.propId)).slice(selection.run - 1, selection.run);
    case 'port':
    case 'controller': {
      const controller = show.controllers.findIndex(({ id }) => id === selection.controllerId);
      return portsOfController(plan, controller)
        .filter(({ port }) => selection.on === 'controller' || port === selection.port)
        .flatMap((port) => port.runs.map(whole));
    }
    case 'strand': {
      const planned = props[propIndex(selection.propId)];
      const strand = planned?.strands[selection.strand - 1];
      if (!planned || !strand) return [];
      const first = planned.firstPixel + strand.firstPixel;
      return [{ run: plan.pixels.run[first]!, first, count: strand.pixelCount }];
    }
    case 'panel': {
      const index = propIndex(selection.propId);
      const prop = show.props[index];
      const laid = prop && wallOf(prop);
      return laid ? rowsOfPanel(plan, index, laid, selection) : [];
    }
    case 'pixels':
      return singlePixels(plan, propIndex(selection.propId), selection.places);
    case 'range': {
      const [run] = ofProp(propIndex(selection.propId)).slice(selection.run - 1, selection.run);
      if (!run || selection.last < selection.first) return [];
      const first = run.first + selection.first - 1;
      const end = Math.min(run.first + selection.last, run.first + run.count);
      return end > first ? [{ run: run.run, first, count: end - first }] : [];
    }
  }
}

/** Single pixels of a prop, each a stretch of its own; of a place that is not there an empty one, so that the others keep their numbers. */
function singlePixels(plan: Plan, index: number, places: readonly number[]): Stretch[] {
  const planned = plan.props[index];
  if (!planned || planned.runCount === 0) return [];
  return places.map((place) => {
    const first = planned.firstPixel + place;
    const isThere = place < planned.pixelCount;
    return {
      run: isThere ? plan.pixels.run[first]! : planned.firstRun,
      first: isThere ? first : planned.firstPixel,
      count: isThere ? 1 : 0,
    };
  });
}

/** A panel by its rows: pixels of one row follow one another in the picture. */
function rowsOfPanel(
  { props, runs, pixels }: Plan,
  index: number,
  { wall, pictureCorner: corner }: LaidWall,
  { column, row }: { column: number; row: number },
): Stretch[] {
  const { panel, columns, rows } = wall;
  const { firstPixel, pixelCount } = itemAt(props, index);
  const width = columns * panel.columns;
  const height = rows * panel.rows;
  if (column > columns || row > rows || pixelCount !== width * height) return [];
  const map = { width, height, corner };
  return Array.from({ length: panel.rows }, (_, y): Stretch => {
    const at = (x: number) =>
      firstPixel + pictureIndex(map, (column - 1) * panel.columns + x, (row - 1) * panel.rows + y);
    // From some corners a row of the picture runs from right to left.
    const first = Math.min(at(0), at(panel.columns - 1));
    return { run: pixels.run[first]!, first, count: panel.columns };
  }).filter(({ run }) => runs[run] !== undefined);
}
