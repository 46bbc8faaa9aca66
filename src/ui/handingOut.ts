import { createContext, useContext } from 'react';

/** Told whenever values that are typed into devices leave the screen. */
export type HandOut = (way: 'copied' | 'downloaded' | 'printed', what: string) => void;

export const HandingOut = createContext<HandOut>(() => {});

export function useHandOut(): HandOut {
  return useContext(HandingOut);
}
