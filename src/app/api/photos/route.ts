import { answer, readBytes } from '@/server/http';
import { MOST_PHOTO_BYTES } from '@/server/photos';
import { photos } from '@/server/repository';

/** Keeps a photo: its bytes are the body of the request. */
export const POST = (request: Request) =>
  answer(async () => {
    const bytes = await readBytes(
      request,
      MOST_PHOTO_BYTES,
      'The interface makes photos smaller before it sends them.',
    );
    const photoId = photos().keep(bytes);
    return Response.json({ photoId }, { status: 201, headers: { location: `/api/photos/${photoId}` } });
  });
