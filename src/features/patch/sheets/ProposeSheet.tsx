'use client';

import { controllersTable, proposedTable } from '@/core/papers/tables/ports';
import { Button, Group, Loader, Switch } from '@mantine/core';
import { useEffect, useRef, useState, useMemo } from 'react';
import { wantedRateOf } from '@/core/catalogue/packing';
import type { Goal } from '@/core/answers/ports/assignment';
import type { PatchProposal } from '@/core/answers/ports/proposePatch';
import type { Plan } from '@/core/plan/planned';
import { formatLength } from '@/core/units/length';
import { countOf } from '@/core/units/number';
import { Choice } from '@/ui/fields/Choice';
import { WholeField } from '@/ui/fields/fields';
import { Hint } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import { startProposer, type Proposer } from '@/workers/proposer';
import sheets from '../../sheets/sheets.module.css';
import { notify, useEdit, useShow } from '../../show/ShowProvider';
import { byId } from '@/core/units/there';

const GOAL_WORDS: Record<Goal, string> = {
  fewestPorts:
    'Fewest ports: runs share ports as far as they fit. Fewer leads and sockets; a broken joint darkens more.',
  leastCable: 'Least cable: each run goes to the nearest controller with room, by the drawing of the site.',
  evenLoad: 'Evenly loaded: the fullest port is as empty as can be. Highest picture rate, more ports.',
};

/** Ports for the runs, proposed. Nothing is changed until it is taken. */
export function ProposeSheet({ plan }: { plan: Plan }) {
  const show = useShow((state) => state.show);
  const edit = useEdit();
  const [goal, setGoal] = useState<Goal>('fewestPorts');
  const [moveAll, setMoveAll] = useState(false);
  const [state, setState] = useState<'idle' | 'working'>('idle');
  const [proposal, setProposal] = useState<{ of: typeof show; made: PatchProposal } | null>(null);
  const proposer = useRef<Proposer | null>(null);
  useEffect(() => () => proposer.current?.stop(), []);
  const rateHz = wantedRateOf(show.addressing);
  const loose = plan.runs.filter((run) => !run.wire).length;
  const stop = () => {
    proposer.current?.stop();
    proposer.current = null;
    setState('idle');
  };
  const work = async () => {
    stop();
    const mine = (proposer.current = startProposer());
    setState('working');
    const made = await mine.propose(show, { goal, wantedRateHz: rateHz, moveAll });
    if (proposer.current !== mine) return;
    stop();
    setProposal({ of: show, made });
  };
  const made = proposal?.of === show ? proposal.made : null;
  // The sum of what the table says line by line.
  const cablesMm = made?.lines.flatMap(({ cableMm }) => cableMm ?? []) ?? [];
  const jumpers = made?.lines.filter(({ behind }) => behind !== null).length ?? 0;
  return (
    <div className={sheets.sheet}>
      <div className={sheets.fields}>
        <div data-widest>
          <Choice
            label="What counts"
            value={goal}
            onChange={(value) => {
              setGoal(value);
              setProposal(null);
            }}
            data={[
              { value: 'fewestPorts', label: 'Fewest ports' },
              { value: 'leastCable', label: 'Least cable' },
              { value: 'evenLoad', label: 'Even load' },
            ]}
          />
        </div>
        <WholeField
          label="Pictures a second"
          what="The frame rate"
          least={1}
          most={200}
          value={rateHz}
          onCommit={(wantedRateHz) => edit({ type: 'setAddressing', change: { wantedRateHz } })}
        />
        <div data-wide>
          <Switch
            label="Also move runs that are on a port"
            checked={moveAll}
            onChange={(event) => {
              setMoveAll(event.currentTarget.checked);
              setProposal(null);
            }}
          />
        </div>
      </div>
      <Hint>
        {GOAL_WORDS[goal]} Pinned runs and reserved ports stay as they are; voltages, chip families and
        channel counts are never mixed on a port.
      </Hint>
      <Group mb="md">
        <Button onClick={() => void work()} disabled={state === 'working' || (loose === 0 && !moveAll)}>
          Propose ports
        </Button>
        {state === 'working' && (
          <>
            <Loader size="sm" />
            <Button variant="default" size="compact-sm" onClick={stop}>
              Stop
            </Button>
          </>
        )}
        <span>
          {loose === 0
            ? 'Every run is on a port. Switch on moving to lay them anew.'
            : `${countOf(loose, 'run')} on no port.`}
        </span>
      </Group>
      {!made && <WhatThereIs plan={plan} />}
      {made && (
        <>
          <div className={sheets.note} data-testid="proposal">
            {made.lines.length === 0 ? (
              'No port takes any of these runs.'
            ) : (
              <>
                <b>{countOf(made.lines.length, 'run')}</b> on ports; {countOf(made.result.portsUsed, 'port')}{' '}
                in use then, the fullest {Math.round(made.result.fullestShare * 100)} % full
                {cablesMm.length > 0 &&
                  `, ${formatLength(
                    cablesMm.reduce((sum, mm) => sum + mm, 0),
                    show.lengths,
                  )} of cable`}
                {cablesMm.length > 0 &&
                  cablesMm.length < made.lines.length &&
                  ` and ${countOf(made.lines.length - cablesMm.length, 'length')} that the drawing of the site does not know`}
                {jumpers > 0 && `, with ${countOf(jumpers, 'jumper')} from the end of one run to the next`}.{' '}
                <Button
                  size="compact-sm"
                  ml={6}
                  onClick={() => {
                    edit(made.edit, () => notify('Put on ports. Ctrl Z takes it back.'));
                  }}
                >
                  Put them there
                </Button>
              </>
            )}
          </div>
          {made.left.map((left) => (
            <div key={left.run} className={sheets.problem}>
              {left.why}{' '}
              {left.splitInto !== null && (
                <Button
                  size="compact-sm"
                  variant="default"
                  onClick={() => {
                    const prop = byId(show.props, left.propId);
                    edit({
                      type: 'setThreading',
                      propId: prop.id,
                      threading: { ...prop.threading, runs: left.splitInto },
                    });
                  }}
                >
                  Split it into {left.splitInto}
                </Button>
              )}
            </div>
          ))}
          <SheetTable testId="proposed" table={proposedTable(plan, made.lines)} />
        </>
      )}
    </div>
  );
}

/** The ports that a proposal has to do with. */
function WhatThereIs({ plan }: { plan: Plan }) {
  const table = useMemo(() => controllersTable(plan), [plan]);
  if (table.rows.length === 0)
    return (
      <p className={sheets.empty}>Add a controller in Ports first: a proposal needs ports to put runs on.</p>
    );
  return (
    <>
      <h2>What there is to put them on</h2>
      <SheetTable table={table} />
    </>
  );
}
