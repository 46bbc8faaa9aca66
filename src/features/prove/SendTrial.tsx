'use client';

import { useEffect, useState } from 'react';
import type { BringUpStep } from '@/core/bringUp/step';
import { wantedRateOf } from '@/core/catalogue/packing';
import { trialsOf } from '@/core/diagnose/trials';
import type { Plan } from '@/core/plan/planned';
import { SENDING_MINUTES } from '@/core/rig/benchState';
import { useShow } from '../show/ShowProvider';
import { BenchQuestion } from './BenchQuestion';
import { SendControls, type SendChoice } from './SendControls';
import { useWatchedBench } from './useBench';
import { useSending } from './useSending';
import { setTest, stopTest, useStopKey } from './useTest';

/** Sends what a step or a question is about, to the rig or to the devices; nothing is sent before that is chosen. */
export function SendTrial({
  plan,
  prop,
  step,
}: {
  plan: Plan;
  prop: number;
  step: Pick<BringUpStep, 'trial' | 'percent'>;
}) {
  const showId = useShow((state) => state.id);
  const rateHz = useShow((state) => wantedRateOf(state.show.addressing));
  const [choice, setChoice] = useState<SendChoice>({
    rateHz: Math.min(rateHz, 120),
    minutes: SENDING_MINUTES.usual,
    isSynced: false,
    rates: [],
  });
  const { id } = plan.show.props[prop]!;
  const trial = trialsOf(plan, prop).find((each) => each.id === step.trial);
  const pattern = trial?.pattern ?? 'ramp';
  const percent = step.percent ?? Math.round(100 * (trial?.level ?? 0));
  const state = useWatchedBench(showId);
  const { stop, isOthers } = useSending(showId, { on: 'prop', propId: id }, choice, state);
  useStopKey(state?.sending != null, stop);
  const isSent = trial === undefined || trial.how === 'sent';
  useEffect(() => {
    // What a device shows by itself is looked at while nothing is sent.
    if (isSent)
      setTest({ pattern, percent, step: null, timeS: 0, isRunning: true, isOwnTest: false, on: null });
    else stopTest();
    return stopTest;
  }, [isSent, pattern, percent]);
  if (!isSent) return null;
  return (
    <>
      <SendControls
        choice={choice}
        onChoose={setChoice}
        state={state}
        isOthers={isOthers}
        onStop={stop}
        isMarked
      />
      <BenchQuestion />
    </>
  );
}
