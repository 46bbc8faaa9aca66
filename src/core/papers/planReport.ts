import { findingsOf } from '../checks/registry';
import { portName } from '../catalogue/controller';
import { countOf, groupDigits } from '../units/number';
import type { Plan } from '../plan/planned';

/** A plan without its pixel table, as it is answered to other programs. Indices are replaced by ids and names. */
export function planReport(plan: Plan) {
  const { show } = plan;
  const controllerOf = (index: number) => show.controllers[index]!;
  return {
    totals: totalsOf(plan),
    props: plan.props.map((prop, index) => ({
      propId: show.props[index]!.id,
      name: show.props[index]!.name,
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
      const run = plan.runs[span.run]!;
      return {
        propId: show.props[run.prop]!.id,
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

export function totalsOf(plan: Plan) {
  return {
    pixels: plan.pixelCount,
    channels: plan.channelCount,
    lastShowChannel: plan.lastShowChannel,
    universes: plan.spaces.filter((space) => space.universe !== null).length,
    runs: plan.runs.length,
    runsOnPorts: plan.runs.filter((run) => run.wire).length,
    ports: plan.ports.length,
  };
}

/** `48 universes of 510 · 24,150 channels`, or what there is instead. */
export function totalsWords(plan: Plan): string {
  const universes = plan.spaces.filter((space) => space.universe !== null);
  const sizes = [...new Set(universes.map((space) => space.channelCount))];
  const flat = plan.spaces.length - universes.length;
  const parts = [
    universes.length > 0 &&
      `${countOf(universes.length, 'universe')}${sizes.length === 1 ? ` of ${sizes[0]}` : ` of ${Math.min(...sizes)} to ${Math.max(...sizes)}`}`,
    flat > 0 && countOf(flat, 'DDP space'),
    `${groupDigits(plan.lastShowChannel)} channels`,
  ];
  return parts.filter(Boolean).join(' · ');
}
