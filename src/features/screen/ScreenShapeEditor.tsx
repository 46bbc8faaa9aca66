'use client';

import { Chip, Group, SegmentedControl, Select, Switch } from '@mantine/core';
import type { PropOf } from '@/core/props/registry';
import {
  CORNER_STYLES,
  framePieces,
  PIECE_WORDS,
  pictureSize,
  SCREEN_LIMITS,
  SCREEN_SIDES,
  SCREEN_STARTS,
  type ScreenSide,
  type ScreenStart,
} from '@/core/screens/frame';
import { formatLength, parseLength } from '@/core/units/length';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint, Row, Stack } from '@/ui/Panel';
import { Opening } from '../feed/Opening';
import { useEdit } from '../show/ShowProvider';
import { useView } from '../view/useView';

type ScreenShape = PropOf<'screen'>['shape'];

const ASPECTS: readonly [label: string, width: number, height: number][] = [
  ['16 : 9', 16, 9],
  ['21 : 9', 21, 9],
  ['32 : 9', 32, 9],
  ['16 : 10', 16, 10],
  ['4 : 3', 4, 3],
  ['9 : 16, upright', 9, 16],
];

const CORNER_WORDS: Record<(typeof CORNER_STYLES)[number], string> = {
  bent: 'bent: the strip runs on',
  cut: 'cut, and bridged by wires',
  pieces: 'corner pieces, which take some length',
};

const SIDE_WORDS: Record<ScreenSide, string> = { top: 'Top', right: 'Right', bottom: 'Bottom', left: 'Left' };

/** The starts as they are called from a side. */
const startWords = (start: ScreenStart, isBack: boolean): string => {
  const words: Record<ScreenStart, string> = {
    topLeft: 'top left',
    topRight: 'top right',
    bottomRight: 'bottom right',
    bottomLeft: 'bottom left',
    bottomMiddle: 'middle of the bottom',
  };
  const seen = words[start];
  return isBack ? seen.replace(/left|right/, (side) => (side === 'left' ? 'right' : 'left')) : seen;
};

