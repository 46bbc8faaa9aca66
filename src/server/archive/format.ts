import { z } from 'zod';
import { idSchema, nameSchema } from '@/core/fields/fields';
import { CHANGE_KINDS } from '@/core/show/revision';
import { keysOf } from '@/core/fields/keys';

/** Contents of an archive besides its photos: its head, the show file with all notes, and every change. */
export const ARCHIVE_FILES = { head: 'archive.json', show: 'show.json', history: 'history.json' } as const;
export const ARCHIVE_FORMAT = 'rapid-lantern-archive';
export const ARCHIVE_VERSION = 1;

const MB = 1024 * 1024;
/** As much of each as is read; what is larger was not written by this program. */
export const ARCHIVE_LIMITS = {
  fileBytes: 1024 * MB,
  unpackedBytes: 2048 * MB,
  entries: 20_000,
  headBytes: 4 * MB,
  historyBytes: 256 * MB,
} as const;

const photoIdSchema = z.string().regex(/^[0-9a-f]{32}$/);
const ENDINGS = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const;

const photoSchema = z.strictObject({
  id: photoIdSchema,
  mime: z.enum(keysOf(ENDINGS)),
});
export type ArchivedPhoto = z.infer<typeof photoSchema>;

/** Path of a photo in an archive. */
export function photoFile({ id, mime }: ArchivedPhoto): string {
  return `photos/${id}.${ENDINGS[mime]}`;
}

export const headSchema = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  /** The id that the show had; where it is free it has it again. */
  showId: idSchema,
  name: nameSchema,
  sequence: z.int().min(0),
  photos: z.array(photoSchema).max(ARCHIVE_LIMITS.entries),
  /** Photos that the show names and that were not kept any more. */
  missing: z.array(photoIdSchema).max(ARCHIVE_LIMITS.entries),
});
export type ArchiveHead = z.infer<typeof headSchema>;

/** Every change of a show, and the copies with which each version of the show file begins. */
export const historySchema = z.strictObject({
  /** Changes up to this one cannot be taken back. */
  undoFloor: z.int().min(0),
  copies: z
    .array(z.strictObject({ sequence: z.int().min(0), version: z.int().min(1), document: z.unknown() }))
    .min(1)
    .max(100),
  changes: z.array(
    z.strictObject({
      sequence: z.int().min(1),
      id: idSchema,
      kind: z.enum(CHANGE_KINDS),
      label: z.string().max(2000),
      window: idSchema.nullable(),
      root: z.int().min(1),
      version: z.int().min(1),
      madeAt: z.iso.datetime({ offset: true }),
      change: z.unknown(),
    }),
  ),
  /** Ids of records that are gone, which are not given to others. */
  gone: z.array(z.strictObject({ list: z.string().max(40), recordId: z.string().max(200) })),
});
export type KeptHistory = z.infer<typeof historySchema>;
