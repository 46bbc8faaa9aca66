import QRCode from 'qrcode';
import { linkToEnter } from '@/core/show/phones';
import { openedAccess } from '@/server/front/access';
import { Refusal, answer, onlyAtTheLaptop } from '@/server/http';

export const dynamic = 'force-dynamic';

/** The code for a phone's camera to come in, as a picture. `?path=` says the page to open then. */
export const GET = (request: Request) =>
  answer(async () => {
    onlyAtTheLaptop(request);
    const access = openedAccess();
    const [address] = access?.addresses ?? [];
    if (!access || address === undefined) throw new Refusal(404, 'Phones cannot come in.');
    const path = new URL(request.url).searchParams.get('path') ?? '/';
    if (!/^\/[\w/-]{0,200}$/.test(path)) throw new Refusal(400, '“path” is an address of this program.');
    const svg = await QRCode.toString(linkToEnter(address, access.code, path), { type: 'svg', margin: 3 });
    return new Response(svg, { headers: { 'content-type': 'image/svg+xml', 'cache-control': 'no-store' } });
  });
