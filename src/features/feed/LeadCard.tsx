'use client';

import { Button, Select, Slider } from '@mantine/core';
import { useState } from 'react';
import { CONNECTORS } from '@/core/catalogue/connector';
import { FUSE_AMPS, type FuseAmps } from '@/core/catalogue/fuse';
import type { Feed, FeedPiece } from '@/core/catalogue/feed';
import { wireSize } from '@/core/catalogue/wire';
import type { Plan } from '@/core/plan/planned';
import { endWords, sourceWords } from '@/core/power/leadWords';
import type { FedLead } from '@/core/power/report';
import { formatAmps, formatVolts } from '@/core/units/electric';
import { formatLength } from '@/core/units/length';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Row, Stack } from '@/ui/Panel';
import { useEdit, useShow } from '../show/ShowProvider';
import styles from './feed.module.css';
import { Opening } from './Opening';
import { moveEnd } from './usePower';
import { WireSelect } from './WireSelect';

interface LeadCardProps {
  plan: Plan;
  feed: Feed;
  prop: number;
  /** What flows in it; absent while it is not worked out. */
  flowing: FedLead | undefined;
}

/** A lead: where it comes from and goes to, what it carries, and all that is chosen about it. */
export function LeadCard({ plan, feed, prop, flowing }: LeadCardProps) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const change = (fields: object) => edit({ type: 'changeFeed', feedId: feed.id, change: fields });
  const setPiece = (at: number, fields: Partial<FeedPiece>) =>
    change({ pieces: feed.pieces.map((piece, i) => (i === at ? { ...piece, ...fields } : piece)) });
  const over = flowing && flowing.fuse === null;
  return (
    <section className={styles.lead} aria-label={feed.name}>
      <div className={styles.leadHead}>
        <b>{feed.name}</b>
        <span className={styles.amps}>{flowing ? formatAmps(flowing.amps) : '…'}</span>
      </div>
      <p className={styles.small}>
        from {sourceWords(show, feed)} · {feed.fuseAmps === undefined ? 'no fuse' : `fuse ${feed.fuseAmps} A`}
      </p>
      {feed.pieces.map((piece, at) => (
        <EndSlider key={at} plan={plan} prop={prop} feed={feed} at={at} piece={piece} flowing={flowing} />
      ))}
      {over && (
        <p className={`${styles.small} ${styles.bad}`}>
          No fuse fits: {flowing.weakest.words} carries {flowing.weakest.amps} A.
        </p>
      )}
      <Opening words="Change it">
        <Stack>
          <Select
            label="From"
            allowDeselect={false}
            value={feed.from.kind === 'supply' ? feed.from.supplyId : null}
            placeholder={feed.from.kind === 'supply' ? undefined : sourceWords(show, feed)}
            data={show.supplies.map((supply) => ({ value: supply.id, label: supply.name }))}
            onChange={(supplyId) => supplyId && change({ from: { kind: 'supply', supplyId } })}
          />
          {feed.pieces.map((piece, at) => (
            <Row key={at}>
              <LengthField
                label={at === 0 ? 'Length, one way' : `Piece ${at + 1}`}
                what="A lead"
                leastMm={1}
                mostMm={1_000_000}
                bareUnit="m"
                value={piece.lengthMm}
                onCommit={(lengthMm) => setPiece(at, { lengthMm })}
              />
              <WireSelect value={piece.wire} onChange={(wire) => setPiece(at, { wire })} />
            </Row>
          ))}
          <Row>
            <Select
              label="Fuse"
              clearable
              placeholder="none"
              value={feed.fuseAmps === undefined ? null : String(feed.fuseAmps)}
              data={FUSE_AMPS.map((amps) => ({ value: String(amps), label: `${amps} A` }))}
              onChange={(amps) => change({ fuseAmps: amps === null ? null : (Number(amps) as FuseAmps) })}
            />
            <Select
              label="Weakest joint"
              clearable
              placeholder="soldered throughout"
              value={feed.connector ?? null}
              data={CONNECTORS.map(({ id, words, amps }) => ({ value: id, label: `${words}, ${amps} A` }))}
              onChange={(connector) => change({ connector })}
            />
          </Row>
          <Button
            size="compact-sm"
            variant="subtle"
            color="gray"
            onClick={() => edit({ type: 'removeFeed', feedId: feed.id })}
          >
            Remove this lead
          </Button>
        </Stack>
      </Opening>
    </section>
  );
}

/** Where a piece joins a run, by dragging along it: the volts follow before it is let go. */
function EndSlider({
  plan,
  prop,
  feed,
  at,
  piece,
  flowing,
}: {
  plan: Plan;
  prop: number;
  feed: Feed;
  at: number;
  piece: FeedPiece;
  flowing: FedLead | undefined;
}) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const [dragged, setDragged] = useState<number | null>(null);
  const { to } = piece;
  const of = show.props.find((each) => each.id === (to.kind === 'controller' ? '' : to.propId));
  const isHere = to.kind === 'pixel' && to.propId === plan.show.props[prop]!.id;
  const run = isHere ? plan.runs[plan.props[prop]!.firstRun + to.run - 1] : undefined;
  const words = `${formatLength(piece.lengthMm)} of ${wireSize(piece.wire).words}`;
  const there = flowing?.pieces[at];
  const count = run?.pixelCount ?? 0;
  const put = (pixel: number) =>
    edit({
      type: 'changeFeed',
      feedId: feed.id,
      change: {
        pieces: feed.pieces.map((each, i) =>
          i === at && each.to.kind === 'pixel' ? { ...each, to: { ...each.to, pixel } } : each,
        ),
      },
    });
  return (
    <div>
      <p className={styles.small}>
        {words}, to {of || to.kind === 'controller' ? endWords(show, to) : 'nothing'}
        {there && `: ${formatVolts(there.voltsAtEnd)} there`}
      </p>
      {isHere && count > 1 && (
        <Row>
          <Slider
            thumbLabel={`Where it joins run ${to.run}`}
            min={1}
            max={count}
            label={null}
            value={dragged ?? Math.min(to.pixel, count)}
            onChange={(pixel) => {
              setDragged(pixel);
              moveEnd({ feedId: feed.id, piece: at, pixel });
            }}
            onChangeEnd={(pixel) => {
              setDragged(null);
              put(pixel);
              moveEnd(null);
            }}
          />
          <WholeField
            aria-label={`Pixel of run ${to.run} that it joins`}
            what="The pixel"
            least={1}
            most={count}
            value={dragged ?? to.pixel}
            onCommit={put}
          />
        </Row>
      )}
    </div>
  );
}
