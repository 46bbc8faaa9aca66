import { Refusal, answer, readBytes } from '@/server/http';
import { photos } from '@/server/repository';

/** Keeps a photo: its bytes are the body of the request. */
export const POST = (request: Request) =>
  answer(async () => {
    const bytes = await readBytes(request, 'The interface makes photos smaller before it sends them.');
    try {
      const photoId = photos().keep(bytes);
      return Response.json({ photoId }, { status: 201, headers: { location: `/api/photos/${photoId}` } });
    } catch (error) {
      if (error instanceof RangeError) throw new Refusal(415, error.message);
      throw error;
    }
  });
