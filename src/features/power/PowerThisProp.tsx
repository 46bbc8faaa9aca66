'use client';

import { Button, Loader, Select } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import type { Cut, Feed } from '@/core/catalogue/feed';
import { isSoldClosed, type Supply } from '@/core/catalogue/supply';
import { wireSize } from '@/core/catalogue/wire';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { plannedAt, propAt, pixelTypeOf } from '@/core/plan/records';
import type { PropPowerPlan } from '@/core/power/powerProp';
import type { PowerWish } from '@/core/power/propDraft';
import { REACHES, reachablePixels, type Reach } from '@/core/power/proposeFeeds';
import type { WaysToPower } from '@/core/power/waysToPower';
import type { SingleEdit } from '@/core/show/edits/registry';
import { formatAmps, formatVolts, formatWatts } from '@/core/units/electric';
import { formatLength } from '@/core/units/length';
import { countOf } from '@/core/units/number';
import { itemAt } from '@/core/units/there';
import { listOf } from '@/core/units/words';
import { ApplyButton } from '@/ui/fields/ApplyButton';
import { LengthField } from '@/ui/fields/fields';
import { useLengths } from '@/ui/lengths';
import { Hint, Row, Section, Stack } from '@/ui/Panel';
import { useAnswer, useAsk, useEdit, useShow } from '../show/ShowProvider';
import { usualLeadMm } from './leads';
import styles from './power.module.css';
import { usePowerDraft } from './powerDraft';
import { WireSelect } from './WireSelect';
import { LACK_WORDS, REACH_WORDS } from './words';

type Wish = Omit<PowerWish, 'shortOpens'>;

/** A supply, injections, wires and fuses for a prop, made in one press. */
export function PowerThisProp({ plan, prop }: { plan: Plan; prop: number }) {
  const ask = useAsk();
  const edit = useEdit();
  const of = propAt(plan, prop);
  const { volts } = pixelTypeOf(plan.show, of);
  const [wish, setWish] = useState<Wish>(() => ({
    reach: usualReach(plan, prop),
    leadMm: usualLeadMm(plan.show),
    wire: plan.show.lengths === 'imperial' ? 'awg16' : 'mm2-1.5',
    supplyId: null,
  }));
  const suited = useShow(({ show }) => show.supplies).filter((supply) => supply.volts === volts);
  // Another window, or an undo, may take the chosen supply away.
  const supplyId = suited.some(({ id }) => id === wish.supplyId) ? wish.supplyId : null;
  const asked = useMemo(() => ({ prop, wish: { ...wish, supplyId } }), [prop, wish, supplyId]);
  const ways = useAnswer('waysToPower', asked);
  const best = ways?.best;
  useEffect(() => {
    usePowerDraft.setState({ propId: of.id, draft: best ?? null });
    return () => usePowerDraft.setState({ propId: null, draft: null });
  }, [best, of.id]);
  const [working, setWorking] = useState(false);
  /** Asked anew, so that what is made goes by the show and the fields as they are now. */
  const power = async (pick: (ways: WaysToPower) => PropPowerPlan | null) => {
    setWorking(true);
    const now = await ask('waysToPower', asked);
    setWorking(false);
    const made = now && pick(now);
    if (made) edit({ type: 'batch', label: `Power ${of.name}`, edits: editsOf(made) });
  };
  return (
    <Section title="Power this prop">
      <Stack>
        {ways && <p className={styles.need}>{needWords(ways, plannedAt(plan, prop).runCount)}</p>}
        {!ways || !best ? (
          <Loader size="sm" aria-label="Working it out" />
        ) : (
          <>
            <WhatItTakes plan={plan} made={best} />
            <ApplyButton
              loading={working}
              disabled={best.lacks.length > 0}
              onClick={() => void power((now) => (now.best.lacks.length === 0 ? now.best : null))}
            >
              Power this prop
            </ApplyButton>
            <Verdict made={best} />
          </>
        )}
        <WishFields
          wish={asked.wish}
          supplies={suited}
          onChange={(change) => setWish({ ...wish, ...change })}
        />
        {ways && <OtherWays ways={ways} onTake={() => void power((now) => now.fewer)} />}
        <Caution />
      </Stack>
    </Section>
  );
}

const Caution = () => (
  <Hint>
    Unplug before you join wires. Work on mains is for a licensed electrician, by the rules where you live.
  </Hint>
);

