'use client';

import { Select } from '@mantine/core';
import type { PropOf } from '@/core/props/registry';
import { TREE_LIMITS, pixelSpacingMm, stripLengthMm, treeHeightMm, treeSlantMm } from '@/core/props/tree';
import { formatLength } from '@/core/units/length';
import { Choice } from '@/ui/fields/Choice';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit } from '../show/ShowProvider';
import { useLengths } from '@/ui/lengths';

type TreeShape = PropOf<'tree'>['shape'];

interface PartProps {
  shape: TreeShape;
  set: (change: Partial<TreeShape>) => boolean;
}

const SIZE = { leastMm: 1, mostMm: TREE_LIMITS.mostMm };

/** The measures of a tree, in the order in which they are taken: form, strands, height, circles. */
export function TreeShapeEditor({ propId, shape }: { propId: string; shape: TreeShape }) {
  const edit = useEdit();
  const set = (change: Partial<TreeShape>) =>
    edit({ type: 'setShape', propId, shape: { ...shape, ...change } });
  return (
    <Stack>
      <FormChoice shape={shape} set={set} />
      <StrandFields shape={shape} set={set} />
      <HeightFields shape={shape} set={set} />
      <CircleFields shape={shape} set={set} />
      <FirstStrand shape={shape} set={set} />
      <Hint>
        Left, right and front are the audience’s. Strands hang from the top ring. A string without a strip has
        a hole for every pixel: type the distance of its pixels.
      </Hint>
    </Stack>
  );
}

function FormChoice({ shape: { form }, set }: PartProps) {
  return (
    <Choice
      label="Form"
      value={form.kind}
      onChange={(kind) =>
        set({
          form:
            kind === 'full'
              ? { kind, firstStrandAt: 'front', direction: 'counterclockwise' }
              : { kind: kind === 'half' ? 'half' : 'flat', firstStrandAt: 'left' },
        })
      }
      data={[
        { value: 'full', label: 'Full 360°' },
        { value: 'half', label: 'Half 180°' },
        { value: 'flat', label: 'Flat' },
      ]}
    />
  );
}

function StrandFields({ shape, set }: PartProps) {
  const lengths = useLengths();
  return (
    <>
      <Row>
        <WholeField
          label="Strands"
          what="The number of strands"
          least={1}
          most={TREE_LIMITS.strands}
          value={shape.strands}
          onCommit={(strands) => set({ strands })}
        />
        <WholeField
          label="Pixels a strand"
          what="The number of pixels on a strand"
          least={1}
          most={TREE_LIMITS.pixelsPerStrand}
          value={shape.pixelsPerStrand}
          onCommit={(pixelsPerStrand) => set({ pixelsPerStrand })}
        />
      </Row>
      <Row>
        <LengthField
          isSpacing
          label="Hole to hole"
          description="of the strip"
          what="The pitch of the holes"
          leastMm={1}
          mostMm={5000}
          value={shape.holePitchMm}
          onCommit={(holePitchMm) => set({ holePitchMm })}
        />
        <WholeField
          label="A pixel in every"
          description={`hole: ${formatLength(pixelSpacingMm(shape), lengths)} apart`}
          what="The number of holes from pixel to pixel"
          least={1}
          most={TREE_LIMITS.everyHole}
          value={shape.everyHole}
          onCommit={(everyHole) => set({ everyHole })}
        />
      </Row>
      <Row>
        <WholeField
          label="Bare holes, top"
          description="beyond the last pixel"
          what="The number of bare holes"
          least={0}
          most={TREE_LIMITS.holes}
          value={shape.emptyHolesTop}
          onCommit={(emptyHolesTop) => set({ emptyHolesTop })}
        />
        <WholeField
          label="Bare holes, foot"
          description="before the first"
          what="The number of bare holes"
          least={0}
          most={TREE_LIMITS.holes}
          value={shape.emptyHolesBottom}
          onCommit={(emptyHolesBottom) => set({ emptyHolesBottom })}
        />
      </Row>
    </>
  );
}

function HeightFields({ shape, set }: PartProps) {
  const lengths = useLengths();
  const { height } = shape;
  return (
    <>
      <Choice
        label="Height is measured"
        value={height.by}
        onChange={(by) =>
          set({
            height:
              by === 'strip'
                ? { by }
                : by === 'slant'
                  ? { by, slantMm: Math.max(1, Math.round(treeSlantMm(shape) ?? 1)) }
                  : { by: 'height', heightMm: Math.max(1, Math.round(treeHeightMm(shape) ?? 1)) },
          })
        }
        data={[
          { value: 'height', label: 'Upright' },
          { value: 'slant', label: 'Along a strand' },
          { value: 'strip', label: 'By the strip' },
        ]}
      />
      {height.by === 'strip' ? (
        <Hint>
          The first hole of the strip is on the top ring and the last one at the anchor:{' '}
          {formatLength(stripLengthMm(shape), lengths)}, so the tree is{' '}
          {formatLength(Math.round(treeHeightMm(shape) ?? 0), lengths)} high.
        </Hint>
      ) : (
        <LengthField
          label={height.by === 'height' ? 'Height' : 'Slant'}
          what={height.by === 'height' ? 'The height' : 'The slant'}
          {...SIZE}
          value={height.by === 'height' ? height.heightMm : height.slantMm}
          onCommit={(mm) =>
            set({
              height: height.by === 'height' ? { by: 'height', heightMm: mm } : { by: 'slant', slantMm: mm },
            })
          }
        />
      )}
    </>
  );
}

function CircleFields({ shape, set }: PartProps) {
  const { form } = shape;
  return (
    <Row>
      <LengthField
        label={form.kind === 'flat' ? 'Width at the base' : 'Base diameter'}
        what="The base"
        {...SIZE}
        value={shape.baseDiameterMm}
        onCommit={(baseDiameterMm) => set({ baseDiameterMm })}
      />
      <LengthField
        label={form.kind === 'flat' ? 'Width at the top' : 'Top diameter'}
        what="The top"
        leastMm={0}
        mostMm={TREE_LIMITS.mostMm}
        value={shape.topDiameterMm}
        onCommit={(topDiameterMm) => set({ topDiameterMm })}
      />
    </Row>
  );
}

function FirstStrand({ shape: { form }, set }: PartProps) {
  return (
    <Row>
      <Select
        label="Strand 1 is at the"
        allowDeselect={false}
        value={form.firstStrandAt}
        data={form.kind === 'full' ? ['front', 'right', 'back', 'left'] : ['left', 'right']}
        onChange={(side) => side && set({ form: { ...form, firstStrandAt: side } as TreeShape['form'] })}
      />
      {form.kind === 'full' && (
        <Select
          label="Numbered, from above"
          allowDeselect={false}
          value={form.direction}
          data={[
            { value: 'clockwise', label: 'Clockwise' },
            { value: 'counterclockwise', label: 'Counter-clockwise' },
          ]}
          onChange={(direction) =>
            set({
              form: { ...form, direction: direction === 'clockwise' ? 'clockwise' : 'counterclockwise' },
            })
          }
        />
      )}
    </Row>
  );
}
