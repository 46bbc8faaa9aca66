import type { Phones } from '@/core/show/phones';
import { openedAccess } from '@/server/front/access';
import { Refusal, answer, onlyAtTheLaptop, readPhonesRequest } from '@/server/http';

export const dynamic = 'force-dynamic';

/** Whether phones can come in, under which addresses and with which code. */
export const GET = (request: Request) =>
  answer(() => {
    onlyAtTheLaptop(request);
    return Response.json(standing());
  });

/** Sends a phone away, or makes another code, which all have to enter anew. */
export const POST = (request: Request) =>
  answer(async () => {
    onlyAtTheLaptop(request);
    const asked = await readPhonesRequest(request);
    const access = openedAccess();
    if (!access) throw new Refusal(422, 'Phones cannot come in: start the program with --lan first.');
    if (asked.do === 'renew') access.renew();
    else if (!access.sendAway(asked.phoneId)) throw new Refusal(404, 'This phone is not let in any more.');
    return Response.json(standing());
  });

function standing(): Phones {
  const access = openedAccess();
  return access
    ? { isOpen: true, addresses: [...access.addresses], code: access.code, phones: access.phones }
    : { isOpen: false, addresses: [], code: null, phones: [] };
}
