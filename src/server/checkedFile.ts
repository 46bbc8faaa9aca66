import type { Fact } from '@/core/show/facts';

/** Facts of a checked show file, in front of its document. */
export interface CheckedFile {
  name: string;
  facts: Fact[];
  photoIds: string[];
}
