import { stripLengthMm, treeHeightMm, treeSlantMm, type TreeShape } from '../props/tree';
import { formatLength } from '../units/length';
import { defineKindCheck, type Mend } from './check';

export const impossibleTree = defineKindCheck(
  'impossible-tree',
  'tree',
  'A tree’s height, slant and circles meet, and its strands are no longer than the way from the top ring to the anchors.',
  (prop, _index, { show: { lengths } }) => {
    const { shape } = prop;
    const mend = (label: string, change: Partial<TreeShape>): Mend => ({
      label,
      edit: { type: 'setShape', propId: prop.id, shape: { ...shape, ...change } },
    });
    const lean = Math.abs(shape.baseDiameterMm - shape.topDiameterMm) / 2;
    const strand = stripLengthMm(shape);
    const slant = treeSlantMm(shape);
    const finding = (message: string, mends: Mend[]) => [
      {
        rank: 'willLookWrong' as const,
        stage: 'build' as const,
        propId: prop.id,
        message: `${prop.name}: ${message}`,
        mends,
      },
    ];
    if (slant === null) {
      const measured = shape.height.by === 'slant' ? shape.height.slantMm : strand;
      const fitting = Math.ceil(Math.max(strand, lean * 1.05, lean + 1));
      // A circle that leaves a fifth of the slant for height.
      const base = Math.floor(shape.topDiameterMm + 1.6 * measured);
      return finding(
        `the slant of ${formatLength(measured, lengths)} does not reach from the top ring to the base circle, which is ${formatLength(Math.round(lean), lengths)} further out. Such a tree has no height.`,
        [
          mend(`Measure ${formatLength(fitting, lengths)} along a strand`, {
            height: { by: 'slant', slantMm: fitting },
          }),
          ...(base >= 1 && Math.abs(base - shape.topDiameterMm) / 2 < measured
            ? [mend(`Make the base ${formatLength(base, lengths)} across`, { baseDiameterMm: base })]
            : []),
        ],
      );
    }
    if (strand <= slant + 0.5) return [];
    const height = strand > lean ? Math.ceil(Math.sqrt(strand ** 2 - lean ** 2)) : null;
    const bare = shape.emptyHolesTop + shape.emptyHolesBottom;
    const fit = Math.floor((Math.floor(slant / shape.holePitchMm) - bare) / shape.everyHole) + 1;
    return finding(
      `a strand is ${formatLength(strand, lengths)} long, ${formatLength(Math.round(strand - slant), lengths)} longer than the ${formatLength(Math.round(slant), lengths)} from the top ring to its anchor, so its lowest pixels lie on the ground.`,
      [
        ...(height !== null && height <= 100_000
          ? [
              mend(`Raise it to ${formatLength(height, lengths)}`, {
                height:
                  shape.height.by === 'slant'
                    ? { by: 'slant', slantMm: Math.ceil(strand) }
                    : { by: 'height', heightMm: Math.max(height, Math.ceil(treeHeightMm(shape)!)) },
              }),
            ]
          : []),
        ...(fit >= 1 ? [mend(`Keep ${fit} pixels a strand`, { pixelsPerStrand: fit })] : []),
      ],
    );
  },
);
