'use client';

import { useComputedColorScheme } from '@mantine/core';
import { useElementSize, useMergedRef } from '@mantine/hooks';
import { IconChevronDown, IconChevronUp } from '@tabler/icons-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import { totalsWords } from '@/core/reports/totals';
import styles from './AddressRuler.module.css';
import {
  blocksOf,
  drawRuler,
  type RulerBlock,
  type RulerMove,
  type RulerSelection,
  type UniverseNames,
} from './drawRuler';
import { placeAt } from './rulerPlace';
import { readPalette, type Palette } from './picture/palette';
import { TRUE_LENGTHS, isShortened, shortened } from './rulerWarp';
import { channelAt, clampScale, reveal, wholeScale, zoomScale, type RulerScale } from './rulerScale';
import { propAt, runAt } from '@/core/plan/records';

interface AddressRulerProps {
  plan: Plan;
  selection: RulerSelection;
  /** `U5 ch 1 → U7 ch 492`, or nothing. */
  selectionWords: string | null;
  /** A click on a show channel. */
  onGoTo: (showChannel: number) => void;
  /** A run is to stay at a universe and channel; null lets it go. */
  onPin: (run: number, place: { universe: number; channel: number } | null) => void;
}

/** All channels of the show on one strip: universes as ticks, props as blocks, gaps and doubles as they are. */
export function AddressRuler({ plan, selection, selectionWords, onGoTo, onPin }: AddressRulerProps) {
  /** On a narrow screen, where it is one line until it is opened. */
  const [open, setOpen] = useState(false);
  const [names, setNames] = useState<UniverseNames>('universe');
  const [move, setMove] = useState<RulerMove | null>(null);
  const canvasRef = useRef<HTMLCanvasElement>(null);
  const { ref: sizeRef, width, height } = useElementSize<HTMLCanvasElement>();
  const mergedRef = useMergedRef(canvasRef, sizeRef);
  const scheme = useComputedColorScheme('dark');
  const [palette, setPalette] = useState<Palette | null>(null);
  const [zoomedTo, setZoomed] = useState<RulerScale | null>(null);
  const blocks = useMemo(() => blocksOf(plan), [plan]);
  const last = plan.lastShowChannel;
  /** Whether long stretches are drawn shorter; not said, it is so where one of them leaves the others no room. */
  const [wanted, setWanted] = useState<boolean | null>(null);
  const crowded = useMemo(
    () => blocks.some(({ first, last: end }) => isShortened(end - first + 1) && (end - first + 1) * 3 > last),
    [blocks, last],
  );
  const shorter = wanted ?? crowded;
  const warp = useMemo(
    () =>
      shorter
        ? shortened(
            blocks.flatMap((block) => [block.first, block.last + 1]).sort((a, b) => a - b),
            last + 1,
          )
        : TRUE_LENGTHS,
    [shorter, blocks, last],
  );

  useEffect(() => {
    if (canvasRef.current) setPalette(readPalette(canvasRef.current));
  }, [scheme, last]);

  // A place that was zoomed to is one of the scale that it was found on.
  const zoomed = zoomedTo?.warp === warp ? zoomedTo : null;

  // What is selected is in sight, also when the selection came from elsewhere.
  const selectedFirst =
    selection.channels?.first ?? blocks.find((block) => block.prop === selection.prop)?.first ?? null;
  const [revealed, setRevealed] = useState<number | null>(null);
  if (selectedFirst !== revealed) {
    setRevealed(selectedFirst);
    if (zoomed && selectedFirst !== null && width > 0)
      setZoomed(reveal(zoomed, selectedFirst, selectedFirst + (selection.channels?.count ?? 1) - 1, width));
  }
  const scale = clampScale(zoomed ?? wholeScale(last, width, warp), last, width);

  useEffect(() => {
    const canvas = canvasRef.current;
    if (!canvas || !palette || width === 0) return;
    const frame = requestAnimationFrame(() => {
      const ratio = window.devicePixelRatio || 1;
      canvas.width = Math.round(width * ratio);
      canvas.height = Math.round(height * ratio);
      const context = canvas.getContext('2d')!;
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      drawRuler(context, plan, blocks, scale, width, height, selection, palette, names, move);
    });
    return () => cancelAnimationFrame(frame);
  });

  const zoomRef = useRef((_x: number, _factor: number) => {});
  useEffect(() => {
    zoomRef.current = (x, factor) => setZoomed(clampScale(zoomScale(scale, x, factor), last, width));
  });
  useEffect(() => {
    const canvas = canvasRef.current;
    if (!canvas) return;
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      zoomRef.current(event.offsetX, 2 ** (-event.deltaY / 240));
    };
    canvas.addEventListener('wheel', wheel, { passive: false });
    return () => canvas.removeEventListener('wheel', wheel);
  }, [last]);

  const drag = useRef<{ x: number; travelled: number; block?: RulerBlock; grabbed?: number } | null>(null);
  /** The chosen run: dragged along the ruler or moved by keys. Others are chosen first, so that panning moves nothing. */
  const chosenBlock = blocks.find(
    (block) =>
      !block.skipped &&
      block.prop === selection.prop &&
      (selection.run === undefined || selection.run === block.run) &&
      runAt(plan, block.run).wire !== null,
  );
  const moveTo = (block: RulerBlock, showChannel: number): RulerMove | null => {
    const place = placeAt(plan, showChannel, runAt(plan, block.run).channelsPerPixel);
    if (!place) return null;
    const run = runAt(plan, block.run);
    return {
      run: block.run,
      first: place.showChannel,
      count: run.pixelCount * run.channelsPerPixel,
      words: `U${place.universe} ch ${place.channel}`,
    };
  };
  const pinAt = (target: RulerMove | null) => {
    const place = target && placeAt(plan, target.first, runAt(plan, target.run).channelsPerPixel);
    if (target && place) onPin(target.run, { universe: place.universe, channel: place.channel });
  };
  const nudge = (by: 1 | -1) => {
    if (!chosenBlock) return;
    pinAt(moveTo(chosenBlock, chosenBlock.first + by * runAt(plan, chosenBlock.run).channelsPerPixel));
  };
  const togglePin = () => {
    if (!chosenBlock) return;
    const { prop, number } = runAt(plan, chosenBlock.run);
    const entry = plan.show.patch.find(
      (each) => each.propId === propAt(plan, prop).id && each.run === number,
    );
    if (entry?.pin) onPin(chosenBlock.run, null);
    else pinAt(moveTo(chosenBlock, chosenBlock.first));
  };
  const walk = (by: 1 | -1) => {
    const from = selectedFirst ?? 0;
    const next =
      by === 1 ? blocks.find((block) => block.first > from) : blocks.findLast((block) => block.first < from);
    if (next) onGoTo(next.first);
  };
  const zoomMiddle = (factor: number) => zoomRef.current(width / 2, factor);

  return (
    <section className={styles.ruler} aria-label="Address ruler" data-open={open}>
      <div className={styles.head}>
        <button type="button" className={styles.fold} aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? <IconChevronDown size={16} /> : <IconChevronUp size={16} />}
          Ruler
        </button>
        <span className={styles.words} title={totalsWords(plan)}>
          <span className={styles.title}>Address ruler · </span>
          <button
            type="button"
            className={styles.names}
            onClick={() => setNames(names === 'universe' ? 'artNet' : 'universe')}
            title={
              names === 'universe'
                ? 'Universes by their E1.31 number; press for Art-Net names'
                : 'Universes by their Art-Net net, sub-net and universe; press for E1.31 numbers'
            }
          >
            {names === 'universe' ? 'U' : 'Art-Net net.sub-net.universe'}
          </button>{' '}
          <span className={styles.title}>· </span>
          <span className={styles.totals}>{totalsWords(plan)}</span>
          {crowded && (
            <button
              type="button"
              className={styles.names}
              aria-pressed={shorter}
              title={
                shorter
                  ? 'Long props are drawn shorter than they are, with a cut in the middle, so that short ones can be seen. Press for true lengths.'
                  : 'Every channel is as wide as any other. Press to draw long props shorter.'
              }
              onClick={() => setWanted(!shorter)}
            >
              {shorter ? 'long props drawn shorter' : 'true lengths'}
            </button>
          )}
        </span>
        {plan.show.patch.some((entry) => entry.pin) && (
          <span className={styles.title} title="It keeps its universe and channel, whatever moves around it">
            ◤ pinned
          </span>
        )}
        <span className={styles.chosen}>
          {selectionWords && (
            <>
              <span className={styles.title}>selected </span>
              <span className={styles.selected} data-testid="ruler-selection">
                {selectionWords}
              </span>
            </>
          )}
        </span>
      </div>
      {last === 0 ? (
        <div className={styles.empty}>
          No run is on a port yet. Put one on a port in Patch, and its channels appear here.
        </div>
      ) : (
        <canvas
          ref={mergedRef}
          className={styles.canvas}
          data-testid="ruler"
          tabIndex={0}
          role="application"
          aria-label={`Channels 1 to ${last}. Left and right go from run to run, plus and minus zoom, 0 shows all. P pins the chosen run, Alt with left and right moves it.`}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            const channel = channelAt(scale, event.nativeEvent.offsetX);
            const block = blocks.find(
              (each) =>
                each.prop === selection.prop &&
                (selection.run === undefined || selection.run === each.run) &&
                each.first <= channel &&
                channel <= each.last,
            );
            drag.current = {
              x: event.nativeEvent.offsetX,
              travelled: 0,
              ...(block && runAt(plan, block.run).wire ? { block, grabbed: channel - block.first } : {}),
            };
          }}
          onPointerMove={(event) => {
            if (!drag.current) return;
            const moved = event.nativeEvent.offsetX - drag.current.x;
            drag.current = {
              ...drag.current,
              x: event.nativeEvent.offsetX,
              travelled: drag.current.travelled + Math.abs(moved),
            };
            if (drag.current.travelled <= 4) return;
            const { block, grabbed } = drag.current;
            if (block) setMove(moveTo(block, channelAt(scale, event.nativeEvent.offsetX) - grabbed!));
            else
              setZoomed(clampScale({ ...scale, first: scale.first - moved * scale.unitsPerPx }, last, width));
          }}
          onPointerUp={(event) => {
            const still = drag.current && drag.current.travelled <= 4;
            drag.current = null;
            setMove(null);
            if (move) pinAt(move);
            if (still) onGoTo(channelAt(scale, event.nativeEvent.offsetX));
          }}
          onPointerCancel={() => {
            drag.current = null;
            setMove(null);
          }}
          onDoubleClick={() => setZoomed(null)}
          onKeyDown={(event) => {
            const act = {
              ArrowRight: () => (event.altKey ? nudge(1) : walk(1)),
              ArrowLeft: () => (event.altKey ? nudge(-1) : walk(-1)),
              p: togglePin,
              '+': () => zoomMiddle(1.5),
              '=': () => zoomMiddle(1.5),
              '-': () => zoomMiddle(1 / 1.5),
              '0': () => setZoomed(null),
            }[event.key];
            if (!act) return;
            event.preventDefault();
            event.stopPropagation();
            act();
          }}
        />
      )}
    </section>
  );
}
