import type { Question } from './questions';

/**
 * Questions that take long are answered in a thread of their own, so that a newer plan does not wait for it. It stands apart from the answers:
 * the page needs this list, and would fetch everything that answers with it.
 */
export const LONG_QUESTIONS: ReadonlySet<Question> = new Set<Question>(['diagnosis', 'sheet']);
