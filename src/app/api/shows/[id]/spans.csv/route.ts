import { SPAN_COLUMNS, spanRows } from '@/core/papers/spanList';
import { answer, csvResponse } from '@/server/http';
import { planOf } from '@/server/plans';
import { shows } from '@/server/repository';

export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    return csvResponse(`${id}-spans.csv`, SPAN_COLUMNS, spanRows(planOf(shows().get(id))));
  });
