import { screenZonesAnswer } from '@/core/reports/screenZones';
import { answer, readJson } from '@/server/http';

/** The part of the picture that each light of a screen shows; nothing is kept. */
export const POST = (request: Request) =>
  answer(async () => Response.json(screenZonesAnswer(await readJson(request))));
