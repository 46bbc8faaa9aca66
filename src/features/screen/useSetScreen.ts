import type { ScreenShape } from '@/core/screens/shape';
import { said } from '@/core/fields/said';
import { useEdit } from '../show/ShowProvider';

/** A change of some measures of a screen; what is undefined is left out of it. */
export type ScreenChange = { [Field in keyof ScreenShape]?: ScreenShape[Field] | undefined };

/** Changes a screen, so that it can be undone like anything else. */
export function useSetScreen(propId: string, shape: ScreenShape): (change: ScreenChange) => boolean {
  const edit = useEdit();
  return (change) => {
    const next = said<ScreenShape>({ ...shape, ...change });
    return edit({ type: 'setShape', propId, shape: next });
  };
}
