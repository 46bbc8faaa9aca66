import { bench } from '@/server/bench/bench';
import { phoneOf } from '@/server/front/phoneHeader';
import { answer, readBenchRequest } from '@/server/http';
import { shows } from '@/server/repository';

interface Context {
  params: Promise<{ id: string }>;
}

/** Packets that the simulator hears, and the test that is sent. */
export const GET = (_request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    shows().nameOf(id);
    return Response.json(await bench().state(id));
  });

/** Opens the rig, sends a test, stops it. What has to be agreed to first is asked with a 202. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    shows().nameOf(id);
    const done = await bench().act(id, await readBenchRequest(request), phoneOf(request) !== null);
    return Response.json({ ...(done as object), state: await bench().state(id) });
  });