/** Whether a plan is enough, and what it takes the place of. */
function Verdict({ made: best }: { made: PropPowerPlan }) {
  return (
    <>
      <Hint>
        Sized for full white. One press plans it, one undo takes it back.
        {replacedWords(best.replaces)}
      </Hint>
      {best.lacks.length > 0 ? (
        best.lacks.map((lack) => <Hint key={lack}>{LACK_WORDS[lack]}</Hint>)
      ) : (
        <Margin made={best} />
      )}
    </>
  );
}

function replacedWords({ feedIds, supplyIds }: PropPowerPlan['replaces']): string {
  if (feedIds.length === 0) return '';
  const supplies = supplyIds.length > 0 ? `, and ${countOf(supplyIds.length, 'supply', 'supplies')}` : '';
  return ` It takes the place of ${countOf(feedIds.length, 'lead')}${supplies} of now.`;
}

interface WishFieldsProps {
  wish: Wish;
  supplies: readonly Supply[];
  onChange: (change: Partial<Wish>) => boolean | void;
}

/** The choices of a plan; it is made anew at each change. */
function WishFields({ wish, supplies, onChange }: WishFieldsProps) {
  return (
    <>
      <Select
        label="Inject at"
        allowDeselect={false}
        value={wish.reach}
        data={REACHES.map((value) => ({ value, label: REACH_WORDS[value] }))}
        onChange={(value) => value && onChange({ reach: value })}
      />
      <Row>
        <LengthField
          label="Each lead, one way"
          what="A lead"
          leastMm={1}
          mostMm={1_000_000}
          value={wish.leadMm}
          onCommit={(leadMm) => onChange({ leadMm })}
        />
        <WireSelect label="Wire, at least" value={wish.wire} onChange={(wire) => onChange({ wire })} />
      </Row>
      {supplies.length > 0 && (
        <Select
          label="From"
          allowDeselect={false}
          value={wish.supplyId ?? ''}
          data={[
            { value: '', label: 'new supplies of a size that carries it' },
            ...supplies.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => onChange({ supplyId: id === '' ? null : id })}
        />
      )}
    </>
  );
}

/** Any pixel of a straight string can be reached; of what goes up and down its loops can. */
function usualReach(plan: Plan, prop: number): Reach {
  const { firstRun, runCount } = plannedAt(plan, prop);
  const hasLoops = Array.from({ length: runCount }, (_, i) => firstRun + i).some(
    (run) => reachablePixels(plan, prop, run, 'loops').length > 2,
  );
  return hasLoops ? 'loops' : 'any';
}

function editsOf({ supplies, feeds, cuts, replaces }: PropPowerPlan): SingleEdit[] {
  const idOf = new Map(supplies.map(({ id }) => [id, newId('supply')]));
  const named = <Thing extends Supply | Feed | Cut>(thing: Thing, word: string): Thing => ({
    ...thing,
    id: idOf.get(thing.id) ?? newId(word),
  });
  return [
    ...replaces.feedIds.map((feedId): SingleEdit => ({ type: 'removeFeed', feedId })),
    ...replaces.supplyIds.map((supplyId): SingleEdit => ({ type: 'removeSupply', supplyId })),
    ...replaces.cutIds.map((cutId): SingleEdit => ({ type: 'removeCut', cutId })),
    ...supplies.map((supply): SingleEdit => ({ type: 'addSupply', supply: named(supply, 'supply') })),
    ...feeds.map((feed): SingleEdit => {
      const { from } = feed;
      const supplyId = from.kind === 'supply' ? idOf.get(from.supplyId) : undefined;
      return {
        type: 'addFeed',
        feed: named(supplyId ? { ...feed, from: { kind: 'supply', supplyId } } : feed, 'lead'),
      };
    }),
    ...cuts.map((cut): SingleEdit => ({ type: 'addCut', cut: named(cut, 'cut') })),
  ];
}

function needWords({ need, best }: WaysToPower, runs: number): string {
  const each = runs > 1 ? `, ${formatAmps(need.amps / runs)} a run on average` : '';
  const limiter = need.isLimited ? ', held by the limiter in its device' : '';
  return `${formatAmps(need.amps)}, ${formatWatts(need.watts)} at full white${each}${limiter} (${need.standsOn}). Each pixel needs ${formatVolts(best.leastVolts)}.`;
}

/** The things to buy and to join, with their numbers. */
function WhatItTakes({ plan, made: { supplies, feeds, cuts } }: { plan: Plan; made: PropPowerPlan }) {
  const lengths = useLengths();
  const [supply] = supplies;
  const fuses = counted(feeds.flatMap(({ fuseAmps }) => fuseAmps ?? []));
  const wires = new Map<string, number>();
  for (const { pieces } of feeds)
    for (const { wire, lengthMm } of pieces) wires.set(wire, (wires.get(wire) ?? 0) + lengthMm);
  const supplyWords =
    supply &&
    `Supply ${supply.volts} V, ${formatAmps(supply.ratedAmps.value)}, ${Math.floor(supply.volts * supply.ratedAmps.value)} W${isSoldClosed(supply.volts, supply.ratedAmps.value) ? ', closed' : ''}`;
  const rows: [string, string][] = [
    ...(supplyWords ? [[supplyWords, String(supplies.length)] satisfies [string, string]] : []),
    [placesWords(plan, feeds), String(feeds.length)],
    ...[...fuses].map(([amps, count]): [string, string] => [
      `Fuse ${formatAmps(amps)}, with holder`,
      String(count),
    ]),
    ...[...wires].map(([wire, mm]): [string, string] => [
      `Wire ${wireSize(wire).words}, two-core`,
      formatLength(mm, lengths),
    ]),
    ...cuts.map(({ run, afterPixel }): [string, string] => [
      `Plus cut on run ${run}, between ${afterPixel} and ${afterPixel + 1}; data and ground joined`,
      '1',
    ]),
  ];
  return (
    <table className={styles.takes}>
      <tbody>
        {rows.map(([what, count]) => (
          <tr key={what}>
            <td>{what}</td>
            <td>{count}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** So many places are named one by one. */
const MOST_NAMED = 8;

function placesWords(plan: Plan, feeds: readonly Feed[]): string {
  const ends = feeds.flatMap(({ pieces }) => {
    const { to } = itemAt(pieces, 0);
    return to.kind === 'pixel' ? [to] : [];
  });
  const runs = new Set(ends.map(({ run }) => run));
  if (ends.length > MOST_NAMED) return `Injections on ${countOf(runs.size, 'run')}, marked in the picture`;
  const pixelsOf = (wanted: number) =>
    ends.flatMap(({ run, pixel }) => (run === wanted ? [pixel] : [])).join(', ');
  return [...runs]
    .map((run) => `${runs.size > 1 ? `Run ${run}: injections` : 'Injections'} at ${pixelsOf(run)}`)
    .join('. ');
}

function counted(amps: readonly number[]): Map<number, number> {
  const counts = new Map<number, number>();
  for (const each of amps) counts.set(each, (counts.get(each) ?? 0) + 1);
  return counts;
}

function Margin({ made: { lowestVolts, lowestWithMargin, farShort } }: { made: PropPowerPlan }) {
  return (
    <div className={styles.margin} role="status">
      <strong>Holds with a margin</strong>
      <p>
        Lowest pixel {formatVolts(lowestVolts)}. With copper at 60 °C, each joint 10 mΩ worse and the supply 2
        % low: {formatVolts(lowestWithMargin)}.{' '}
        {farShort &&
          (farShort.opens
            ? 'A dead short at any far end opens its fuse within seconds.'
            : `A dead short at a far end draws about ${formatAmps(farShort.amps)}, and a fuse of ${formatAmps(farShort.fuseAmps)} may not open.`)}
      </p>
    </div>
  );
}

function OtherWays({ ways: { fewer, limited }, onTake }: { ways: WaysToPower; onTake: () => void }) {
  if (!fewer && !limited) return null;
  return (
    <div data-fields>
      <strong>Another way</strong>
      {fewer && (
        <>
          <p className={styles.small}>
            {countOf(fewer.feeds.length, 'injection')} with fuses of{' '}
            {listOf(
              [...counted(fewer.feeds.flatMap(({ fuseAmps }) => fuseAmps ?? [])).keys()].map(formatAmps),
            )}
            : less wire. A dead short at a far end draws about {formatAmps(fewer.farShort?.amps ?? 0)}, and
            the fuse may not open.
          </p>
          <Button variant="default" size="compact-sm" disabled={fewer.lacks.length > 0} onClick={onTake}>
            Power it with {fewer.feeds.length}
          </Button>
        </>
      )}
      {limited && (
        <p className={styles.small}>
          One supply of {formatAmps(limited.ratedAmps)}, with a limiter in the device at {limited.percent} %.
          The limiter is set under Brightness.
        </p>
      )}
    </div>
  );
}
