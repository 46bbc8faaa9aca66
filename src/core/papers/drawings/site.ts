import { endsOfLead, leadsOf, middleOfProp, onSite } from '../../answers/site';
import { textOf } from '../../figures/explained';
import { boundsOf } from '../../geometry/bounds';
import type { Plan } from '../../plan/planned';
import { USUAL_SITE } from '../../show/siteSchema';
import type { Drawing, Shape, SpotOnDrawing } from '../../pages/drawing';
import { plannedAt } from '../../plan/records';

const MOST_LENGTHS = 60;

/** The site with what is placed on it and every lead whose ends are. */
export function siteDrawing(plan: Plan): Drawing {
  const { show } = plan;
  const site = show.site ?? USUAL_SITE;
  const shapes: Shape[] = [
    {
      is: 'path',
      points: [
        [0, 0],
        [site.widthMm, 0],
        [site.widthMm, site.heightMm],
        [0, site.heightMm],
      ],
      closed: true,
      pen: 'thin',
    },
  ];
  const leads = leadsOf(plan).flatMap((lead) => {
    const ends = endsOfLead(plan, lead);
    return ends ? [{ lead, ends }] : [];
  });
  for (const { ends } of leads)
    shapes.push({
      is: 'path',
      points: [
        [ends.from.xMm, ends.from.yMm],
        [ends.to.xMm, ends.to.yMm],
      ],
      pen: 'dashed',
    });
  show.props.forEach((prop, index) => {
    const middle = prop.site && middleOfProp(plan, index);
    if (!prop.site || !middle) return;
    const place = prop.site;
    const { firstPixel, pixelCount } = plannedAt(plan, index);
    const bounds = boundsOf(
      plan.pixels.xMm.subarray(firstPixel, firstPixel + pixelCount),
      plan.pixels.yMm.subarray(firstPixel, firstPixel + pixelCount),
    )!;
    const corner = (xMm: number, yMm: number): SpotOnDrawing => {
      const spot = onSite(place, middle, { xMm, yMm });
      return [spot.xMm, spot.yMm];
    };
    shapes.push(
      {
        is: 'path',
        points: [
          corner(bounds.leftMm, bounds.bottomMm),
          corner(bounds.rightMm, bounds.bottomMm),
          corner(bounds.rightMm, bounds.topMm),
          corner(bounds.leftMm, bounds.topMm),
        ],
        closed: true,
        pen: 'thin',
        fill: 'light',
      },
      { is: 'label', at: [place.xMm, place.yMm], words: prop.name, sizePt: 8, bold: true, boxed: true },
    );
  });
  for (const { lead, ends } of leads.slice(0, MOST_LENGTHS))
    if (lead.cable)
      shapes.push({
        is: 'label',
        at: [(ends.from.xMm + ends.to.xMm) / 2, (ends.from.yMm + ends.to.yMm) / 2],
        words: `${lead.port} ${textOf(lead.cable, show.lengths)}`,
        sizePt: 7,
        boxed: true,
      });
  for (const controller of show.controllers)
    if (controller.site)
      shapes.push(
        { is: 'dot', at: [controller.site.xMm, controller.site.yMm], radiusPt: 4.5, fill: 'black' },
        {
          is: 'label',
          at: [controller.site.xMm, controller.site.yMm],
          words: `${controller.label}: ${controller.name}`,
          sizePt: 9,
          bold: true,
          boxed: true,
          upPt: 12,
        },
      );
  return {
    name: `The site: props in grey, controllers as black points, leads dashed with their port and cable length`,
    bounds: { leftMm: 0, rightMm: site.widthMm, bottomMm: 0, topMm: site.heightMm },
    shapes,
    isToScale: true,
  };
}
