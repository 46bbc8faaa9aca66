'use client';

import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { electricOf } from '@/core/catalogue/electric';
import type { Plan } from '@/core/plan/planned';
import { WHITE_BY, type PowerPolicy } from '@/core/show/schema';
import { isPanelled } from '@/core/props/registry';
import { FULL_WHITE } from '@/core/power/shown';
import { formatAmps, formatVolts, formatWatts } from '@/core/units/electric';
import { countOf, groupDigits } from '@/core/units/number';
import { MOST_POWERED_AT_ONCE } from '@/core/power/waysToPower';
import { WholeField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import { Hint, Section, Stack } from '@/ui/Panel';
import { useEdit, useShow, useAnswer } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import { useGoTo } from '../view/useView';
import { CutsSection } from './CutsSection';
import styles from './power.module.css';
import { LeadCard } from './LeadCard';
import { leadsOfProp } from './leads';
import { NewLead } from './NewLead';
import { PowerThisProp } from './PowerThisProp';
import { ProposeLeads } from './ProposeLeads';
import { AddSupply } from './SupplyFields';
import { usePower } from './usePower';
import { showPercent, useShown } from './useShown';
import { WHITE_WORDS } from './words';
import { itemAt } from '@/core/units/there';
import { plannedAt, propAt, pixelTypeOf } from '@/core/plan/records';

/** The right side of Power: what a prop draws and gets, and its leads; or what the whole show is fed for. */
export function PowerPanel({ plan, selection }: { plan: Plan; selection: Selection }) {
  return selection.prop === undefined ? (
    <ShowPower plan={plan} />
  ) : (
    <PropPower key={selection.prop} plan={plan} prop={selection.prop} />
  );
}

function PropPower({ plan, prop }: { plan: Plan; prop: number }) {
  const { shown, percent } = useShown();
  const power = usePower(shown, prop);
  const worst = usePower(FULL_WHITE, null);
  const show = useShow((state) => state.show);
  const of = propAt(plan, prop);
  const type = pixelTypeOf(plan.show, of);
  const panelled = isPanelled(of);
  const runs = power?.report.runs.filter((run) => run.prop === prop) ?? [];
  const full = worst?.report.runs.filter((run) => run.prop === prop) ?? [];
  const amps = runs.reduce((sum, run) => sum + run.amps, 0);
  const fullAmps = full.reduce((sum, run) => sum + run.amps, 0);
  const wantedAmps = full.reduce((sum, run) => sum + run.wantedAmps, 0);
  const lowest = runs.reduce<(typeof runs)[number] | null>(
    (least, run) =>
      run.lowestVolts !== null && (least === null || run.lowestVolts < least.lowestVolts!) ? run : least,
    null,
  );
  const own = leadsOfProp(show, of.id);
  const unfed = runs.reduce((sum, run) => sum + run.unfed, 0);
  return (
    <>
      <Section title={of.name}>
        {runs.length === 0 ? (
          <Hint>{power || own.length === 0 ? 'Nothing feeds it yet.' : 'Working it out …'}</Hint>
        ) : (
          <Facts
            facts={[
              { name: `Amps at ${percent} %`, value: formatAmps(amps), note: itemAt(runs, 0).standsOn },
              full.length > 0 && {
                name: 'At full white',
                value: formatAmps(wantedAmps),
                note:
                  wantedAmps > fullAmps * 1.005
                    ? `if all of it got enough; as it is fed ${formatAmps(fullAmps)}`
                    : undefined,
              },
              lowest && {
                name: 'Lowest',
                value: formatVolts(lowest.lowestVolts!),
                note: `${panelled ? 'panel' : `run ${lowest.run}, pixel`} ${lowest.lowestAt}; it needs ${formatVolts(lowest.leastVolts)}`,
              },
              unfed > 0 && { name: 'Fed by nothing', value: countOf(unfed, panelled ? 'panel' : 'pixel') },
              power && { name: 'Lost in wires, whole show', value: formatWatts(power.report.heatWatts) },
            ]}
          />
        )}
      </Section>
      {!panelled && <PowerOrAnew plan={plan} prop={prop} hasLeads={own.length > 0} />}
      {show.supplies.length === 0 ? (
        <Section title="Step by step">
          <Hint>A supply first: closed and certified, of the volts that its pixels want.</Hint>
          <AddSupply plan={plan} prop={prop} />
        </Section>
      ) : (
        !panelled && (
          <Section title="Enough, with the fewest leads">
            <ProposeLeads plan={plan} prop={prop} leastVolts={electricOf(type).leastVolts.value} />
          </Section>
        )
      )}
      {show.supplies.length > 0 && (
        <Section title={own.length === 0 ? 'Its leads' : countOf(own.length, 'lead')}>
          <div className={styles.leads}>
            {own.slice(0, 24).map((feed) => (
              <LeadCard
                key={feed.id}
                plan={plan}
                feed={feed}
                prop={prop}
                flowing={power?.report.leads.find((lead) => plan.show.feeds[lead.feed]?.id === feed.id)}
              />
            ))}
          </div>
          {own.length > 24 && <Hint>And {countOf(own.length - 24, 'more lead')}: see the schedule.</Hint>}
          {!panelled && <NewLead plan={plan} prop={prop} />}
          <Hint>
            Unplug before you join a lead. One fuse for each, at the supply. Never join the plus of two
            supplies.
          </Hint>
        </Section>
      )}
      {!panelled && own.length > 0 && <CutsSection plan={plan} prop={prop} />}
    </>
  );
}

/** The plan from nothing; of a prop that is fed it is asked for. */
function PowerOrAnew({ plan, prop, hasLeads }: { plan: Plan; prop: number; hasLeads: boolean }) {
  const [isAnew, setAnew] = useState(false);
  if (plannedAt(plan, prop).pixelCount > MOST_POWERED_AT_ONCE)
    return (
      <Hint>
        With more than {groupDigits(MOST_POWERED_AT_ONCE)} pixels it is powered lead by lead: bring them
        below, or part it into several props.
      </Hint>
    );
  if (!hasLeads || isAnew) return <PowerThisProp plan={plan} prop={prop} />;
  return (
    <Button variant="subtle" size="compact-sm" onClick={() => setAnew(true)}>
      Plan its power anew…
    </Button>
  );
}

/** Props that nothing feeds yet, each with what it takes. */
function NotPowered({ plan }: { plan: Plan }) {
  const goTo = useGoTo();
  const need = useAnswer('showNeed', null);
  if (!need || need.unfed.length === 0) return null;
  return (
    <Section title="Not powered yet">
      <Facts
        facts={need.byVolts.map(({ volts, amps, watts }) => ({
          name: `All of the show at ${volts} V`,
          value: formatAmps(amps),
          note: `${formatWatts(watts)} at full white`,
        }))}
      />
      <ul className={styles.unfed}>
        {need.unfed.slice(0, MOST_UNFED).map(({ prop, amps, watts }) => {
          const { id, name } = propAt(plan, prop);
          return (
            <li key={id}>
              <Button
                variant="default"
                size="compact-sm"
                onClick={() => goTo({ subject: { kind: 'prop', propId: id } })}
              >
                Power {name}
              </Button>
              <span>
                {formatAmps(amps)}, {formatWatts(watts)}
              </span>
            </li>
          );
        })}
      </ul>
      {need.unfed.length > MOST_UNFED && (
        <Hint>And {countOf(need.unfed.length - MOST_UNFED, 'more prop')}.</Hint>
      )}
    </Section>
  );
}

const MOST_UNFED = 12;

function WhatIsFed({ plan }: { plan: Plan }) {
  const { shown, percent } = useShown();
  const report = usePower(shown, null)?.report;
  const hasLeads = plan.show.feeds.length > 0;
  const bases = [...new Set(report?.runs.map((run) => run.standsOn))];
  return (
    <Section title="What is fed">
      {report && hasLeads ? (
        <Facts
          facts={[
            {
              name: `Amps at ${percent} %`,
              value: formatAmps(report.amps),
              note: bases.length > 1 ? `mixed: ${bases.join('; ')}` : bases[0],
            },
            { name: 'Lost in wires', value: formatWatts(report.heatWatts) },
            { name: 'Props that nothing feeds', value: String(report.unfedProps.length) },
          ]}
        />
      ) : (
        <Hint>
          No lead yet. Choose a prop below, and its supply, wires and fuses are planned in one press.
        </Hint>
      )}
    </Section>
  );
}

function ShowPower({ plan }: { plan: Plan }) {
  const edit = useEdit();
  const policy = useShow((state) => state.show.power);
  const now: PowerPolicy = policy ?? { levelPercent: 100, whiteBy: 'all' };
  const set = (change: Partial<PowerPolicy>) => edit({ type: 'setPower', power: { ...now, ...change } });
  const hasLeads = plan.show.feeds.length > 0;
  return (
    <>
      <WhatIsFed plan={plan} />
      <NotPowered plan={plan} />
      <Section title="What it is planned for">
        <Stack>
          <WholeField
            label="Brightest level, in percent"
            what="The level"
            least={1}
            most={100}
            value={now.levelPercent}
            onCommit={(levelPercent) => {
              showPercent(null);
              return set({ levelPercent });
            }}
          />
          <Select
            label="White of four channels is made by"
            allowDeselect={false}
            value={now.whiteBy}
            data={WHITE_BY.map((value) => ({ value, label: WHITE_WORDS[value] }))}
            onChange={(whiteBy) => whiteBy && set({ whiteBy })}
          />
          <Hint>
            Supplies, wires and fuses are sized for full white all the same: a level that a program keeps is
            lifted by a reset, a test or another program.
          </Hint>
        </Stack>
      </Section>
      {hasLeads && <Safe />}
      <AddSupply plan={plan} prop={undefined} />
    </>
  );
}

/** The brightest level as it is. */
function Safe() {
  const { shown } = useShown();
  const safe = useAnswer('safeLevel', shown);
  if (!safe) return null;
  return (
    <Section title="As it is fed">
      <Facts
        facts={[
          {
            name: 'Safe up to',
            value: `${safe.percent} %`,
            note:
              safe.heldBackBy === null
                ? 'nothing is too much at full'
                : `then ${safe.heldBackBy} is too much`,
          },
        ]}
      />
      {safe.percent < 100 && safe.percent > 0 && (
        <Button size="compact-sm" variant="default" onClick={() => showPercent(safe.percent)}>
          Look at {safe.percent} %
        </Button>
      )}
    </Section>
  );
}
