import { z } from 'zod';

/** Sizes of paper. */
export const PAPER_SIZES = ['a4', 'letter'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

export const PAPER_WORDS: Record<PaperSize, string> = { a4: 'A4', letter: 'Letter' };

/** Upright: ISO 216 and ANSI Y14.1. */
export const PAPER_MM: Record<PaperSize, readonly [width: number, height: number]> = {
  a4: [210, 297],
  letter: [215.9, 279.4],
};

const mm = (least: number, most: number) => z.number().min(least).max(most);

/** A sheet of labels as it is bought: how many, how large, and where the first one begins. */
export const labelFormatSchema = z.strictObject({
  paper: z.enum(PAPER_SIZES),
  columns: z.int().min(1).max(20),
  rows: z.int().min(1).max(40),
  widthMm: mm(10, 290),
  heightMm: mm(8, 290),
  /** From the left and from the top edge of the paper to the first label. */
  leftMm: mm(0, 100),
  topMm: mm(0, 100),
  /** From the left edge of a label to that of the next, and from top to top. */
  stepXMm: mm(10, 300),
  stepYMm: mm(8, 300),
});
export type LabelFormat = z.infer<typeof labelFormatSchema>;

/** Sizes that are sold everywhere. */
export const LABEL_FORMATS: readonly (LabelFormat & { id: string })[] = [
  {
    id: 'a4-21',
    paper: 'a4',
    columns: 3,
    rows: 7,
    widthMm: 63.5,
    heightMm: 38.1,
    leftMm: 7.25,
    topMm: 15.15,
    stepXMm: 66,
    stepYMm: 38.1,
  },
  {
    id: 'a4-65',
    paper: 'a4',
    columns: 5,
    rows: 13,
    widthMm: 38.1,
    heightMm: 21.2,
    leftMm: 4.7,
    topMm: 10.7,
    stepXMm: 40.6,
    stepYMm: 21.2,
  },
  {
    id: 'a4-8',
    paper: 'a4',
    columns: 2,
    rows: 4,
    widthMm: 99.1,
    heightMm: 67.7,
    leftMm: 4.65,
    topMm: 13.1,
    stepXMm: 101.6,
    stepYMm: 67.7,
  },
  {
    id: 'letter-30',
    paper: 'letter',
    columns: 3,
    rows: 10,
    widthMm: 66.7,
    heightMm: 25.4,
    leftMm: 4.75,
    topMm: 12.7,
    stepXMm: 69.85,
    stepYMm: 25.4,
  },
  {
    id: 'letter-10',
    paper: 'letter',
    columns: 2,
    rows: 5,
    widthMm: 101.6,
    heightMm: 50.8,
    leftMm: 3.95,
    topMm: 12.7,
    stepXMm: 106.4,
    stepYMm: 50.8,
  },
];

/** The part that does not fit on the paper, in a sentence; null where everything does. */
export function labelFormatProblem(format: LabelFormat): string | null {
  const [paperWidth, paperHeight] = PAPER_MM[format.paper];
  const right = format.leftMm + (format.columns - 1) * format.stepXMm + format.widthMm;
  const bottom = format.topMm + (format.rows - 1) * format.stepYMm + format.heightMm;
  if (format.columns > 1 && format.stepXMm < format.widthMm - 1e-6)
    return 'Labels beside one another overlap: from label to label is less than a label is wide.';
  if (format.rows > 1 && format.stepYMm < format.heightMm - 1e-6)
    return 'Labels below one another overlap: from label to label is less than a label is high.';
  if (right > paperWidth + 1e-6)
    return `The labels end ${right.toFixed(1)} mm from the left, and the paper is ${paperWidth} mm wide.`;
  if (bottom > paperHeight + 1e-6)
    return `The labels end ${bottom.toFixed(1)} mm from the top, and the paper is ${paperHeight} mm high.`;
  return null;
}

/** `63.5 × 38.1 mm, 21 on A4` */
export function labelFormatWords({ widthMm, heightMm, columns, rows, paper }: LabelFormat): string {
  return `${widthMm} × ${heightMm} mm, ${columns * rows} on ${PAPER_WORDS[paper]}`;
}

/** Printing of the sheets of a show. Absent fields are as usual. */
export const paperSettingsSchema = z.strictObject({
  size: z.enum(PAPER_SIZES).optional(),
  /** Under which name and port phones reach the program; addresses that are leased change. */
  host: z
    .string()
    .regex(
      /^[a-zA-Z0-9.-]{1,120}(:\d{1,5})?$/,
      'a name or an address, with a port where it has one: 192.168.1.20:3000',
    )
    .optional(),
  labels: labelFormatSchema
    .refine((format) => labelFormatProblem(format) === null, {
      error: (issue) =>
        labelFormatProblem(issue.input as LabelFormat) ?? 'a sheet of labels that fits its paper',
    })
    .optional(),
  /** Numbers say at the end of a sheet how they came about. */
  explains: z.literal(true).optional(),
});
type PaperSettings = z.infer<typeof paperSettingsSchema>;

export function labelFormatOf(settings: PaperSettings | undefined): LabelFormat {
  if (settings?.labels) return settings.labels;
  const { id: _, ...usual } = LABEL_FORMATS.find(({ paper }) => paper === (settings?.size ?? 'a4'))!;
  return usual;
}
