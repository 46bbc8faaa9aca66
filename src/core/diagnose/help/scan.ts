/** The scan of a panel: it drives so many rows at a time, one after another. */
interface ScanFound {
  /** 8 where an eighth of its rows is lit at once; null where the counts do not go together. */
  scan: number | null;
  words: string;
}

/** @param rows of the panel @param atOnce rows that are lit at once while one line of data is driven */
export function scanOf(rows: number, atOnce: number): ScanFound {
  if (atOnce > rows || rows % atOnce !== 0)
    return {
      scan: null,
      words: `${rows} rows are not driven ${atOnce} at a time: count both once more.`,
    };
  const scan = rows / atOnce;
  return {
    scan,
    words:
      atOnce === 2
        ? `1/${scan} scan: each line of data lights one row in the upper half and one in the lower, as plain panels do.`
        : `1/${scan} scan with ${atOnce} rows at once: its pixels take another path than on a plain panel. Note the path of a walk for it.`,
  };
}
