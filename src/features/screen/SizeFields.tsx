import { SegmentedControl, Select, Switch } from '@mantine/core';
import { pictureSize, SCREEN_LIMITS, type ScreenShape } from '@/core/screens/shape';
import { formatLength, parseLength } from '@/core/units/length';
import { LengthField } from '@/ui/fields/fields';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Row } from '@/ui/Panel';
import type { ScreenChange } from './useSetScreen';
import { useLengths } from '@/ui/lengths';

const ASPECTS: readonly [label: string, width: number, height: number][] = [
  ['16 : 9', 16, 9],
  ['21 : 9', 21, 9],
  ['32 : 9', 32, 9],
  ['16 : 10', 16, 10],
  ['4 : 3', 4, 3],
  ['2.39 : 1, projector', 2.39, 1],
  ['9 : 16, upright', 9, 16],
];

const { leastMm, mostMm } = SCREEN_LIMITS;
const tenths = (mm: number) => Math.round(mm * 10) / 10;

/** Size and curve of the picture. */
export function SizeFields({ shape, set }: { shape: ScreenShape; set: (change: ScreenChange) => boolean }) {
  const { size, curveRadiusMm } = shape;
  const lengths = useLengths();
  const { widthMm, heightMm } = pictureSize(shape);
  const aspect =
    size.by === 'diagonal'
      ? ASPECTS.find(([, width, height]) => width / height === size.aspectWidth / size.aspectHeight)?.[0]
      : undefined;
  return (
    <>
      <SegmentedControl
        size="xs"
        fullWidth
        aria-label="How the screen is told"
        value={size.by}
        onChange={(by) =>
          set({
            size:
              by === 'sides'
                ? { by: 'sides', widthMm: tenths(widthMm), heightMm: tenths(heightMm) }
                : {
                    by: 'diagonal',
                    diagonalMm: tenths(Math.hypot(widthMm, heightMm)),
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
            description={formatLength(size.diagonalMm, lengths)}
            value={size.diagonalMm}
            format={(mm) => `${Number((mm / 25.4).toFixed(1))} in`}
            parse={(text) => {
              const read = parseLength(text, 'in');
              return !read.ok || (read.value >= leastMm && read.value <= mostMm)
                ? read
                : {
                    ok: false,
                    message: `A diagonal is from ${formatLength(leastMm, lengths)} to ${formatLength(mostMm, lengths)}; “${text.trim()}” is ${formatLength(read.value, lengths)}.`,
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
            leastMm={leastMm}
            mostMm={mostMm}
            value={size.widthMm}
            onCommit={(width) => set({ size: { ...size, widthMm: width } })}
          />
          <LengthField
            label="Height"
            what="The height"
            leastMm={leastMm}
            mostMm={mostMm}
            value={size.heightMm}
            onCommit={(height) => set({ size: { ...size, heightMm: height } })}
          />
        </Row>
      )}
      <Switch
        label="Curved"
        description="Its width is then measured along the glass"
        checked={curveRadiusMm !== undefined}
        onChange={(event) =>
          set({ curveRadiusMm: event.currentTarget.checked ? Math.max(1800, tenths(widthMm)) : undefined })
        }
      />
      {curveRadiusMm !== undefined && (
        <LengthField
          label="Radius of the curve"
          what="The radius"
          leastMm={SCREEN_LIMITS.leastRadiusMm}
          mostMm={100_000}
          value={curveRadiusMm}
          onCommit={(radius) => set({ curveRadiusMm: radius })}
        />
      )}
    </>
  );
}
