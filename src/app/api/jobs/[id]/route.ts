import { Refusal, answer } from '@/server/http';
import { jobs } from '@/server/jobs/runner';

interface Context {
  params: Promise<{ id: string }>;
}

/** Progress of a job, from 0 to 1; null where none of that id is under way. */
export const GET = (_request: Request, { params }: Context) =>
  answer(async () => Response.json({ part: jobs().find((await params).id)?.part ?? null }));

/** Ends a job. Whoever waits for it is told that it was ended. */
export const DELETE = (_request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const job = jobs().find(id);
    if (!job) throw new Refusal(404, `There is no job “${id.slice(0, 80)}” under way.`);
    job.cancel();
    return new Response(null, { status: 204 });
  });
