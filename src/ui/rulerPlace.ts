import type { Plan } from '@/core/plan/planned';

/**
 * The universe and channel at a show channel, at the border of a pixel of so many channels that is nearest before it.
 *
 * @returns null in the flat space of a DDP controller and beyond the last channel
 */
export function placeAt(
  plan: Plan,
  showChannel: number,
  channelsPerPixel: number,
): { universe: number; channel: number; showChannel: number } | null {
  const first = plan.spaces[0];
  if (!first) return null;
  const wanted = Math.max(showChannel, first.startShowChannel);
  const space = plan.spaces.find(
    (each) => wanted >= each.startShowChannel && wanted < each.startShowChannel + each.channelCount,
  );
  if (!space || space.universe === null) return null;
  const slot = Math.floor((wanted - space.startShowChannel) / channelsPerPixel) * channelsPerPixel;
  return { universe: space.universe, channel: slot + 1, showChannel: space.startShowChannel + slot };
}
