'use client';

import Link from 'next/link';
import { useEffect } from 'react';
import { LanternMark } from '@/ui/LanternMark';
import { NotesClash } from '../log/NotesClash';
import { SendQuestion } from '../sending/SendQuestion';
import { useWatchedBench } from '../sending/watchBench';
import { ShowProvider, useShow } from '../show/ShowProvider';
import { AboutSelect } from './AboutSelect';
import styles from './phone.module.css';
import { LineWords } from './LineWords';
import { PHONE_PAGES } from './registry';
import { usePhoneView } from './usePhoneView';
import { stopNow, useHeldTest, useHolding } from './useHeldTest';
import { itemAt } from '@/core/units/there';

/** A show at the bench or on the ladder: one page with large targets, which works while the network does not. */
export function PhoneApp({ id }: { id: string }) {
  return (
    <ShowProvider key={id} id={id}>
      <PhonePages />
    </ShowProvider>
  );
}

export function PhonePages() {
  const id = useShow((state) => state.id);
  const showName = useShow((state) => state.show.name);
  const plan = useShow((state) => state.plan);
  const planError = useShow((state) => state.planError);
  const [view, goTo] = usePhoneView();
  const page = PHONE_PAGES.find((each) => each.id === view.page) ?? itemAt(PHONE_PAGES, 0);
  // A phone that only looks things up asks nothing on the way.
  const isSender = useHeldTest(({ test }) => test !== null);
  const sending = useWatchedBench(id, isSender || page.sends === true)?.sending ?? null;
  useHolding(id);
  const controllers = plan?.show.controllers ?? [];
  const props = plan?.show.props ?? [];
  const controller = indexOrFirst(controllers, view.device);
  const prop = indexOrFirst(props, view.prop);
  const device = controllers[controller]?.name ?? 'no device';
  const propName = props[prop]?.name ?? 'no prop';
  const about = {
    device,
    prop: propName,
    nothing: null,
    anything: { show: 'all of the show', prop: propName, device }[view.about],
  }[page.about];
  const title = about === null ? 'Codes and sheets' : `${page.label}: ${about}`;
  const isMissing =
    (page.about === 'device' && controllers.length === 0) || (page.about === 'prop' && props.length === 0);
  useEffect(() => {
    document.title = `${title} · ${showName} · Rapid Lantern`;
  }, [title, showName]);
  return (
    <div className={styles.phone}>
      <header className={styles.top}>
        <Link
          href={`/shows/${id}/build`}
          className={styles.home}
          aria-label={`Leave the phone pages: ${showName}`}
        >
          <LanternMark />
        </Link>
        {plan && <AboutSelect plan={plan} about={page.about} controller={controller} prop={prop} />}
        <button
          type="button"
          className={styles.stop}
          data-sending={sending !== null}
          onClick={() => void stopNow(id)}
        >
          Stop
        </button>
        <LineWords sending={sending} />
      </header>
      <main className={styles.page}>
        <h1 className={styles.title}>{title}</h1>
        {planError && <p role="alert">{planError}</p>}
        {!plan && !planError && <p>Working it out…</p>}
        {plan && isMissing && (
          <p>
            {page.about === 'device'
              ? 'No controller yet. Add one in Patch, and its ports and the values to type are here for the phone.'
              : 'No prop yet. Add one in Build, and its picture and its numbers are here for the phone.'}
          </p>
        )}
        {plan && !isMissing && <page.Page plan={plan} controller={controller} prop={prop} />}
      </main>
      <nav className={styles.pages} aria-label="Phone pages">
        {PHONE_PAGES.map((each) => (
          <button
            key={each.id}
            type="button"
            aria-current={each === page ? 'page' : undefined}
            onClick={() =>
              goTo({
                page: each.id,
                port: null,
                code: null,
                way: null,
                // The next test or note is about the thing in view.
                ...((page.about === 'device' || page.about === 'prop') && { about: page.about }),
              })
            }
          >
            {each.label}
          </button>
        ))}
      </nav>
      <SendQuestion />
      <NotesClash />
    </div>
  );
}

/** -1 where there are none. */
function indexOrFirst(records: readonly { id: string }[], id: string | null): number {
  const at = records.findIndex((each) => each.id === id);
  return at === -1 && records.length > 0 ? 0 : at;
}
