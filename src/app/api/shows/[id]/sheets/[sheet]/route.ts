import { Refusal, answer, jobAnswer, printAsked, sheetHeaders } from '@/server/http';

const FORMATS = ['pdf', 'svg', 'csv', 'json'] as const;
const FILE = new RegExp(`^(.+)\\.(${FORMATS.join('|')})$`);

export const GET = (request: Request, { params }: { params: Promise<{ id: string; sheet: string }> }) =>
  answer(async () => {
    const { id: showId, sheet: file } = await params;
    const [, sheet, format] = FILE.exec(file) ?? [];
    const as = FORMATS.find((each) => each === format);
    if (!sheet || !as)
      throw new Refusal(
        404,
        `A sheet is asked for as pdf, svg, csv or json, such as sheets/sender.csv; “${file.slice(0, 80)}” is none of them. sheets lists them all.`,
      );
    const asked = printAsked(request, showId);
    const headers = sheetHeaders(as, `${showId}-${sheet}`);
    if (as !== 'pdf') return jobAnswer(request, { is: 'sheet', showId, sheet, as, asked }, headers);
    const query = new URL(request.url).searchParams;
    const of = {
      propId: query.get('prop') ?? undefined,
      controllerId: query.get('controller') ?? undefined,
      placeId: query.get('place') ?? undefined,
      group: query.get('group') ?? undefined,
    };
    return jobAnswer(request, { is: 'print', showId, sheet, of, asked }, headers);
  });
