import { countOf } from '../units/number';
import type { Plan, Span } from '../plan/plan';
import { defineCheck } from './check';
import { runName } from '../plan/runName';

export const sharedChannels = defineCheck(
  'shared-channels',
  'No channel is used by two pixels, unless one is meant to repeat the other.',
  (plan) => {
    const byPair = new Map<
      string,
      { first: Span; second: Span; channels: number; from: number; to: number }
    >();
    const sorted = plan.spans
      .filter((span) => span.universe !== null)
      .sort((a, b) => a.universe! - b.universe! || a.startChannel - b.startChannel);
    sorted.forEach((second, i) => {
      for (let j = i - 1; j >= 0 && sorted[j]!.universe === second.universe; j -= 1) {
        const first = sorted[j]!;
        const shared =
          Math.min(first.startChannel + first.channelCount, second.startChannel + second.channelCount) -
          second.startChannel;
        if (shared <= 0 || first.run === second.run) continue;
        const key = [first.run, second.run].sort((a, b) => a - b).join(' ');
        const known = byPair.get(key);
        if (!known)
          byPair.set(key, { first, second, channels: shared, from: second.universe!, to: second.universe! });
        else {
          known.channels += shared;
          known.to = second.universe!;
        }
        // One partner is enough to tell: of ten controllers that repeat each other, nine are named once.
        break;
      }
    });
    return [...byPair.values()].map(({ first, second, channels, from, to }) => ({
      severity: 'look' as const,
      stage: 'patch' as const,
      propId: plan.show.props[plan.runs[second.run]!.prop]!.id,
      controllerId: plan.show.controllers[second.controller]!.id,
      message: `${runName(plan, first.run)} and ${runName(plan, second.run)} share ${countOf(channels, 'channel')} in ${from === to ? `universe ${from}` : `universes ${from} to ${to}`}, so they show the same picture there. If that is not meant, give ${plan.show.controllers[second.controller]!.name} another first universe.`,
      mends: followOn(plan, second.controller),
    }));
  },
);

function followOn(plan: Plan, index: number) {
  const controller = plan.show.controllers[index]!;
  if (controller.firstUniverse === null || index === 0) return [];
  const last = Math.max(
    0,
    ...plan.spans.filter((span) => span.controller !== index).map((span) => span.universe ?? 0),
  );
  return [
    {
      label: `Start ${controller.name} at universe ${last + 1}`,
      edit: {
        type: 'changeController' as const,
        controllerId: controller.id,
        change: { firstUniverse: last + 1 },
      },
    },
  ];
}
