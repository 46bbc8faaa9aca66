import fs from 'node:fs/promises';
import path from 'node:path';
import { JSON_TYPE, answer } from '@/server/http';

/** The demo show as a file, to be imported as a show of its own. */
export const GET = () =>
  answer(
    async () =>
      new Response(await fs.readFile(path.join(process.cwd(), 'demo/marrow-quay.show.json')), {
        headers: JSON_TYPE,
      }),
  );
