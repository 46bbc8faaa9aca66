/** Fields that say something: those that are undefined are left out. */
export function said<Of extends object>(fields: { [Field in keyof Of]: Of[Field] | undefined }): Of {
  return only<Of>(fields, (value) => value !== undefined);
}

/** Settings with some of them said anew; null takes a setting away. */
export function changedTo<Of extends object>(
  before: Of | undefined,
  change: { [Field in keyof Of]?: Of[Field] | null | undefined },
): Of {
  return only<Of>({ ...before, ...change }, (value) => value !== undefined && value !== null);
}

/** A field that may be left out is one that may be absent: whoever asks says which those are by the type. */
function only<Of extends object>(fields: object, isKept: (value: unknown) => boolean): Of {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => isKept(value))) as Of;
}
