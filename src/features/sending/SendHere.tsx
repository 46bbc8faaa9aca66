'use client';

import { wantedRateOf } from '@/core/catalogue/packing';
import { MOST_RATE_HZ, SENDING_MINUTES } from '@/core/rig/benchState';
import { useShow } from '../show/ShowProvider';
import { SendControls } from './SendControls';
import { useWatchedBench } from './watchBench';
import { useSending } from './useSending';
import { useStopKey } from './useTest';

const NO_RATES: never[] = [];
const nothing = () => undefined;

/** Sends a test that is chosen elsewhere, to the rig or to the devices; nothing is sent before that is chosen. */
export function SendHere({ propId }: { propId: string }) {
  const showId = useShow((state) => state.id);
  const rateHz = useShow((state) => wantedRateOf(state.show.addressing));
  const state = useWatchedBench(showId);
  const choice = {
    rateHz: Math.min(rateHz, MOST_RATE_HZ),
    minutes: SENDING_MINUTES.usual,
    isSynced: false,
    rates: NO_RATES,
  };
  const { stop, isOthers } = useSending(showId, { on: 'prop', propId }, choice, state);
  useStopKey(state?.sending != null, stop);
  return (
    <>
      <SendControls
        choice={choice}
        onChoose={nothing}
        state={state}
        isOthers={isOthers}
        onStop={stop}
        isMarked
      />
    </>
  );
}
