import { create } from 'zustand';

interface ChosenCell {
  propId: string;
  column: number;
  row: number;
}

/** The panel that is looked at, the same one on every drawing and in every list. */
export const useWallCell = create<{
  chosen: ChosenCell | null;
  choose: (chosen: ChosenCell | null) => void;
}>((set) => ({ chosen: null, choose: (chosen) => set({ chosen }) }));
