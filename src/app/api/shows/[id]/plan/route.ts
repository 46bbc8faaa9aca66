import { planReport } from '@/core/plan/report';
import { answer } from '@/server/http';
import { planOf } from '@/server/plans';
import { shows } from '@/server/repository';

export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json(planReport(planOf(shows().get((await params).id)))));
