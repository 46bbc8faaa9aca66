import { ParsedField } from './ParsedField';

/** A few words that may be left out. Spaces around them are dropped. */
export function WordsField({
  most,
  ...rest
}: {
  label?: string;
  'aria-label'?: string;
  size?: string;
  className?: string;
  placeholder?: string;
  /** Letters. */
  most: number;
  value: string;
  onCommit: (value: string) => boolean | void;
}) {
  return (
    <ParsedField
      format={(words: string) => words}
      parse={(text) => {
        const words = text.trim();
        return words.length <= most
          ? { ok: true, value: words }
          : { ok: false, message: `Up to ${most} letters; these are ${words.length}.` };
      }}
      {...rest}
    />
  );
}
