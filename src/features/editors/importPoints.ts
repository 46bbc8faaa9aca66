import { create } from 'zustand';

type PointsSource = 'csv' | 'svg' | 'photo';

interface PointsImport {
  /** The free-form prop that gets the points, and where they come from; null while nothing is imported. */
  target: { propId: string; source: PointsSource } | null;
  open: (propId: string, source: PointsSource) => void;
  close: () => void;
}

export const usePointsImport = create<PointsImport>((set) => ({
  target: null,
  open: (propId, source) => set({ target: { propId, source } }),
  close: () => set({ target: null }),
}));
