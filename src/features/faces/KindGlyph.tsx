import { kindOf, type PropKindName } from '@/core/props/registry';

/** The kind of a prop as a small drawing. */
export function KindGlyph({ kind, size = 22 }: { kind: PropKindName; size?: number }) {
  const { path, line = 1.8 } = kindOf({ kind }).glyph;
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" fill="none" aria-hidden>
      <path d={path} stroke="currentColor" strokeWidth={line} strokeLinecap="round" strokeLinejoin="round" />
    </svg>
  );
}
