import type { PropKindName } from '@/core/props/registry';

const PATHS: Record<PropKindName, string> = {
  line: 'M3 17 8 8l6 7 7-9',
  grid: 'M4 5h0M9.3 5h0M14.6 5h0M20 5h0M4 10h0M9.3 10h0M14.6 10h0M20 10h0M4 15h0M9.3 15h0M14.6 15h0M20 15h0M4 20h0M9.3 20h0M14.6 20h0M20 20h0',
  tree: 'M12 3 4 20M12 3 9.3 20M12 3l2.7 17M12 3l8 17M4 20h16',
  wall: 'M3 5h18v14H3zM9 5v14M15 5v14M3 12h18',
  tile: 'M4 4h7v7H4zM13 4h7v7h-7zM4 13h7v7H4zM13 13h7v7h-7z',
  craft: 'M3 14h18l-3 6H6zM12 14V4l6 7h-6',
  freeform: 'M3 17c3-9 5-9 7-3s5 5 5-1 3-8 6-8',
  ring: 'M12 3.5a8.5 8.5 0 1 1-.01 0M12 8.2a3.8 3.8 0 1 1-.01 0',
};

/** The kind of a prop as a small drawing. */
export function KindGlyph({ kind, size = 22 }: { kind: PropKindName; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" fill="none" aria-hidden>
      <path
        d={PATHS[kind]}
        stroke="currentColor"
        strokeWidth={kind === 'grid' ? 2.6 : 1.8}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
