/**
 * Earlier names of parts of addresses. Codes on printed labels, bookmarks and notes hold them, so each leads to what it is
 * called now (next.config.ts redirects paths; what stands after the question mark is read by `presentName`).
 */
export const OLD_STAGES = { thread: 'route', feed: 'power', prove: 'test', papers: 'print' } as const;

const OLD_NAMES: Readonly<Record<string, string>> = {
  bench: 'live-test',
  'bring-up': 'first-power-up',
  help: 'quick-checks',
  rig: 'simulator',
};

/** The name of today of a sheet, or of a page for the phone. */
export const presentName = (name: string): string => OLD_NAMES[name] ?? name;

/** For the server: old paths to those of today. What stands after the question mark goes along. */
export const OLD_PATHS: readonly { source: string; destination: string }[] = [
  { source: '/bench/:id', destination: '/phone/:id' },
  ...Object.entries(OLD_STAGES).map(([old, now]) => ({
    source: `/shows/:id/${old}/:rest*`,
    destination: `/shows/:id/${now}/:rest*`,
  })),
];
