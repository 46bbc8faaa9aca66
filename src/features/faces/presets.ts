import { PROP_KINDS, type PropKindName } from '@/core/props/registry';

/** A way to begin a prop: a kind as it starts, or one of its presets. */
export interface Preset {
  kind: PropKindName;
  /** Unique among all of them; the first name of the prop. */
  label: string;
  hint: string;
  starter: () => { shape: unknown; threading: unknown };
}

const PRESETS: readonly Preset[] = PROP_KINDS.flatMap((kind) =>
  [kind, ...(kind.presets ?? [])].map(({ label, hint, starter }) => ({
    kind: kind.kind as PropKindName,
    label,
    hint,
    starter,
  })),
);

const KEPT = 'rapid-lantern:presets-used';
const MOST_KEPT = 4;

/** The names of those used last on this machine, the last one first. */
function used(): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
    return Array.isArray(kept) ? kept.filter((label) => typeof label === 'string') : [];
  } catch {
    // Unreadable text, or a browser that keeps nothing: presets stand in their usual order.
    return [];
  }
}

export function rememberUsed(label: string): void {
  try {
    localStorage.setItem(
      KEPT,
      JSON.stringify([label, ...used().filter((each) => each !== label)].slice(0, MOST_KEPT)),
    );
  } catch {
    // A browser that keeps nothing remembers nothing.
  }
}

export function lastUsedFirst(): readonly Preset[] {
  const labels = used();
  const first = labels.flatMap((label) => PRESETS.find((preset) => preset.label === label) ?? []);
  return [...first, ...PRESETS.filter((preset) => !first.includes(preset))];
}

/** Those whose name or line holds every word that was typed; a name before a line. */
export function fitting(presets: readonly Preset[], query: string): readonly Preset[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = (text: string) => words.every((word) => text.toLowerCase().includes(word));
  const byName = presets.filter(({ label }) => holds(label));
  return [
    ...byName,
    ...presets.filter((preset) => !byName.includes(preset) && holds(`${preset.label} ${preset.hint}`)),
  ];
}
