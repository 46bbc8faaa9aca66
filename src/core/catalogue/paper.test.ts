import { LABEL_FORMATS, labelFormatProblem, labelFormatSchema, paperSettingsSchema } from './paper';

it.each(LABEL_FORMATS.map(({ id, ...format }) => [id, format] as const))(
  'offers labels that fit their paper: %s',
  (_id, format) => {
    expect(labelFormatSchema.safeParse(format).success).toBe(true);
    expect(labelFormatProblem(format)).toBeNull();
  },
);

it('says what of a sheet of labels does not fit', () => {
  const { id: _, ...format } = LABEL_FORMATS[0]!;
  expect(labelFormatProblem({ ...format, columns: 4 })).toMatch(
    /end 268\.8 mm from the left, and the paper is 210 mm wide/,
  );
  expect(labelFormatProblem({ ...format, rows: 8 })).toMatch(/from the top/);
  expect(labelFormatProblem({ ...format, stepXMm: 60 })).toMatch(/beside one another overlap/);
  expect(labelFormatProblem({ ...format, stepYMm: 30 })).toMatch(/below one another overlap/);
  expect(paperSettingsSchema.safeParse({ labels: { ...format, columns: 4 } }).success).toBe(false);
});

it.each(['lantern.local', '192.168.1.20:3000', 'quay-box:80'])('takes %s as a host', (host) => {
  expect(paperSettingsSchema.safeParse({ host }).success).toBe(true);
});
it.each(['http://x', 'a b', 'x/y', '"><script>', ''])('refuses %s as a host', (host) => {
  expect(paperSettingsSchema.safeParse({ host }).success).toBe(false);
});
