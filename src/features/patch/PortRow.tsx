'use client';

import { useDroppable } from '@dnd-kit/core';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import type { PlannedPort } from '@/core/patch/plug';
import { countOf } from '@/core/units/number';
import type { Selection } from '../view/selection';
import { useGoTo, useView } from '../view/useView';
import styles from './patch.module.css';
import { RunChip } from './RunChip';
import type { DropTarget } from './dragging';
import { universeWords } from '@/core/plan/explainRun';
import { linkWords } from '@/core/catalogue/link';
import { portWords } from '@/core/devices/portWords';
import { runName } from '@/core/plan/runName';
import { runAt, controllerAt } from '@/core/plan/records';

interface PortRowProps {
  plan: Plan;
  controller: number;
  port: number;
  planned: PlannedPort | undefined;
  selection: Selection;
}

/** A port with its runs to scale. A run that is dropped on it goes behind them, one on a run before that one. */
export function PortRow({ plan, controller: index, port, planned, selection }: PortRowProps) {
  const goTo = useGoTo();
  const { subject } = useView();
  const controller = controllerAt(plan, index);
  const name = portName(controller, port);
  const limit = controller.mostPixelsPerPort;
  const places = planned?.places ?? 0;
  const { setNodeRef, isOver } = useDroppable({
    id: name,
    data: { kind: 'port', controller: index, port } satisfies DropTarget,
  });
  // A port that holds too much is drawn full; its runs keep their shares.
  const whole = Math.max(limit, places);
  return (
    <div
      className={styles.port}
      data-free={!planned}
      data-chosen={subject?.kind === 'port' && subject.port === name}
      data-testid={`port-${name}`}
    >
      <button
        type="button"
        className={styles.portName}
        aria-label={`Port ${name}`}
        onClick={() => goTo({ subject: { kind: 'port', port: name } })}
      >
        {name}
      </button>
      <div ref={setNodeRef} className={styles.bar} data-over={isOver} data-full={places > limit}>
        {planned?.runs.map((run) => {
          const { pixelCount, wire, prop } = runAt(plan, run);
          return (
            <RunOnPort
              key={run}
              plan={plan}
              run={run}
              share={(pixelCount / whole) * 100}
              skipped={wire!.skippedPixels}
              chosen={
                subject?.kind === 'port'
                  ? subject.port === name
                  : selection.prop === prop &&
                    (subject?.kind !== 'prop' || subject.run === undefined || selection.run === run)
              }
            />
          );
        })}
      </div>
      <div className={`${styles.load} mono`}>
        {planned ? (
          <>
            <div>
              {portWords(plan, index, port)?.count} ·{' '}
              {places > limit ? <b>{percent(places, limit)} too many</b> : percent(places, limit)}
            </div>
            <div className={styles.universes}>
              {universeWords(plan, planned.runs) || linkWords(plan.show, controllerAt(plan, index))}
            </div>
            <div className={styles.runNames}>{planned.runs.map((run) => runName(plan, run)).join(', ')}</div>
          </>
        ) : (
          <span className={styles.free}>free</span>
        )}
      </div>
    </div>
  );
}

function percent(places: number, limit: number): string {
  const share = (places / limit) * 100;
  return share > 0 && share < 1 ? '<1%' : `${Math.round(share)}%`;
}

interface RunOnPortProps {
  plan: Plan;
  run: number;
  /** Percent of the bar. */
  share: number;
  skipped: number;
  chosen: boolean;
}

function RunOnPort({ plan, run, share, skipped, chosen }: RunOnPortProps) {
  const { wire } = runAt(plan, run);
  // A run dropped on another goes before it.
  const { setNodeRef, isOver } = useDroppable({
    id: `before ${run}`,
    data: {
      kind: 'port',
      controller: wire!.controller,
      port: wire!.port,
      position: wire!.chainPosition,
    } satisfies DropTarget,
  });
  return (
    <>
      {skipped > 0 && (
        <span className={`${styles.skipped} mono`} title={`${countOf(skipped, 'skipped pixel')} before it`}>
          {skipped}
        </span>
      )}
      <div ref={setNodeRef} className={styles.seat} data-over={isOver} style={{ width: `${share}%` }}>
        <RunChip plan={plan} run={run} chosen={chosen} wide />
      </div>
    </>
  );
}
