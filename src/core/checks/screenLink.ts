import { wirePixels } from '../screens/frame';
import { lagOf } from '../screens/lag';
import { BAUDS, type LinkWish } from '../screens/linkWish';
import { USUAL_PIPELINE } from '../screens/pipelineSettings';
import { groupDigits } from '../units/number';
import { defineKindCheck, type Mend } from './check';

export const screenLink = defineKindCheck(
  'screen-link',
  'screen',
  'The link to the lights of a screen carries the wanted pictures a second.',
  (prop, _index, { show }) => {
    if (!prop.shape.link) return [];
    const { shape } = prop;
    const pixels = wirePixels(shape);
    const pixelType = show.pixelTypes.find(({ id }) => id === prop.pixelTypeId);
    if (pixels === 0 || !pixelType) return [];
    const at = (link: LinkWish) =>
      lagOf({ ...link, pixels, pixelType, smoothingMs: (shape.colours ?? USUAL_PIPELINE).smoothingMs });
    const link = prop.shape.link;
    const { rateHz, change, bottleneck } = at(link);
    if (change === null) return [];
    const withLink = (next: LinkWish): Mend['edit'] => ({
      type: 'setShape',
      propId: prop.id,
      shape: { ...shape, link: next },
    });
    const mends: Mend[] = [];
    const { link: wire } = link;
    if (wire.kind === 'serial') {
      const baud = BAUDS.find(
        (each) => each > wire.baud && at({ ...link, link: { ...wire, baud: each } }).change === null,
      );
      if (baud)
        mends.push({
          label: `Plan it with ${groupDigits(baud)} baud`,
          edit: withLink({ ...link, link: { ...wire, baud } }),
        });
    }
    mends.push({
      label: `Want no more than ${Math.floor(rateHz)} a second`,
      edit: withLink({ ...link, wantedHz: Math.max(1, Math.floor(rateHz)) }),
    });
    return [
      {
        rank: 'willLookWrong',
        stage: 'build',
        propId: prop.id,
        message: `${prop.name}: ${rateHz.toFixed(1)} pictures a second get through, of ${link.wantedHz} that are wanted; the ${bottleneck} holds them up. ${change}`,
        mends,
      },
    ];
  },
);
