import type { Plan } from '../plan/planned';
import { countOf, groupDigits } from '../units/number';

/** The amounts of everything in a show. */
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
    flat > 0 && `${countOf(flat, 'device')} without universes`,
    `${groupDigits(plan.lastShowChannel)} channels`,
  ];
  return parts.filter(Boolean).join(' · ');
}
