import { useMemo } from 'react';
import { create } from 'zustand';
import type { Light, Shown } from '@/core/power/shown';
import { useShow } from '../show/ShowProvider';

interface Choice {
  light: Light;
  /** Null while the level that power is planned for is looked at. */
  percent: number | null;
}

/** Light and level on Power, the same on all of its sheets. It is no part of the show. */
const useChoice = create<Choice>(() => ({ light: 'white', percent: null }));

export const showLight = (light: Light) => useChoice.setState({ light });
export const showPercent = (percent: number | null) => useChoice.setState({ percent });

/** The level that power is planned for, in percent; full where nobody said it. */
function usePlannedPercent(): number {
  return useShow((state) => state.show.power?.levelPercent ?? 100);
}

export function useShown(): { shown: Shown; percent: number } {
  const planned = usePlannedPercent();
  const whiteBy = useShow((state) => state.show.power?.whiteBy ?? 'all');
  const light = useChoice((state) => state.light);
  const percent = useChoice((state) => state.percent) ?? planned;
  const shown = useMemo(() => ({ light, level: percent / 100, whiteBy }), [light, percent, whiteBy]);
  return { shown, percent };
}
