import { Select } from '@mantine/core';
import { cornerWay, CORNER_STYLES, type CornerWay, type ScreenShape } from '@/core/screens/shape';
import { SCREEN_CORNERS, startWords } from '@/core/screens/sides';
import { LengthField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { Opening } from '../sheets/Opening';
import type { ScreenChange } from './useSetScreen';

const CORNER_WORDS: Record<CornerWay['style'], string> = {
  bent: 'bent',
  cut: 'cut, bridged',
  pieces: 'corner piece',
};

/** Ways of the strip round the corners: all alike, and each exception. */
export function CornerFields({
  shape,
  isBack,
  set,
}: {
  shape: ScreenShape;
  isBack: boolean;
  set: (change: ScreenChange) => boolean;
}) {
  const setCorner = (at: (typeof SCREEN_CORNERS)[number], way: CornerWay) => {
    const others = { ...shape.corners };
    delete others[at];
    const isUsual = way.style === shape.corner.style && way.lossMm === shape.corner.lossMm;
    const corners = isUsual ? others : { ...others, [at]: way };
    return set({ corners: Object.keys(corners).length > 0 ? corners : undefined });
  };
  return (
    <>
      <CornerWayFields
        label="Corners"
        way={shape.corner}
        onChange={(corner) => set({ corner, corners: undefined })}
      />
      <Hint>
        Bent strip runs on; what is cut is bridged by wires; a corner piece takes some length off both ends.
      </Hint>
      {!shape.ownPieces && (
        <Opening words="Corners that are made otherwise">
          <Stack>
            {SCREEN_CORNERS.map((at) => (
              <CornerWayFields
                key={at}
                label={startWords(at, isBack)}
                way={cornerWay(shape, at)}
                onChange={(way) => setCorner(at, way)}
              />
            ))}
          </Stack>
        </Opening>
      )}
    </>
  );
}

function CornerWayFields({
  label,
  way,
  onChange,
}: {
  label: string;
  way: CornerWay;
  onChange: (way: CornerWay) => boolean;
}) {
  return (
    <Row>
      <Select
        label={label}
        allowDeselect={false}
        value={way.style}
        data={CORNER_STYLES.map((value) => ({ value, label: CORNER_WORDS[value] }))}
        onChange={(style) => style && onChange({ style, lossMm: style === 'pieces' ? 15 : 0 })}
      />
      {way.style !== 'bent' && (
        <LengthField
          label="Each end loses"
          aria-label={`Each end loses, ${label}`}
          what="The loss at a corner"
          leastMm={0}
          mostMm={200}
          value={way.lossMm}
          onCommit={(lossMm) => onChange({ ...way, lossMm })}
        />
      )}
    </Row>
  );
}
