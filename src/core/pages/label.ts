import type { LabelFormat } from '../catalogue/paper';

/** A label for a thing of the show. */
export interface Label {
  /** Short, in large letters: `A3`, `strand 4`. */
  name: string;
  /** Its text, in a line or two. */
  words: string;
  /** The way of the data, or the side that is up, as one looks at the label. */
  arrow: 'up' | 'down' | 'left' | 'right' | null;
  /** Typed where no camera is at hand. */
  code: string;
  /** The link in its code for a camera. */
  link: string;
}

/** Labels of one kind on sheets of one format. */
export interface LabelSheet {
  format: LabelFormat;
  labels: readonly Label[];
}
