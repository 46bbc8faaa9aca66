import { useLocalStorage } from '@mantine/hooks';

const MOST_LETTERS = 80;

/** Name of the person before the display: kept in this browser, and noted with the results. */
export function useSeenBy(): [by: string, set: (by: string) => void] {
  const [by, setBy] = useLocalStorage({ key: 'rapid-lantern.seen-by', defaultValue: '' });
  return [by, (next) => setBy(next.slice(0, MOST_LETTERS))];
}
