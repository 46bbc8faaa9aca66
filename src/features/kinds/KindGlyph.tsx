import type { PropKindName } from '@/core/props/registry';
import { faceOf } from './registry';

/** The kind of a prop as a small drawing. */
export function KindGlyph({ kind, size = 22 }: { kind: PropKindName; size?: number }) {
  const { glyph, glyphLine = 1.8 } = faceOf({ kind });
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" fill="none" aria-hidden>
      <path
        d={glyph}
        stroke="currentColor"
        strokeWidth={glyphLine}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
