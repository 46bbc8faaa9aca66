'use client';

import { Button, Group, Modal } from '@mantine/core';
import { useMemo, useState, type ReactNode } from 'react';
import { layAlong } from '@/core/props/points/outline';
import { roundedMm, type PointList } from '@/core/props/points/pointList';
import type { Backdrop } from '@/core/props/backdrop';
import type { PropOf } from '@/core/props/registry';
import { formatLength } from '@/core/units/length';
import { countOf } from '@/core/units/number';
import { Choice } from '@/ui/fields/Choice';
import { LengthField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import { Hint, Section, Stack } from '@/ui/Panel';
import { isDelete } from '@/ui/picture/boardKeys';
import { Board, type OnScreen } from '@/ui/picture/Board';
import { PhotoChooser } from '../show/PhotoChooser';
import { photoUrl, type KeptPhoto } from '../show/photos';
import { useShow } from '../show/ShowProvider';
import styles from './TracePhoto.module.css';
import { useLengths } from '@/ui/lengths';
import { itemAt } from '@/core/units/there';
import { messageOf } from '@/core/units/messageOf';
import { ApplyButton } from '@/ui/fields/ApplyButton';

/** A photo is 1,000 units wide, whatever its pixels; y counts up from its lower edge. */
const UNITS_WIDE = 1000;

function backdropOf({ photoId, aspect }: KeptPhoto, widthMm: number): Backdrop {
  return { photoId, leftMm: 0, bottomMm: 0, widthMm, aspect };
}

interface Spot {
  x: number;
  y: number;
}

interface TracePhotoProps {
  prop: PropOf<'freeform'>;
  onTake: (list: PointList, source: string, more: { backdrop: Backdrop }) => void;
  onClose: () => void;
}

/** Clicks on a photo so far. Kept while the dialog is closed, so that nothing is lost. */
interface Tracing {
  photo: KeptPhoto & { name: string };
  /** The two ends of a known length. */
  ends: Spot[];
  knownMm: number;
  pieces: Spot[][];
}

/** By show and prop: another show may have a prop of the same id. */
const unfinished = new Map<string, Tracing>();

/** Pixels clicked on a photo, with one known length as its scale. */
export function TracePhoto({ prop, onTake, onClose }: TracePhotoProps) {
  const key = `${useShow((state) => state.id)} ${prop.id}`;
  const [tracing, setTracing] = useState<Tracing | null>(() => unfinished.get(key) ?? tracingOf(prop));
  const change = (next: Tracing) => {
    unfinished.set(key, next);
    setTracing(next);
  };
  return (
    <Modal
      opened
      onClose={onClose}
      fullScreen
      title={`Trace over a photo · ${prop.name}`}
      classNames={{ body: styles.body!, content: styles.content! }}
    >
      {tracing ? (
        <Tracer
          tracing={tracing}
          onChange={change}
          onOther={() => setTracing(null)}
          onTake={(list, backdrop) => {
            unfinished.delete(key);
            onTake(list, `traced over ${tracing.photo.name}`, { backdrop });
          }}
        />
      ) : (
        <div className={styles.chooser}>
          <h2>A photo, taken straight from the front</h2>
          <p>
            You mark the two ends of something whose length you know, then click the pixels in the order of
            the data. Large photos are made smaller before they are kept.
          </p>
          <PhotoChooser onPhoto={(photo) => change({ photo, ends: [], knownMm: 1000, pieces: [[]] })} />
        </div>
      )}
    </Modal>
  );
}

/** The photo and points from which a prop was traced before. */
function tracingOf(prop: PropOf<'freeform'>): Tracing | null {
  const { backdrop, xMm, yMm, pieces } = prop.shape;
  if (!backdrop) return null;
  const mmPerUnit = backdrop.widthMm / UNITS_WIDE;
  let point = 0;
  return {
    photo: { photoId: backdrop.photoId, aspect: backdrop.aspect, name: 'the photo' },
    ends: [
      { x: 0, y: 0 },
      { x: UNITS_WIDE, y: 0 },
    ],
    knownMm: backdrop.widthMm,
    pieces: pieces.map((count) =>
      Array.from({ length: count }, () => {
        const spot = {
          x: (itemAt(xMm, point) - backdrop.leftMm) / mmPerUnit,
          y: (itemAt(yMm, point) - backdrop.bottomMm) / mmPerUnit,
        };
        point += 1;
        return spot;
      }),
    ),
  };
}

interface TracerProps {
  tracing: Tracing;
  onChange: (tracing: Tracing) => void;
  onOther: () => void;
  onTake: (list: PointList, backdrop: Backdrop) => void;
}

function Tracer({ tracing, onChange, onOther, onTake }: TracerProps) {
  const lengths = useLengths();
  const { photo, ends, knownMm, pieces } = tracing;
  const [mode, setMode] = useState<'pixels' | 'corners'>('pixels');
  const [spacingMm, setSpacingMm] = useState(25);
  const [scaling, setScaling] = useState(ends.length < 2);
  const mmPerUnit =
    ends.length === 2
      ? knownMm /
        Math.max(
          0.01,
          Math.hypot(itemAt(ends, 1).x - itemAt(ends, 0).x, itemAt(ends, 1).y - itemAt(ends, 0).y),
        )
      : null;
  const laid = useMemo(
    () => (mmPerUnit === null ? null : listOf(pieces, mode, spacingMm, mmPerUnit)),
    [pieces, mode, spacingMm, mmPerUnit],
  );
  const bounds = useMemo(
    () => ({ leftMm: 0, rightMm: UNITS_WIDE, bottomMm: 0, topMm: UNITS_WIDE * photo.aspect }),
    [photo.aspect],
  );

  const tap = (x: number, y: number) => {
    if (scaling) {
      const next = ends.length >= 2 ? [{ x, y }] : [...ends, { x, y }];
      onChange({ ...tracing, ends: next });
      if (next.length === 2) setScaling(false);
      return;
    }
    onChange({
      ...tracing,
      pieces: [...pieces.slice(0, -1), [...(pieces[pieces.length - 1] ?? []), { x, y }]],
    });
  };
  const takeBack = () => {
    const last = itemAt(pieces, pieces.length - 1);
    if (last.length > 0) onChange({ ...tracing, pieces: [...pieces.slice(0, -1), last.slice(0, -1)] });
    else if (pieces.length > 1) onChange({ ...tracing, pieces: pieces.slice(0, -1) });
  };
  const newPiece = () => {
    if (itemAt(pieces, pieces.length - 1).length > 0) onChange({ ...tracing, pieces: [...pieces, []] });
  };
  const clicks = pieces.reduce((sum, piece) => sum + piece.length, 0);

  return (
    <div className={styles.tracer}>
      <Board
        bounds={bounds}
        fitKey={photo.photoId}
        label="The photo. Click to set points."
        testId="tracer"
        marginPx={16}
        onTap={tap}
        onKey={(key) => {
          if (isDelete(key)) takeBack();
          else if (key === 'Enter') newPiece();
          else return false;
          return true;
        }}
      >
        {(screen) => (
          <TracedMarks tracing={tracing} screen={screen} mmPerUnit={mmPerUnit} list={laid?.list ?? null} />
        )}
      </Board>
      <aside className={styles.side}>
        <Section title="1 · A length that you know">
          <Stack>
            <LengthField
              label="From the one mark to the other"
              what="The length"
              leastMm={1}
              mostMm={1_000_000}
              value={knownMm}
              onCommit={(mm) => onChange({ ...tracing, knownMm: mm })}
            />
            <Button variant={scaling ? 'filled' : 'default'} onClick={() => setScaling(!scaling)}>
              {scaling ? `Click its ${ends.length === 1 ? 'other' : 'one'} end` : 'Mark it anew'}
            </Button>
          </Stack>
        </Section>
        <PointsSection
          mode={mode}
          onMode={setMode}
          spacingMm={spacingMm}
          onSpacing={setSpacingMm}
          clicks={clicks}
          canBegin={!scaling}
          onNewPiece={newPiece}
          onTakeBack={takeBack}
        >
          <Facts
            facts={[
              { name: 'Clicks', value: String(clicks) },
              laid?.list && { name: 'Pixels', value: String(laid.list.xMm.length) },
              mmPerUnit !== null && {
                name: 'The photo shows',
                value: `${formatLength(mmPerUnit * UNITS_WIDE, lengths)} × ${formatLength(mmPerUnit * UNITS_WIDE * photo.aspect, lengths)}`,
              },
            ]}
          />
          {laid?.problem && <p role="alert">{laid.problem}</p>}
        </PointsSection>
        <Stack>
          <ApplyButton
            disabled={!laid?.list || laid.list.xMm.length === 0 || mmPerUnit === null}
            onClick={() => onTake(laid!.list!, backdropOf(photo, mmPerUnit! * UNITS_WIDE))}
          >
            {laid?.list ? `Use ${countOf(laid.list.xMm.length, 'pixel')}` : 'Mark the known length first'}
          </ApplyButton>
          <Button variant="default" onClick={onOther}>
            Another photo…
          </Button>
        </Stack>
      </aside>
    </div>
  );
}

interface PointsSectionProps {
  mode: 'pixels' | 'corners';
  onMode: (mode: 'pixels' | 'corners') => void;
  spacingMm: number;
  onSpacing: (spacingMm: number) => void;
  clicks: number;
  canBegin: boolean;
  onNewPiece: () => void;
  onTakeBack: () => void;
  children: ReactNode;
}

function PointsSection({
  mode,
  onMode,
  spacingMm,
  onSpacing,
  clicks,
  canBegin,
  onNewPiece,
  onTakeBack,
  children,
}: PointsSectionProps) {
  return (
    <Section title="2 · Points, in the order of the data">
      <Stack>
        <Choice
          label="A click sets"
          value={mode}
          onChange={(value) => onMode(value === 'corners' ? 'corners' : 'pixels')}
          data={[
            { value: 'pixels', label: 'A pixel' },
            { value: 'corners', label: 'A corner of the strip' },
          ]}
        />
        {mode === 'corners' && (
          <LengthField
            isSpacing
            label="Pixel spacing"
            what="The spacing"
            leastMm={1}
            mostMm={5000}
            value={spacingMm}
            onCommit={onSpacing}
          />
        )}
        <Group gap={6}>
          <Button variant="default" size="compact-md" onClick={onNewPiece} disabled={!canBegin}>
            Begin a new piece
          </Button>
          <Button variant="default" size="compact-md" onClick={onTakeBack} disabled={clicks === 0}>
            Take the last click back
          </Button>
        </Group>
        <Hint>
          Wheel or two fingers zoom, dragging moves the photo. Enter begins a new piece, Backspace takes a
          click back.
        </Hint>
        {children}
      </Stack>
    </Section>
  );
}

interface TracedMarksProps {
  tracing: Tracing;
  screen: OnScreen;
  mmPerUnit: number | null;
  list: PointList | null;
}

/** The photo with what is marked on it. */
function TracedMarks({ tracing, screen, mmPerUnit, list }: TracedMarksProps) {
  const lengths = useLengths();
  const { photo, ends, knownMm, pieces } = tracing;
  return (
    <>
      <image
        href={photoUrl(photo.photoId)}
        x={screen.x(0)}
        y={screen.y(UNITS_WIDE * photo.aspect)}
        width={UNITS_WIDE * screen.pxPerMm}
        height={UNITS_WIDE * photo.aspect * screen.pxPerMm}
        preserveAspectRatio="none"
      />
      <KnownLength ends={ends} screen={screen} words={mmPerUnit ? formatLength(knownMm, lengths) : ''} />
      {pieces.map((piece, i) => (
        <polyline
          key={i}
          className={styles.wire}
          points={piece.map((spot) => `${screen.x(spot.x)},${screen.y(spot.y)}`).join(' ')}
        />
      ))}
      {list &&
        mmPerUnit &&
        list.xMm.map((x, i) => (
          <circle
            key={i}
            className={styles.pixel}
            data-first={i === 0}
            cx={screen.x(x / mmPerUnit)}
            cy={screen.y(itemAt(list.yMm, i) / mmPerUnit)}
            r={i === 0 ? 5 : 3.5}
          />
        ))}
    </>
  );
}

function listOf(
  pieces: readonly Spot[][],
  mode: 'pixels' | 'corners',
  spacingMm: number,
  mmPerUnit: number,
): { list: PointList; problem?: undefined } | { list?: undefined; problem: string } {
  const filled = pieces.filter((piece) => piece.length > 0);
  if (mode === 'pixels')
    return {
      list: {
        xMm: filled.flat().map((spot) => roundedMm(spot.x * mmPerUnit)),
        yMm: filled.flat().map((spot) => roundedMm(spot.y * mmPerUnit)),
        pieces: filled.map((piece) => piece.length),
      },
    };
  try {
    const outlines = filled.map((piece) => ({ points: piece.flatMap(({ x, y }) => [x, y]), closed: false }));
    return { list: layAlong(outlines, { mmPerUnit, spacingMm, spread: 'exact', yDown: false }) };
  } catch (error) {
    return { problem: messageOf(error) };
  }
}

function KnownLength({ ends, screen, words }: { ends: readonly Spot[]; screen: OnScreen; words: string }) {
  const [a, b] = ends;
  return (
    <g className={styles.known}>
      {a && b && (
        <>
          <line x1={screen.x(a.x)} y1={screen.y(a.y)} x2={screen.x(b.x)} y2={screen.y(b.y)} />
          <text x={(screen.x(a.x) + screen.x(b.x)) / 2} y={(screen.y(a.y) + screen.y(b.y)) / 2 - 8}>
            {words}
          </text>
        </>
      )}
      {ends.map((end, i) => (
        <circle key={i} cx={screen.x(end.x)} cy={screen.y(end.y)} r={6} />
      ))}
    </g>
  );
}
