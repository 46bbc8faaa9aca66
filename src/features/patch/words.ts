import { spansOfRun } from '@/core/plan/planIndex';
import { PROTOCOL_NAMES, type Controller } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { countOf, groupDigits } from '@/core/units/number';

export function controllerWords(controller: Controller): string {
  return `${countOf(controller.ports, 'port')} · ${groupDigits(controller.mostPixelsPerPort)} px each · ${PROTOCOL_NAMES[controller.protocol]}`;
}

/** The first and the last channel of some runs, skipped pixels left out: `U5 ch 1` and `U7 ch 492`. */
export function endsOf(plan: Plan, runs: readonly number[]): Ends | null {
  const spans = runs.flatMap((run) => spansOfRun(plan, run)).filter((span) => span.runChannel >= 0);
  const first = spans[0];
  const last = spans[spans.length - 1];
  if (!first || !last) return null;
  const channelWords = (universe: number | null, channel: number) =>
    universe === null ? `byte ${groupDigits(channel - 1)}` : `U${universe} ch ${channel}`;
  return {
    start: channelWords(first.universe, first.startChannel),
    end: channelWords(last.universe, last.startChannel + last.channelCount - 1),
    firstShowChannel: Math.min(...spans.map((span) => span.startShowChannel)),
    lastShowChannel: Math.max(...spans.map((span) => span.startShowChannel + span.channelCount - 1)),
  };
}

export interface Ends {
  start: string;
  end: string;
  firstShowChannel: number;
  lastShowChannel: number;
}
