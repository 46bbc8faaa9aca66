'use client';

import { useEffect } from 'react';
import type { BringUpStep } from '@/core/bringUp/step';
import { trialsOf } from '@/core/diagnose/trials';
import type { Plan } from '@/core/plan/planned';
import { SendHere } from './SendHere';
import { setTest, stopTest } from './useTest';
import { propAt } from '@/core/plan/records';

/** Sends what a step or a question is about. */
export function SendTrial({
  plan,
  prop,
  step,
}: {
  plan: Plan;
  prop: number;
  step: Pick<BringUpStep, 'trial' | 'percent'>;
}) {
  const trial = trialsOf(plan, prop).find((each) => each.id === step.trial);
  const pattern = trial?.pattern ?? 'ramp';
  const percent = step.percent ?? Math.round(100 * (trial?.level ?? 0));
  const isSent = trial === undefined || trial.how === 'sent';
  useEffect(() => {
    // A device's own test is looked at while nothing is sent.
    if (isSent)
      setTest({ pattern, percent, step: null, timeS: 0, isRunning: true, isOwnTest: false, on: null });
    else stopTest();
    return stopTest;
  }, [isSent, pattern, percent]);
  return isSent ? <SendHere propId={propAt(plan, prop).id} /> : null;
}
