import { same } from '@/core/fields/json';
import { writeShowText } from '@/core/show/read';
import type { Show } from '@/core/show/schema';

/** Whether two shows say the same, in whatever order their fields were written. */
export function isSameFile(one: Show, other: Show): boolean {
  return same(JSON.parse(writeShowText(one)), JSON.parse(writeShowText(other)));
}
