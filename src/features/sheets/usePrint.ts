import { useShow } from '../show/ShowProvider';

/** Addresses of the files of sheets, and whether the latest changes are in them. */
export function usePrint(): { fileOf: (file: string) => string; isSaved: boolean } {
  const id = useShow((state) => state.id);
  const isSaved = useShow((state) => state.waiting.length === 0);
  return { fileOf: (file) => `/api/shows/${id}/sheets/${file}`, isSaved };
}
