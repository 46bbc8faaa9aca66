import { useEffect } from 'react';
import { SendHere } from '../sending/SendHere';
import { setTest, stopTest } from '../sending/useTest';
import { ownJson } from '@/core/fields/parseJson';

/** Lights what a walk asks about, on the rig or on the devices; by a program of one's own where nothing is sent. */
export function WalkBench({ propId, places }: { propId: string; places: readonly number[] | null }) {
  const key = places && JSON.stringify(places);
  useEffect(() => {
    if (key === null) return stopTest();
    setTest({
      pattern: 'marks',
      on: { on: 'pixels', propId, places: ownJson<number[]>(key) },
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
  return <SendHere propId={propId} />;
}
