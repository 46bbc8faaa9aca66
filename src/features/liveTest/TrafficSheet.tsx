'use client';

import { useMemo } from 'react';
import { trafficOf } from '@/core/answers/traffic';
import { switchWords, trafficTable } from '@/core/papers/tables/traffic';
import type { Plan } from '@/core/plan/planned';
import type { BenchState } from '@/core/rig/benchState';
import { groupDigits } from '@/core/units/number';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useShow } from '../show/ShowProvider';
import styles from './liveTest.module.css';
import { useWatchedBench } from '../sending/watchBench';

/** Times of frames on their way, the slowest step, and the packets now. */
export function TrafficSheet({ plan }: { plan: Plan }) {
  const traffic = useMemo(() => trafficOf(plan), [plan]);
  const showId = useShow((state) => state.id);
  const state = useWatchedBench(showId);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        A picture goes from the sender over a link to a device, and from there down the wire of each port. The
        slowest of these decides. {traffic.wantedHz} pictures a second are wanted.
      </p>
      {plan.show.controllers.length === 0 ? (
        <p className={sheets.empty}>No controller yet. Add one on Patch.</p>
      ) : (
        <>
          <SheetTable testId="traffic" table={trafficTable(plan, traffic)} />
          <ul className={styles.rules}>
            {switchWords(plan, traffic).map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </>
      )}
      <h3>On the way now</h3>
      <Now plan={plan} state={state} />
    </div>
  );
}

function Now({ plan, state }: { plan: Plan; state: BenchState | null }) {
  if (!state?.isOpen)
    return (
      <p className={sheets.empty}>
        {state?.takenBy
          ? `The simulator stands in for “${state.takenBy}” at the moment.`
          : 'Nothing is being sent. Send a test from the bench, and what goes out and what comes in is counted here.'}
      </p>
    );
  const { sending, heard, notes } = state;
  const nameOf = (id: string) => plan.show.controllers.find((each) => each.id === id)?.name ?? id;
  const figures = sending?.figures ?? null;
  return (
    <>
      {figures && (
        <p className={sheets.lead} role="status">
          {groupDigits(figures.frames)} pictures, {groupDigits(figures.packets)} packets, {figures.late} late
          by more than 5 ms; they begin {figures.jitterMs.mean.toFixed(2)} ms after they are due, at most{' '}
          {figures.jitterMs.most.toFixed(1)} ms.
          {figures.lastError && ` ${groupDigits(figures.refused)} refused: ${figures.lastError}.`}
        </p>
      )}
      <div className={styles.wide}>
        <table className={styles.now} aria-label="On the way now">
          <thead>
            <tr>
              <th scope="col">Device</th>
              <th scope="col">Goes to</th>
              <th scope="col">Universes</th>
              <th scope="col">Packets/s</th>
              <th scope="col">Mbit/s</th>
              <th scope="col">Heard</th>
              <th scope="col">Missing</th>
              <th scope="col">Not understood</th>
              <th scope="col">Dropped by its ports</th>
            </tr>
          </thead>
          <tbody>
            {heard.map((each) => {
              const out = figures?.controllers.find(({ controllerId }) => controllerId === each.controllerId);
              return (
                <tr key={each.controllerId}>
                  <th scope="row">{nameOf(each.controllerId)}</th>
                  <td>{out ? (out.to ?? 'nowhere') : `127.0.0.1:${each.port}`}</td>
                  <td>{out ? groupDigits(out.universes) : '–'}</td>
                  <td>{out ? Math.round(out.packetsPerS) : '–'}</td>
                  <td>{out ? out.mbits.toFixed(2) : '–'}</td>
                  <td>{groupDigits(each.packets)}</td>
                  <td data-bad={each.lost > 0}>{groupDigits(each.lost)}</td>
                  <td data-bad={each.malformed > 0}>{groupDigits(each.malformed)}</td>
                  <Dropped slow={each.slow} />
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {notes.map((note) => (
        <p key={note} className={styles.quiet}>
          {note}
        </p>
      ))}
    </>
  );
}

/** Some are dropped whenever a machine is busy for a moment; more than this share is a port that is too slow. */
const TOO_SLOW_SHARE = 0.05;

function Dropped({ slow }: { slow: BenchState['heard'][number]['slow'] }) {
  const late = slow.filter(({ shown, dropped }) => dropped > TOO_SLOW_SHARE * (shown + dropped));
  const count = slow.reduce((sum, { dropped }) => sum + dropped, 0);
  return (
    <td data-bad={late.length > 0}>
      {late.length === 0
        ? groupDigits(count)
        : late
            .map(
              ({ port, dropped, frameMs }) =>
                `${port}: ${groupDigits(dropped)} (${frameMs.toFixed(1)} ms each)`,
            )
            .join(', ')}
    </td>
  );
}
