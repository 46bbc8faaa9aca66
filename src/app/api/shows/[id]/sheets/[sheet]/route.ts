import { JSON_TYPE, Refusal, answer, csvHeaders, jobAnswer } from '@/server/http';

export const GET = (request: Request, { params }: { params: Promise<{ id: string; sheet: string }> }) =>
  answer(async () => {
    const { id: showId, sheet: file } = await params;
    const [, sheet, as] = /^(.+)\.(csv|json)$/.exec(file) ?? [];
    if (!sheet || (as !== 'csv' && as !== 'json'))
      throw new Refusal(
        404,
        `A sheet is asked for as csv or as json, such as sheets/sender.csv; “${file.slice(0, 80)}” is neither. sheets lists them all.`,
      );
    return jobAnswer(
      request,
      { is: 'sheet', showId, sheet, as },
      as === 'csv' ? csvHeaders(`${showId}-${sheet}.csv`) : JSON_TYPE,
    );
  });