/** The screen, the strip behind it, and from where the data goes round. */
export function ScreenShapeEditor({ propId, shape }: { propId: string; shape: ScreenShape }) {
  const edit = useEdit();
  const { side } = useView();
  const isBack = side === 'back';
  const set = (change: { [Field in keyof ScreenShape]?: ScreenShape[Field] | undefined }) => {
    const next = Object.fromEntries(
      Object.entries({ ...shape, ...change }).filter(([, value]) => value !== undefined),
    ) as ScreenShape;
    return edit({ type: 'setShape', propId, shape: next });
  };
  const { size, standGap } = shape;
  const { widthMm, heightMm } = pictureSize(shape);
  const seenDirection = (direction: ScreenShape['direction']): ScreenShape['direction'] =>
    isBack ? (direction === 'clockwise' ? 'counterclockwise' : 'clockwise') : direction;
  const aspect =
    size.by === 'diagonal'
      ? ASPECTS.find(([, width, height]) => width / height === size.aspectWidth / size.aspectHeight)?.[0]
      : undefined;
  return (
    <Stack>
      <SegmentedControl
        size="xs"
        fullWidth
        aria-label="How the screen is told"
        value={size.by}
        onChange={(by) =>
          set({
            size:
              by === 'sides'
                ? { by: 'sides', widthMm: round(widthMm), heightMm: round(heightMm) }
                : {
                    by: 'diagonal',
                    diagonalMm: round(Math.hypot(widthMm, heightMm)),
                    aspectWidth: 16,
                    aspectHeight: 9,
                  },
          })
        }
        data={[
          { value: 'diagonal', label: 'By its diagonal' },
          { value: 'sides', label: 'By its sides' },
        ]}
      />
      {size.by === 'diagonal' ? (
        <Row>
          <ParsedField
            label="Diagonal"
            description={formatLength(size.diagonalMm)}
            value={size.diagonalMm}
            format={(mm) => `${Number((mm / 25.4).toFixed(1))} in`}
            parse={(text) => {
              const read = parseLength(text, 'in');
              const { leastMm, mostMm } = SCREEN_LIMITS;
              return !read.ok || (read.value >= leastMm && read.value <= mostMm)
                ? read
                : {
                    ok: false,
                    message: `A diagonal is from ${formatLength(leastMm)} to ${formatLength(mostMm)}; “${text.trim()}” is ${formatLength(read.value)}.`,
                  };
            }}
            onCommit={(diagonalMm) => set({ size: { ...size, diagonalMm } })}
          />
          <Select
            label="Aspect"
            allowDeselect={false}
            value={aspect ?? ''}
            placeholder={`${size.aspectWidth} : ${size.aspectHeight}`}
            data={ASPECTS.map(([label]) => label)}
            onChange={(value) => {
              const found = ASPECTS.find(([label]) => label === value);
              if (found) set({ size: { ...size, aspectWidth: found[1], aspectHeight: found[2] } });
            }}
          />
        </Row>
      ) : (
        <Row>
          <LengthField
            label="Width of the picture"
            what="The width"
            leastMm={SCREEN_LIMITS.leastMm}
            mostMm={SCREEN_LIMITS.mostMm}
            value={size.widthMm}
            onCommit={(width) => set({ size: { ...size, widthMm: width } })}
          />
          <LengthField
            label="Height"
            what="The height"
            leastMm={SCREEN_LIMITS.leastMm}
            mostMm={SCREEN_LIMITS.mostMm}
            value={size.heightMm}
            onCommit={(height) => set({ size: { ...size, heightMm: height } })}
          />
        </Row>
      )}
      <Row>
        <LengthField
          label="Inside the edge"
          what="The inset"
          leastMm={0}
          mostMm={SCREEN_LIMITS.mostInsetMm}
          value={shape.insetMm}
          onCommit={(insetMm) => set({ insetMm })}
        />
        <WholeField
          label="Pixels a metre"
          what="The density"
          least={SCREEN_LIMITS.leastPerM}
          most={SCREEN_LIMITS.mostPerM}
          value={shape.pixelsPerMetre}
          onCommit={(pixelsPerMetre) => set({ pixelsPerMetre })}
        />
      </Row>
      <Row>
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
        <WholeField
          label="Hidden first ones"
          what="The number of hidden pixels"
          least={0}
          most={100}
          value={shape.hiddenFirst}
          onCommit={(hiddenFirst) => set({ hiddenFirst })}
        />
      </Row>
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
              {SIDE_WORDS[isBack && each === 'left' ? 'right' : isBack && each === 'right' ? 'left' : each]}
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
          <NumberUnitField
            label="Right of middle"
            unit="mm"
            least={-SCREEN_LIMITS.mostMm}
            most={SCREEN_LIMITS.mostMm}
            value={standGap.offsetMm}
            onCommit={(offsetMm) => set({ standGap: { ...standGap, offsetMm } })}
          />
        </Row>
      )}
      <Row>
        <Select
          label="Corners"
          allowDeselect={false}
          value={shape.corner.style}
          data={CORNER_STYLES.map((value) => ({ value, label: CORNER_WORDS[value] }))}
          onChange={(style) =>
            style &&
            set({
              corner: {
                style: style as ScreenShape['corner']['style'],
                lossMm: style === 'pieces' ? 15 : 0,
              },
            })
          }
        />
        {shape.corner.style !== 'bent' && (
          <LengthField
            label="Each end loses"
            what="The loss at a corner"
            leastMm={0}
            mostMm={200}
            value={shape.corner.lossMm}
            onCommit={(lossMm) => set({ corner: { ...shape.corner, lossMm } })}
          />
        )}
      </Row>
      <Row>
        <Select
          label={`Data begins at, seen from the ${side}`}
          allowDeselect={false}
          value={shape.start}
          data={SCREEN_STARTS.map((value) => ({ value, label: startWords(value, isBack) }))}
          onChange={(start) => start && set({ start: start as ScreenStart })}
        />
        <WholeField
          label="Pixels further on"
          what="The offset"
          least={0}
          most={20_000}
          value={shape.startOffset}
          onCommit={(startOffset) => set({ startOffset })}
        />
      </Row>
      <SegmentedControl
        fullWidth
        size="xs"
        aria-label={`Way round, seen from the ${side}`}
        value={seenDirection(shape.direction)}
        onChange={(value) => set({ direction: seenDirection(value as ScreenShape['direction']) })}
        data={[
          { value: 'clockwise', label: 'Clockwise' },
          { value: 'counterclockwise', label: 'Counter-clockwise' },
        ]}
      />
      <Opening words="Counts that were installed">
        <Stack>
          {framePieces(shape).map(({ name, planned, pixels }) => (
            <WholeField
              key={name}
              label={`${PIECE_WORDS[name]}, planned ${planned}`}
              what="The number of pixels"
              least={0}
              most={5000}
              value={pixels}
              onCommit={(count) => {
                const { [name]: _, ...others } = shape.installed ?? {};
                const installed = count === planned ? others : { ...others, [name]: count };
                return set({ installed: Object.keys(installed).length === 0 ? undefined : installed });
              }}
            />
          ))}
        </Stack>
      </Opening>
      <Hint>
        Everything is said as it is seen from the {side}: who stands behind the screen sees the other
        direction. An inset hides the points of light from the side.
      </Hint>
    </Stack>
  );
}

const round = (mm: number) => Math.round(mm * 10) / 10;
