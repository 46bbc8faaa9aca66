'use client';

import { createContext, use } from 'react';
import type { Lengths } from '@/core/units/length';

const LengthsContext = createContext<Lengths>(undefined);

/** Below it lengths are written as the open show says. */
export const WriteLengths = LengthsContext.Provider;

/** Units of lengths here. */
export function useLengths(): Lengths {
  return use(LengthsContext);
}
