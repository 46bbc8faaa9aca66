import { computed, given, sum, type Explained } from '../figures/explained';
import { pixelsOf } from '../props/registry';
import { explainChannels } from './explainRun';
import type { LaidShow } from './planned';
import { itemAt } from '../units/there';

/** Totals of everything, with their derivations. */
export function explainTotals(plan: LaidShow): {
  pixels: Explained;
  channels: Explained;
  lastShowChannel: Explained;
} {
  const { show, props, spaces } = plan;
  const runsOf = (prop: number) =>
    Array.from({ length: itemAt(props, prop).runCount }, (_, i) => itemAt(props, prop).firstRun + i);
  return {
    pixels: computed(
      'pixels of the show',
      'pixels',
      sum(...show.props.map((prop) => ({ ...pixelsOf(prop), name: prop.name }))),
    ),
    channels: computed(
      'channels that carry pixels',
      'channels',
      sum(...show.props.map((prop, index) => ({ ...explainChannels(plan, runsOf(index)), name: prop.name }))),
    ),
    lastShowChannel: computed(
      'last show channel',
      'number',
      sum(
        given('before the first', (show.addressing.firstShowChannel ?? 1) - 1, 'channels', {
          place: { stage: 'patch' },
        }),
        ...spaces.map(({ universe, controller, channelCount }) =>
          given(
            universe === null ? `bytes of ${itemAt(show.controllers, controller).name}` : `U${universe}`,
            channelCount,
            'channels',
          ),
        ),
      ),
      { because: 'A universe counts for all channels that its packing holds, also where some are not used.' },
    ),
  };
}
