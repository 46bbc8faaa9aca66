'use client';

import { isInUniverses, linkWords } from '@/core/catalogue/link';
import { packingsTable } from '@/core/papers/tables/walls';
import { Button } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { slotsPerUniverse, usableChannels, type Packing } from '@/core/catalogue/packing';
import {
  FILLS,
  bandsOfDisagreement,
  disagreement,
  disagreementWords,
  pictureTotals,
  pictureXy,
  type Fill,
} from '@/core/panels/pictureMap';
import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import { wallPixels } from '@/core/props/wall';
import { cornerSeenFrom, cornerWords, type Corner } from '@/core/threading/view';
import { countOf, groupDigits } from '@/core/units/number';
import { CornerPicker } from '@/ui/fields/CornerPicker';
import { WholeField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import { Hint } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit } from '../show/ShowProvider';
import { useView } from '../view/useView';
import { useWallEdit } from './useWallEdit';
import styles from './wall.module.css';
import { policyOfRun } from '@/core/plan/plan';
import { spansOfRun } from '@/core/plan/planIndex';
import { itemAt } from '@/core/units/there';
import { plannedAt } from '@/core/plan/records';

/** The sender's side of a wall: one picture, row by row from a corner. It knows nothing of panels. */
export function PictureMapSheet({ plan, prop, index }: { plan: Plan; prop: PropOf<'wall'>; index: number }) {
  const { side } = useView();
  const { set } = useWallEdit(prop);
  const edit = useEdit();
  const { width, height } = wallPixels(prop.shape);
  const corner = prop.threading.pictureCorner;
  const runIndex = plannedAt(plan, index).firstRun;
  const run = plan.runs[runIndex];
  const controller = run?.wire && plan.show.controllers[run.wire.controller];
  const packing = run?.wire ? policyOfRun(plan, runIndex).packing : plan.show.addressing.packing;
  const start = spansOfRun(plan, runIndex)[0];
  const isFlat = controller && !isInUniverses(plan.show, controller);
  const [universe, channel] = [start?.universe ?? 1, start?.startChannel ?? 1];
  const compared = useMemo(
    () =>
      (
        [
          ['as planned', packing],
          ['whole pixels, 510', { kind: 'wholePixels' }],
          ['full 512', { kind: 'full512' }],
        ] as [string, Packing][]
      ).map(([words, each]) => ({
        words,
        ...pictureTotals(width * height, each, universe, Math.min(channel, slotsPerUniverse(each))),
      })),
    [width, height, packing, universe, channel],
  );
  const now = itemAt(compared, 0);
  return (
    <div className={sheets.sheet}>
      <div className={sheets.columns}>
        <div>
          <h2>The sender’s order</h2>
          <p className={sheets.lead}>
            The sender’s channels run row by row over the{' '}
            <b>
              whole wall, {groupDigits(width)} × {groupDigits(height)} pixels
            </b>
            , from one corner. Sender and driver must agree on corner, width, height, packing and start
            channel. Which panel hangs where is another map, and changes none of these numbers.
          </p>
          {isFlat ? (
            <Hint>
              No universes here ({linkWords(plan.show, controller)}): the bytes of the picture run on, and
              there is no packing to agree on.
            </Hint>
          ) : (
            <>
              <SheetTable testId="packings" table={packingsTable(compared)} chosen={(row) => row === now} />
              {now.straddlingCount > 0 && (
                <Hint>
                  Pixels across two universes (row.column from the corner):{' '}
                  {now.straddling
                    .slice(0, 24)
                    .map((pixel) => `${Math.floor(pixel / width) + 1}.${(pixel % width) + 1}`)
                    .join(', ')}
                  {now.straddlingCount > 24 && ', …'}. Some receivers do not take that.
                </Hint>
              )}
              <Disagreement
                width={width}
                height={height}
                corner={corner}
                planned={usableChannels(packing, 3)}
              />
            </>
          )}
        </div>
        <div>
          <CornerPicker
            value={cornerSeenFrom(side, corner)}
            side={side}
            onChange={(next) => set({ pictureCorner: cornerSeenFrom(side, next) })}
          />
          <Hint>Some programs only offer the top left and the bottom left.</Hint>
          <Facts
            facts={[
              {
                name: 'Starts at',
                value: isFlat
                  ? `byte ${groupDigits(run!.wire!.flatOffset)}`
                  : start
                    ? `U${universe} ch ${channel}`
                    : 'on no port yet',
                address: true,
              },
              {
                name: 'Channels',
                value: groupDigits(now.channels),
                note: 'width × height × 3, gaps counted',
              },
              isFlat
                ? {
                    name: 'Next free',
                    value: `byte ${groupDigits(run!.wire!.flatOffset + now.channels)}`,
                    address: true,
                  }
                : { name: 'Next free', value: `U${now.nextUniverse} ch ${now.nextChannel}`, address: true },
            ]}
          />
          <Hint>
            A wall never changes its size. With its controller first in the channel space, props that grow
            later never move its addresses.
          </Hint>
          {controller && plan.show.controllers[0] !== controller && (
            <Button
              variant="default"
              size="compact-md"
              onClick={() => edit({ type: 'moveController', controllerId: controller.id, index: 0 })}
            >
              Keep it first in the channel space
            </Button>
          )}
        </div>
      </div>
    </div>
  );
}

