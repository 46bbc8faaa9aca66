import { expose } from 'comlink';
import { ShowError, type Problem } from '@/core/fields/problem';
import { readShowText } from '@/core/show/read';

const checker = {
  /** Problems of a show file; null where there are none. */
  async problemsOf(file: Blob): Promise<readonly Problem[] | null> {
    try {
      readShowText(await file.text());
      return null;
    } catch (error) {
      if (error instanceof ShowError) return error.problems;
      throw error;
    }
  },
};

export type CheckWorker = typeof checker;

expose(checker);
