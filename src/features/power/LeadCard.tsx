'use client';

import { Button, Select, Slider, Switch } from '@mantine/core';
import { useState } from 'react';
import { CONNECTORS } from '@/core/catalogue/connector';
import { MOST_LEAD_MM, type Feed, type FeedPiece } from '@/core/catalogue/feed';
import { wireSize } from '@/core/catalogue/wire';
import type { Plan } from '@/core/plan/planned';
import { endWords, sourceWords } from '@/core/power/leadWords';
import type { FedLead } from '@/core/power/report';
import { kindOf } from '@/core/props/registry';
import { formatAmps, formatVolts } from '@/core/units/electric';
import { formatLength } from '@/core/units/length';
import { LengthField, NameField, WholeField } from '@/ui/fields/fields';
import { Row, Stack } from '@/ui/Panel';
import { useEdit, useShow } from '../show/ShowProvider';
import { EndFields } from './EndFields';
import styles from './power.module.css';
import { FuseSelect } from './FuseSelect';
import { usualLeadMm } from './leads';
import { Opening } from '../sheets/Opening';
import { moveEnd } from './usePower';
import { WireSelect } from './WireSelect';
import { lastOf } from '@/core/units/there';
import { plannedAt } from '@/core/plan/records';

interface LeadCardProps {
  plan: Plan;
  feed: Feed;
  /** The prop that is looked at; null where it is a board. */
  prop: number | null;
  /** Currents in it; absent while they are not worked out. */
  flowing: FedLead | undefined;
}

/** A lead: where it comes from and goes to, what it carries, and all that is chosen about it. */
export function LeadCard({ plan, feed, prop, flowing }: LeadCardProps) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const change = (fields: object) => edit({ type: 'changeFeed', feedId: feed.id, change: fields });
  const setPiece = (at: number, fields: Partial<FeedPiece>) =>
    change({ pieces: feed.pieces.map((piece, i) => (i === at ? { ...piece, ...fields } : piece)) });
  const over = flowing && flowing.fuse === null && !feed.groundOnly;
  return (
    <section className={styles.lead} aria-label={feed.name}>
      <div className={styles.leadHead}>
        <b>{feed.name}</b>
        <span className={styles.amps}>{flowing ? formatAmps(flowing.amps) : '…'}</span>
      </div>
      <p className={styles.small}>
        from {sourceWords(show, feed)} ·{' '}
        {feed.groundOnly
          ? 'joins grounds alone'
          : feed.fuseAmps === undefined
            ? 'no fuse'
            : `fuse ${feed.fuseAmps} A`}
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
          <NameField label="Name" value={feed.name} onCommit={(name) => change({ name })} />
          <SourceFields feed={feed} onCommit={(from) => change({ from })} />
          {feed.pieces.map((piece, at) => (
            <div key={at}>
              <EndFields
                plan={plan}
                label={at === 0 ? 'To' : 'And on to'}
                end={piece.to}
                onCommit={(to) => setPiece(at, { to })}
              />
              <Row>
                <LengthField
                  label="Length, one way"
                  what="A lead"
                  leastMm={1}
                  mostMm={MOST_LEAD_MM}
                  value={piece.lengthMm}
                  onCommit={(lengthMm) => setPiece(at, { lengthMm })}
                />
                <WireSelect value={piece.wire} onChange={(wire) => setPiece(at, { wire })} />
              </Row>
              {feed.pieces.length > 1 && (
                <Button
                  size="compact-sm"
                  variant="subtle"
                  color="gray"
                  onClick={() => change({ pieces: feed.pieces.filter((_, i) => i !== at) })}
                >
                  Take this piece away
                </Button>
              )}
            </div>
          ))}
          <Button
            size="compact-sm"
            variant="default"
            onClick={() => change({ pieces: [...feed.pieces, nextPiece(plan, lastOf(feed.pieces))] })}
          >
            Tap it here and go on
          </Button>
          <Switch
            label="Joins grounds alone"
            description="Between zones of two supplies: plus stays apart, and no fuse is needed"
            checked={feed.groundOnly ?? false}
            onChange={(event) =>
              change({
                groundOnly: event.currentTarget.checked ? true : null,
                ...(event.currentTarget.checked && { fuseAmps: null }),
              })
            }
          />
          <Row>
            <FuseSelect label="Fuse" value={feed.fuseAmps} onChange={(fuseAmps) => change({ fuseAmps })} />
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

/** A piece that goes on from the end of another, to a place a little further on. */
function nextPiece(plan: Plan, { wire, to }: FeedPiece): FeedPiece {
  const piece = { lengthMm: usualLeadMm(plan.show) / 3, wire };
  if (to.kind === 'panel') return { ...piece, to: { ...to, column: to.column + 1 } };
  if (to.kind === 'controller') {
    // On from a board to the first prop that has pixels of its own.
    const prop = plan.show.props.find((each) => !kindOf(each).panelPower);
    return { ...piece, to: prop ? { kind: 'pixel', propId: prop.id, run: 1, pixel: 1 } : to };
  }
  const index = plan.show.props.findIndex((prop) => prop.id === to.propId);
  const planned = plan.props[index];
  const count = planned ? (plan.runs[planned.firstRun + to.run - 1]?.pixelCount ?? 1) : 1;
  return { ...piece, to: { ...to, pixel: to.pixel < count ? count : 1 } };
}

/** A supply, or a port of a controller that passes on what feeds it. */
function SourceFields({ feed, onCommit }: { feed: Feed; onCommit: (from: Feed['from']) => void }) {
  const { supplies, controllers } = useShow((state) => state.show);
  const { from } = feed;
  const board = from.kind === 'port' ? controllers.find((each) => each.id === from.controllerId) : undefined;
  return (
    <>
      <Select
        label="From"
        allowDeselect={false}
        value={from.kind === 'supply' ? `supply ${from.supplyId}` : `board ${from.controllerId}`}
        data={[
          {
            group: 'Supplies',
            items: supplies.map(({ id, name }) => ({ value: `supply ${id}`, label: name })),
          },
          {
            group: 'Boards that pass power on',
            items: controllers.map(({ id, name }) => ({ value: `board ${id}`, label: name })),
          },
        ]}
        onChange={(value) => {
          if (!value) return;
          const id = value.slice(value.indexOf(' ') + 1);
          onCommit(
            value.startsWith('supply ')
              ? { kind: 'supply', supplyId: id }
              : { kind: 'port', controllerId: id, port: 1 },
          );
        }}
      />
      {from.kind === 'port' && board && (
        <WholeField
          label="Port"
          what="The port"
          least={1}
          most={board.ports}
          value={from.port}
          onCommit={(port) => onCommit({ ...from, port })}
        />
      )}
    </>
  );
}

/** The pixel at which a piece joins a run, by dragging along it: the volts follow before it is let go. */
function EndSlider({
  plan,
  prop,
  feed,
  at,
  piece,
  flowing,
}: {
  plan: Plan;
  prop: number | null;
  feed: Feed;
  at: number;
  piece: FeedPiece;
  flowing: FedLead | undefined;
}) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const [dragged, setDragged] = useState<number | null>(null);
  const { to } = piece;
  const index = prop ?? -1;
  const isHere = to.kind === 'pixel' && to.propId === plan.show.props[index]?.id;
  const run = isHere ? plan.runs[plannedAt(plan, index).firstRun + to.run - 1] : undefined;
  const words = `${formatLength(piece.lengthMm, show.lengths)} of ${wireSize(piece.wire).words}`;
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
        {words}, to {endWords(show, to)}
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