interface DisagreementProps {
  width: number;
  height: number;
  corner: Corner;
  planned: number;
}

/** The look of the three pure fills when the two ends count universes differently. */
function Disagreement({ width, height, corner, planned }: DisagreementProps) {
  const [sent, setSent] = useState(planned);
  const [received, setReceived] = useState(planned === 510 ? 512 : 510);
  const words = disagreementWords(sent, received);
  return (
    <>
      <h2>When the two ends disagree</h2>
      <div className={sheets.fields}>
        <WholeField
          label="The sender fills"
          description="channels a universe"
          what="The size"
          least={3}
          most={512}
          value={sent}
          onCommit={setSent}
        />
        <WholeField
          label="The driver reads"
          description="channels a universe"
          what="The size"
          least={3}
          most={512}
          value={received}
          onCommit={setReceived}
        />
      </div>
      {words ? (
        <div className={sheets.note}>{words}</div>
      ) : (
        <p className={sheets.good}>Both ends agree: a pure colour stays one colour.</p>
      )}
      <div className={styles.fills}>
        {FILLS.map((fill) => (
          <FillPicture
            key={fill}
            fill={fill}
            width={width}
            height={height}
            corner={corner}
            sent={sent}
            received={received}
          />
        ))}
      </div>
    </>
  );
}

interface FillPictureProps extends Omit<DisagreementProps, 'planned'> {
  fill: Fill;
  sent: number;
  received: number;
}

function FillPicture({ fill, width, height, corner, sent, received }: FillPictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { bands, count } = useMemo(() => {
    const found = bandsOfDisagreement(width * height, sent, received, fill);
    return { bands: found.slice(0, 4).map((band) => band.colour), count: found.length };
  }, [width, height, sent, received, fill]);
  useEffect(() => {
    const element = canvas.current!;
    const rows = Math.min(height, Math.max(1, Math.floor(400_000 / width)));
    element.width = width;
    element.height = rows;
    const context = element.getContext('2d')!;
    const image = context.createImageData(width, rows);
    const seen = disagreement(width * rows, sent, received, fill);
    seen.forEach((bits, i) => {
      const [x, y] = pictureXy({ width, height: rows, corner }, i);
      const at = 4 * (y * width + x);
      image.data[at] = bits & 1 ? 255 : 0;
      image.data[at + 1] = bits & 2 ? 220 : 0;
      image.data[at + 2] = bits & 4 ? 255 : 0;
      image.data[at + 3] = 255;
    });
    context.putImageData(image, 0, 0);
  }, [width, height, corner, sent, received, fill]);
  return (
    <figure>
      <canvas ref={canvas} role="img" aria-label={`${fill} sent, seen as ${bands.join(', ')}`} />
      <figcaption>
        <b>{fill}</b> sent, from the {cornerWords(corner)}:{' '}
        {count === 1 ? `all ${bands[0]}` : `${bands.join(', ')}, … (${countOf(count, 'band')})`}
      </figcaption>
    </figure>
  );
}
