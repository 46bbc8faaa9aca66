import { planReport } from '@/core/plan/report';
import { planShow } from '@/core/plan/plan';
import { readShow } from '@/core/show/read';
import { answer, readJson } from '@/server/http';

/** Plans a show file and keeps nothing. */
export const POST = (request: Request) =>
  answer(async () => Response.json(planReport(planShow(readShow(await readJson(request))))));
