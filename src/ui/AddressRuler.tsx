'use client';

import { useComputedColorScheme } from '@mantine/core';
import { useElementSize, useMergedRef } from '@mantine/hooks';
import { IconChevronDown, IconChevronUp } from '@tabler/icons-react';
import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
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

/** Scales on which long stretches are drawn shorter. */
function useWarp(blocks: readonly RulerBlock[], last: number) {
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
  return { crowded, shorter, setWanted, warp };
}

/** Moves and pins the chosen run along the ruler. */
function pinning(plan: Plan, chosenBlock: RulerBlock | undefined, onPin: AddressRulerProps['onPin']) {
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
  return { moveTo, pinAt, nudge, togglePin };
}

interface RulerPointers {
  scale: RulerScale;
  /** The block of the chosen run at a channel. */
  blockAt: (channel: number) => RulerBlock | undefined;
  moveTo: (block: RulerBlock, showChannel: number) => RulerMove | null;
  /** The place of the run that is dragged. */
  move: RulerMove | null;
  onMove: (move: RulerMove | null) => void;
  onPin: (move: RulerMove) => void;
  onPan: (first: number) => void;
  onGoTo: (showChannel: number) => void;
}

/** A pointer that travels no further than this stood still. */
const STILL_PX = 4;

/** Dragging moves the chosen run or pans, a click goes there. */
function useRulerPointers({ scale, blockAt, moveTo, move, onMove, onPin, onPan, onGoTo }: RulerPointers) {
  const drag = useRef<{ x: number; travelled: number; block?: RulerBlock; grabbed: number } | null>(null);
  type Pointer = PointerEvent<HTMLCanvasElement>;
  return {
    onPointerDown: (event: Pointer) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      const x = event.nativeEvent.offsetX;
      const channel = channelAt(scale, x);
      const block = blockAt(channel);
      drag.current = { x, travelled: 0, grabbed: 0, ...(block && { block, grabbed: channel - block.first }) };
    },
    onPointerMove: (event: Pointer) => {
      if (!drag.current) return;
      const x = event.nativeEvent.offsetX;
      const moved = x - drag.current.x;
      drag.current = { ...drag.current, x, travelled: drag.current.travelled + Math.abs(moved) };
      if (drag.current.travelled <= STILL_PX) return;
      const { block, grabbed } = drag.current;
      if (block) onMove(moveTo(block, channelAt(scale, x) - grabbed));
      else onPan(scale.first - moved * scale.unitsPerPx);
    },
    onPointerUp: (event: Pointer) => {
      const still = drag.current && drag.current.travelled <= STILL_PX;
      drag.current = null;
      onMove(null);
      if (move) onPin(move);
      if (still) onGoTo(channelAt(scale, event.nativeEvent.offsetX));
    },
    onPointerCancel: () => {
      drag.current = null;
      onMove(null);
    },
  };
}

interface RulerHeadProps {
  plan: Plan;
  open: boolean;
  onOpen: (open: boolean) => void;
  names: UniverseNames;
  onNames: (names: UniverseNames) => void;
  crowded: boolean;
  shorter: boolean;
  onShorter: (shorter: boolean) => void;
  selectionWords: string | null;
}

function RulerHead({
  plan,
  open,
  onOpen,
  names,
  onNames,
  crowded,
  shorter,
  onShorter,
  selectionWords,
}: RulerHeadProps) {
  return (
    <div className={styles.head}>
      <button type="button" className={styles.fold} aria-expanded={open} onClick={() => onOpen(!open)}>
        {open ? <IconChevronDown size={16} /> : <IconChevronUp size={16} />}
        Ruler
      </button>
      <span className={styles.words} title={totalsWords(plan)}>
        <span className={styles.title}>Address ruler · </span>
        <button
          type="button"
          className={styles.names}
          onClick={() => onNames(names === 'universe' ? 'artNet' : 'universe')}
          title={
            names === 'universe'
              ? 'Universes by their E1.31 number; press for Art-Net names'
              : 'Universes by their Art-Net net, sub-net and universe; press for E1.31 numbers'
          }
        >
          {names === 'universe' ? 'U' : 'Art-Net net.sub-net.universe'}
        </button>{' '}
        <span className={styles.title}>· </span>
        <span className={styles.totals}>{totalsWords(plan)}</span>{' '}
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
            onClick={() => onShorter(!shorter)}
          >
            {shorter ? 'long props drawn shorter' : 'true lengths'}
          </button>
        )}
      </span>
      {plan.show.patch.some((entry) => entry.pin) && (
        <span className={styles.title} title="It keeps its universe and channel, whatever moves around it">
          ◤ locked
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
  );
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
  const { crowded, shorter, setWanted, warp } = useWarp(blocks, last);

  useEffect(() => {
    if (canvasRef.current) setPalette(readPalette(canvasRef.current));
  }, [scheme, last]);

  // A place that was zoomed to is one of the scale that it was found on.
  const zoomed = zoomedTo?.warp === warp ? zoomedTo : null;

  // The selection is in sight, also when it came from elsewhere.
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

  /** The chosen run: dragged along the ruler or moved by keys. Others are chosen first, so that panning moves nothing. */
  const chosenBlock = blocks.find(
    (block) =>
      !block.skipped &&
      block.prop === selection.prop &&
      (selection.run === undefined || selection.run === block.run) &&
      runAt(plan, block.run).wire !== null,
  );
  const { moveTo, pinAt, nudge, togglePin } = pinning(plan, chosenBlock, onPin);
  const pointers = useRulerPointers({
    scale,
    blockAt: (channel) => {
      const block = blocks.find(
        (each) =>
          each.prop === selection.prop &&
          (selection.run === undefined || selection.run === each.run) &&
          each.first <= channel &&
          channel <= each.last,
      );
      return block && runAt(plan, block.run).wire ? block : undefined;
    },
    moveTo,
    move,
    onMove: setMove,
    onPin: pinAt,
    onPan: (first) => setZoomed(clampScale({ ...scale, first }, last, width)),
    onGoTo,
  });
  const walk = (by: 1 | -1) => {
    const from = selectedFirst ?? 0;
    const next =
      by === 1 ? blocks.find((block) => block.first > from) : blocks.findLast((block) => block.first < from);
    if (next) onGoTo(next.first);
  };
  const zoomMiddle = (factor: number) => zoomRef.current(width / 2, factor);

  return (
    <section className={styles.ruler} aria-label="Address ruler" data-open={open}>
      <RulerHead
        plan={plan}
        open={open}
        onOpen={setOpen}
        names={names}
        onNames={setNames}
        crowded={crowded}
        shorter={shorter}
        onShorter={setWanted}
        selectionWords={selectionWords}
      />
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
          {...pointers}
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
