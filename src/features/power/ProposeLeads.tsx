'use client';

import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { namedLeads } from '@/core/catalogue/feed';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { REACHES, type FeedProposal, type Reach } from '@/core/power/proposeFeeds';
import type { Show } from '@/core/show/schema';
import { formatAmps, formatVolts } from '@/core/units/electric';
import { countOf } from '@/core/units/number';
import { listOf } from '@/core/units/words';
import { LengthField } from '@/ui/fields/fields';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit, useShow, useAsk } from '../show/ShowProvider';
import styles from './power.module.css';
import { leadsOfProp, usualLeadMm } from './leads';
import { useShown } from './useShown';
import { WireSelect } from './WireSelect';
import { REACH_WORDS } from './words';
import { itemAt } from '@/core/units/there';
import { propAt, pixelTypeOf } from '@/core/plan/records';
import { ApplyButton } from '@/ui/fields/ApplyButton';

/** The fewest leads that are enough, asked for and taken. */
export function ProposeLeads({ plan, prop, leastVolts }: { plan: Plan; prop: number; leastVolts: number }) {
  const edit = useEdit();
  const ask = useAsk();
  const show = useShow((state) => state.show);
  const { shown, percent } = useShown();
  const of = propAt(plan, prop);
  const type = pixelTypeOf(plan.show, of);
  const own = leadsOfProp(show, of.id)[0];
  const suited = show.supplies.filter((supply) => supply.volts === type.volts);
  const [supplyId, setSupply] = useState<string | null>(null);
  const [reach, setReach] = useState<Reach>('loops');
  const [limit, setLimit] = useState<number | null>(null);
  const [leadMm, setLead] = useState(own?.pieces[0]?.lengthMm ?? usualLeadMm(show));
  const [wire, setWire] = useState(own?.pieces[0]?.wire ?? 'mm2-1.5');
  const [working, setWorking] = useState(false);
  const [made, setMade] = useState<{ of: Show; percent: number; proposal: FeedProposal } | null>(null);
  const usual = own?.from.kind === 'supply' ? own.from.supplyId : null;
  const supply = suited.find((each) => each.id === (supplyId ?? usual)) ?? suited[0];
  if (!supply)
    return (
      <Hint>
        None of the supplies gives {type.volts} V. Add one that does; other volts starve or destroy it.
      </Hint>
    );
  const propose = async () => {
    setWorking(true);
    const wish = { shown, leastVolts: limit ?? leastVolts, reach, supplyId: supply.id, leadMm, wire };
    const proposal = await ask('feeds', { prop, wish });
    setWorking(false);
    if (proposal) setMade({ of: show, percent, proposal });
  };
  const proposal = made?.of === show && made.percent === percent ? made.proposal : null;
  return (
    <Stack>
      <Row>
        <NumberUnitField
          label="At least"
          unit="V"
          least={0.5}
          most={60}
          value={limit ?? leastVolts}
          onCommit={(volts) => setLimit(volts)}
        />
        <LengthField
          label="New leads, one way"
          what="A lead"
          leastMm={1}
          mostMm={1_000_000}
          value={leadMm}
          onCommit={setLead}
        />
      </Row>
      <Select
        label="Within reach"
        allowDeselect={false}
        value={reach}
        data={REACHES.map((value) => ({ value, label: REACH_WORDS[value] }))}
        onChange={(value) => value && setReach(value)}
      />
      <WireSelect value={wire} onChange={setWire} />
      {suited.length > 1 && (
        <Select
          label="From"
          allowDeselect={false}
          value={supply.id}
          data={suited.map((each) => ({ value: each.id, label: each.name }))}
          onChange={setSupply}
        />
      )}
      <ApplyButton variant="default" loading={working} onClick={() => void propose()}>
        Propose leads
      </ApplyButton>
      {proposal && (
        <div className={styles.proposal} role="status">
          {proposal.feeds.length === 0
            ? proposal.isEnough
              ? `No lead is missing: the lowest pixel has ${formatVolts(proposal.lowestVolts ?? 0)}.`
              : 'No place within reach helps. Let leads join elsewhere, or show it dimmer.'
            : `${countOf(proposal.feeds.length, 'lead')} more, at ${listOf(proposal.feeds.slice(0, 6).map(placeWords))}${proposal.feeds.length > 6 ? ' …' : ''}: the lowest pixel then has ${formatVolts(proposal.lowestVolts ?? 0)}${proposal.isEnough ? '' : ', which is not enough; the rest takes places out of reach'}.`}
          {proposal.feeds.length > 0 && (
            <p className={styles.small}>
              {proposal.isFewest ? 'No fewer would do.' : 'Fewer were not found; not all choices were tried.'}{' '}
              {fuseWords(proposal)}
            </p>
          )}
          {proposal.feeds.length > 0 && (
            <Button
              onClick={() =>
                edit({
                  type: 'batch',
                  label: `Feed ${of.name} with ${countOf(proposal.feeds.length, 'more lead')}`,
                  edits: namedLeads(show.feeds, proposal.feeds, () => newId('lead')).map((feed) => ({
                    type: 'addFeed',
                    feed,
                  })),
                })
              }
            >
              Add {countOf(proposal.feeds.length, 'lead')}
            </Button>
          )}
        </div>
      )}
    </Stack>
  );
}

const placeWords = ({ pieces }: FeedProposal['feeds'][number]): string => {
  const { to } = itemAt(pieces, 0);
  return to.kind === 'pixel' ? `run ${to.run} pixel ${to.pixel}` : '';
};

function fuseWords({ feeds }: FeedProposal): string {
  const fused = feeds.filter((feed) => feed.fuseAmps !== undefined);
  if (fused.length < feeds.length) return 'For some of them no fuse fits: part their load.';
  return `Each with a fuse: ${listOf([...new Set(fused.map((feed) => formatAmps(feed.fuseAmps!)))])}.`;
}
