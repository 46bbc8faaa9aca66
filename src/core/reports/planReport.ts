import { findingsOf } from '../checks/registry';
import { portName } from '../catalogue/controller';
import { totalsOf } from './totals';
import type { Plan } from '../plan/planned';
import { itemAt } from '../units/there';
import { runAt } from '../plan/records';

/** A plan without its pixel table, as it is answered to other programs. Indices are replaced by ids and names. */
export function planReport(plan: Plan) {
  const { show } = plan;
  const controllerOf = (index: number) => itemAt(show.controllers, index);
  return {
    totals: totalsOf(plan),
    props: plan.props.map((prop, index) => ({
      propId: itemAt(show.props, index).id,
      name: itemAt(show.props, index).name,
      pixels: prop.pixelCount,
      runs: plan.runs.slice(prop.firstRun, prop.firstRun + prop.runCount).map((run) => ({
        run: run.number,
        pixels: run.pixelCount,
        port: run.wire && portName(controllerOf(run.wire.controller), run.wire.port),
        chainPosition: run.wire?.chainPosition ?? null,
        skippedPixels: run.wire?.skippedPixels ?? 0,
      })),
    })),
    ports: plan.ports.map((port) => ({
      controllerId: controllerOf(port.controller).id,
      port: portName(controllerOf(port.controller), port.port),
      pixels: port.pixels,
      places: port.places,
    })),
    spans: plan.spans.map((span) => {
      const run = runAt(plan, span.run);
      return {
        propId: itemAt(show.props, run.prop).id,
        run: run.number,
        controllerId: controllerOf(span.controller).id,
        universe: span.universe,
        startChannel: span.startChannel,
        channelCount: span.channelCount,
        startShowChannel: span.startShowChannel,
        runChannel: span.runChannel,
      };
    }),
    findings: findingsOf(plan),
  };
}
