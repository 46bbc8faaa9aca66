'use client';

import { Chip, Group, SegmentedControl, Select, Switch } from '@mantine/core';
import { SCREEN_LIMITS, type ScreenShape } from '@/core/screens/shape';
import { otherSide, SCREEN_SIDES, SCREEN_STARTS, startWords } from '@/core/screens/sides';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useView } from '../view/useView';
import { CornerFields } from './CornerFields';
import { CountedFields } from './CountedFields';
import { OwnPieces } from './OwnPieces';
import { SizeFields } from './SizeFields';
import { useSetScreen } from './useSetScreen';

const capital = (word: string) => word[0]!.toUpperCase() + word.slice(1);

/** The screen, the strip behind it, and from where the data goes round. */
export function ScreenShapeEditor({ propId, shape }: { propId: string; shape: ScreenShape }) {
  const set = useSetScreen(propId, shape);
  const { side } = useView();
  const isBack = side === 'back';
  const { standGap } = shape;
  const seenDirection = (direction: ScreenShape['direction']): ScreenShape['direction'] =>
    isBack ? (direction === 'clockwise' ? 'counterclockwise' : 'clockwise') : direction;
  return (
    <Stack>
      <SizeFields shape={shape} set={set} />
      <Row>
        {!shape.ownPieces && (
          <LengthField
            label="Inside the edge"
            what="The inset"
            leastMm={-SCREEN_LIMITS.mostInsetMm}
            mostMm={SCREEN_LIMITS.mostInsetMm}
            value={shape.insetMm}
            onCommit={(insetMm) => set({ insetMm })}
          />
        )}
        <WholeField
          label="Pixels a metre"
          what="The density"
          least={SCREEN_LIMITS.leastPerM}
          most={SCREEN_LIMITS.mostPerM}
          value={shape.pixelsPerMetre}
          onCommit={(pixelsPerMetre) => set({ pixelsPerMetre })}
        />
      </Row>
      <Select
        label="Cut marks"
        allowDeselect={false}
        value={String(shape.pixelsPerCut)}
        data={[1, 3, 6].map((each) => ({
          value: String(each),
          label: each === 1 ? 'at every pixel' : `every ${each} pixels`,
        }))}
        onChange={(value) => value && set({ pixelsPerCut: Number(value) })}
      />
      {!shape.ownPieces && (
        <>
          <Chip.Group
            multiple
            value={shape.sides}
            onChange={(sides) =>
              sides.length > 0 &&
              set({
                sides: SCREEN_SIDES.filter((each) => sides.includes(each)),
                ...(!sides.includes('bottom') && { standGap: undefined }),
              })
            }
          >
            <Group gap={6} role="group" aria-label="Sides with strip">
              {SCREEN_SIDES.map((each) => (
                <Chip key={each} size="xs" variant="outline" value={each}>
                  {capital(isBack ? otherSide(each) : each)}
                </Chip>
              ))}
            </Group>
          </Chip.Group>
          <Switch
            label="A stand parts the bottom"
            checked={standGap !== undefined}
            disabled={!shape.sides.includes('bottom')}
            onChange={(event) =>
              set({ standGap: event.currentTarget.checked ? { lengthMm: 180, offsetMm: 0 } : undefined })
            }
          />
          {standGap && (
            <Row>
              <LengthField
                label="Gap"
                what="The gap"
                leastMm={1}
                mostMm={SCREEN_LIMITS.mostMm}
                value={standGap.lengthMm}
                onCommit={(lengthMm) => set({ standGap: { ...standGap, lengthMm } })}
              />
              <LengthField
                label="Right of middle"
                what="The offset"
                leastMm={-SCREEN_LIMITS.mostMm}
                mostMm={SCREEN_LIMITS.mostMm}
                value={standGap.offsetMm}
                onCommit={(offsetMm) => set({ standGap: { ...standGap, offsetMm } })}
              />
            </Row>
          )}
        </>
      )}
      <OwnPieces shape={shape} set={set} />
      <CornerFields shape={shape} isBack={isBack} set={set} />
      <Select
        label={`Data begins at, seen from the ${side}`}
        allowDeselect={false}
        value={shape.start}
        data={SCREEN_STARTS.map((value) => ({ value, label: startWords(value, isBack) }))}
        onChange={(start) => start && set({ start })}
      />
      <SegmentedControl
        fullWidth
        size="xs"
        aria-label={`Way round, seen from the ${side}`}
        value={seenDirection(shape.direction)}
        onChange={(value) => set({ direction: seenDirection(value) })}
        data={[
          { value: 'clockwise', label: 'Clockwise' },
          { value: 'counterclockwise', label: 'Counter-clockwise' },
        ]}
      />
      <WholeField
        label="Pixels further on"
        what="The offset"
        least={0}
        most={20_000}
        value={shape.startOffset}
        onCommit={(startOffset) => set({ startOffset })}
      />
      <Row>
        <WholeField
          label="Hidden first ones"
          what="The number of hidden pixels"
          least={0}
          most={100}
          value={shape.hiddenFirst}
          onCommit={(hiddenFirst) => set({ hiddenFirst })}
        />
        <WholeField
          label="Unused last ones"
          what="The number of unused pixels"
          least={0}
          most={1000}
          value={shape.unusedTail ?? 0}
          onCommit={(tail) => set({ unusedTail: tail === 0 ? undefined : tail })}
        />
      </Row>
      <CountedFields shape={shape} set={set} />
      <Hint>
        Start and direction are said as they are seen from the {side}: who stands on the other side sees them
        mirrored. An inset hides the points of light from the side; below zero the strip lies outside the
        picture.
      </Hint>
    </Stack>
  );
}
