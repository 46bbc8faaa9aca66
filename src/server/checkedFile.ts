import type { Fact } from '@/core/show/facts';

/** What is known of a show file that was checked, in front of its document. */
export interface CheckedFile {
  name: string;
  facts: Fact[];
  photoIds: string[];
}
