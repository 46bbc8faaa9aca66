import { channelsPerPixel } from '../catalogue/pixelType';
import { defineWallCheck } from './walls';
import { pixelTypeOf } from '../plan/records';

export const wallChannels = defineWallCheck(
  'wall-channels',
  'Panels have three channels a pixel.',
  ({ prop, finding }, plan) => {
    const type = pixelTypeOf(plan.show, prop);
    const channels = channelsPerPixel(type);
    if (channels === 3) return [];
    const fitting = plan.show.pixelTypes.find((each) => channelsPerPixel(each) === 3);
    return [
      finding(
        'willLookWrong',
        `its pixel type ${type.name} has ${channels} ${channels === 1 ? 'channel' : 'channels'} a pixel, and panels have 3. Colours would smear along every row.`,
        fitting
          ? [
              {
                label: `Use ${fitting.name}`,
                edit: { type: 'changeProp', propId: prop.id, change: { pixelTypeId: fitting.id } },
              },
            ]
          : [],
        'build',
      ),
    ];
  },
);
