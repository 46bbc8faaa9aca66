import { useMemo } from 'react';
import { create } from 'zustand';
import type { MovedEnd } from '@/core/power/movedEnd';
import type { Shown } from '@/core/power/shown';
import type { Answer } from '@/workers/plan/questions';
import { useAnswer } from '../show/ShowProvider';

/** The end of a lead that is being dragged; the picture, the chart and the figures follow it before it is let go. */
const useMovedEnd = create<{ moved: MovedEnd | null }>(() => ({ moved: null }));

export const moveEnd = (moved: MovedEnd | null) => useMovedEnd.setState({ moved });

/** Currents in the show, and volts of each pixel of a prop. Null until they are first worked out. */
export function usePower(shown: Shown, prop: number | null): Answer<'power'> | null {
  const moved = useMovedEnd((state) => state.moved);
  const asked = useMemo(() => ({ shown, prop, moved }), [shown, prop, moved]);
  return useAnswer('power', asked);
}
