import { z } from 'zod';
import { fileSchema } from './read';
import { SHOW_VERSION } from './schema';

/**
 * JSON Schema (draft 2020-12) of the show file, for editors and other programs. The rules that span several parts of a
 * show (ids that are unique, references that lead somewhere) cannot be said in it; reading a show checks them.
 */
export function showFileSchema(): object {
  return {
    title: `Rapid Lantern show file, version ${SHOW_VERSION}`,
    ...z.toJSONSchema(fileSchema),
  };
}
