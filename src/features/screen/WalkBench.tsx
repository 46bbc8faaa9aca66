import { useEffect } from 'react';
import { wantedRateOf } from '@/core/catalogue/packing';
import { MOST_RATE_HZ, SENDING_MINUTES } from '@/core/rig/benchState';
import { BenchQuestion } from '../prove/BenchQuestion';
import { SendControls } from '../prove/SendControls';
import { useWatchedBench } from '../prove/useBench';
import { useSending } from '../prove/useSending';
import { setTest, stopTest, useStopKey } from '../prove/useTest';
import { useShow } from '../show/ShowProvider';

const NO_RATES: never[] = [];
const nothing = () => undefined;

/** Lights what a walk asks about, on the rig or on the devices; by a program of one's own where nothing is sent. */
export function WalkBench({ propId, places }: { propId: string; places: readonly number[] | null }) {
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
  const key = places && JSON.stringify(places);
  useEffect(() => {
    if (key === null) return stopTest();
    setTest({
      pattern: 'marks',
      on: { on: 'pixels', propId, places: JSON.parse(key) as number[] },
      isOwnTest: false,
      step: null,
      isRunning: true,
    });
  }, [key, propId]);
  useEffect(
    () => () => {
      stopTest();
      setTest({ on: null, goes: 'preview' });
    },
    [],
  );
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
      <BenchQuestion />
    </>
  );
}
