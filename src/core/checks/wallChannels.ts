import { channelsPerPixel } from '../catalogue/pixelType';
import { defineWallCheck } from './walls';

export const wallChannels = defineWallCheck(
  'wall-channels',
  'Panels have three channels a pixel.',
  ({ prop, finding }, plan) => {
    const type = plan.show.pixelTypes.find((each) => each.id === prop.pixelTypeId)!;
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
