import { useShow } from '../show/ShowProvider';

/** Where files of sheets are fetched, and whether what was done here is in them. */
export function usePrint(): { fileOf: (file: string) => string; isSaved: boolean } {
  const id = useShow((state) => state.id);
  const isSaved = useShow((state) => state.waiting.length === 0);
  return { fileOf: (file) => `/api/shows/${id}/sheets/${file}`, isSaved };
}
