'use client';

import Link from 'next/link';
import { useEffect } from 'react';
import { LanternMark } from '@/ui/LanternMark';
import { SAVING_WORDS } from '../show/savingWords';
import { ShowProvider, useShow } from '../show/ShowProvider';
import styles from './bench.module.css';
import { BENCH_PAGES } from './registry';
import { useBenchView } from './useBenchView';

/** A show at the bench or on the ladder: one page with large targets, which works while the network does not. */
export function BenchApp({ id }: { id: string }) {
  return (
    <ShowProvider key={id} id={id}>
      <Bench />
    </ShowProvider>
  );
}

export function Bench() {
  const id = useShow((state) => state.id);
  const name = useShow((state) => state.show.name);
  const saving = useShow((state) => state.saving);
  const plan = useShow((state) => state.plan);
  const planError = useShow((state) => state.planError);
  const [view, goTo] = useBenchView();
  const page = BENCH_PAGES.find((each) => each.id === view.page) ?? BENCH_PAGES[0]!;
  const controllers = plan?.show.controllers ?? [];
  const controller = Math.max(
    0,
    controllers.findIndex((each) => each.id === view.device),
  );
  // What a code stands for is of no device in particular.
  const title =
    page.id === 'code'
      ? 'Codes and sheets'
      : `${page.label}: ${controllers[controller]?.name ?? 'no device'}`;
  useEffect(() => {
    document.title = `${title} · ${name} · Rapid Lantern`;
  }, [title, name]);
  return (
    <div className={styles.bench}>
      <header className={styles.top}>
        <Link href={`/shows/${id}/build`} className={styles.home} aria-label={`Leave the bench: ${name}`}>
          <LanternMark />
        </Link>
        <select
          className={styles.device}
          aria-label="Device"
          value={controllers[controller]?.id ?? ''}
          onChange={(event) => goTo({ device: event.currentTarget.value, port: null })}
        >
          {controllers.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
        <span className={styles.saving} role="status" data-state={saving}>
          {SAVING_WORDS[saving]}
        </span>
      </header>
      <main className={styles.page}>
        <h1 className={styles.title}>{title}</h1>
        {planError && <p role="alert">{planError}</p>}
        {!plan && !planError && <p>Working it out…</p>}
        {plan && controllers.length === 0 && page.id !== 'code' && (
          <p>
            No controller yet. Add one in Patch, and its ports and the values to type are here for the phone.
          </p>
        )}
        {plan && (controllers.length > 0 || page.id === 'code') && (
          <page.Page plan={plan} controller={controller} />
        )}
      </main>
      <nav className={styles.pages} aria-label="Bench pages">
        {BENCH_PAGES.map((each) => (
          <button
            key={each.id}
            type="button"
            aria-current={each === page ? 'page' : undefined}
            onClick={() => goTo({ page: each.id, port: null, code: null })}
          >
            {each.label}
          </button>
        ))}
      </nav>
    </div>
  );
}
