import { CHANNEL_MAP_COLUMNS, channelMapRows } from '@/core/papers/channelMap';
import { answer, csvResponse } from '@/server/http';
import { planOf } from '@/server/plans';
import { shows } from '@/server/repository';

export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const plan = planOf(shows().get(id));
    return csvResponse(`${id}-channel-map.csv`, CHANNEL_MAP_COLUMNS, channelMapRows(plan));
  });
