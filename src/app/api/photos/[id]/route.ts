import { Refusal, answer } from '@/server/http';
import { photos } from '@/server/repository';

/** A photo that was kept. It never changes, so browsers may keep it as well. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const photo = photos().find((await params).id);
    if (!photo) throw new Refusal(404, 'This photo is not kept here. A show file does not carry its photos.');
    return new Response(new Uint8Array(photo.bytes), {
      headers: {
        'content-type': photo.mime,
        'cache-control': 'private, max-age=31536000, immutable',
        'x-content-type-options': 'nosniff',
        'content-security-policy': "default-src 'none'",
      },
    });
  });
