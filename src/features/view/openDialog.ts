import { create } from 'zustand';

/** The dialog that is open, of those that keys and menus open from anywhere. */
export type DialogName = 'addProp' | 'keys' | 'rename' | 'pixelTypes' | 'places' | 'phones' | null;

export const useDialog = create<{ open: DialogName; show: (dialog: DialogName) => void }>((set) => ({
  open: null,
  show: (open) => set({ open }),
}));
