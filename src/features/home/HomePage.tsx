'use client';

import { Button, FileButton, TextInput } from '@mantine/core';
import { modals } from '@mantine/modals';
import { IconFileImport } from '@tabler/icons-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { MOST_FILE_BYTES } from '@/core/show/read';
import type { ShowSummary } from '@/core/show/revision';
import type { Problem } from '@/core/fields/problem';
import { newId } from '@/core/fields/fields';
import { firstStep, type FirstStep } from '@/core/show/firstSteps';
import { emptyShow } from '@/core/show/schema';
import { messageOf } from '@/core/units/messageOf';
import { checkShowFile } from '@/workers/files/checkShowFile';
import { LanternMark } from '@/ui/LanternMark';
import { FirstSteps } from '../faces/FirstSteps';
import { Refused, httpClient, importShow, isArchive, removeShow } from '../show/client';
import { windowId } from '../show/windowId';
import { PhonesDialog } from '../phones/PhonesDialog';
import { ShowCard } from './ShowCard';
import styles from './home.module.css';

function tooLarge({ name, size }: File): string {
  const megabytes = (bytes: number) => `${Math.ceil(bytes / 1024 / 1024)} MB`;
  return `${name} has ${megabytes(size)}; a show file has at most ${megabytes(MOST_FILE_BYTES)}.`;
}

/** Ways to a show that is kept: each ends in it, or in problems. */
function useNewShow() {
  const router = useRouter();
  const [problems, setProblems] = useState<{ title: string; list: readonly Problem[] } | null>(null);
  const [busy, setBusy] = useState<AbortController | null>(null);
  const [part, setPart] = useState<number | null>(null);

  const keep = async (
    title: string,
    file: File | string,
    problemsOf?: (signal: AbortSignal) => Promise<readonly Problem[] | null>,
    then?: (id: string) => Promise<string>,
  ) => {
    const abort = new AbortController();
    setBusy(abort);
    setPart(null);
    setProblems(null);
    try {
      const list = await problemsOf?.(abort.signal);
      if (list) {
        setBusy(null);
        return setProblems({ title, list });
      }
      const id = await importShow(file, abort.signal, setPart);
      const view = await then?.(id);
      router.push(`/shows/${id}/build${view ? `/${view}` : ''}`);
    } catch (error) {
      setBusy(null);
      if (abort.signal.aborted) return;
      const list =
        error instanceof Refused && error.problems.length > 0
          ? error.problems
          : [{ path: '', message: messageOf(error) }];
      setProblems({ title, list });
    }
  };
  const create = (name: string) =>
    keep('This show could not be made.', JSON.stringify(emptyShow(name.trim())));
  /** A show that begins with an answer: the prop is an edit of it, so that it can be undone. */
  const begin = (name: string, step: FirstStep) => {
    const show = emptyShow(name.trim() || step.label);
    const { edit, propId } = firstStep(show, step);
    return keep('This show could not be made.', JSON.stringify(show), undefined, async (id) => {
      await httpClient(windowId()).change(id, newId('change'), 0, { kind: 'edit', edit });
      return `prop/${propId}`;
    });
  };
  const copyDemo = async () => {
    try {
      const response = await fetch('/api/demo');
      if (!response.ok) throw new Error(`The server answered ${response.status}.`);
      await keep('The demo could not be copied.', await response.text());
    } catch (error) {
      setProblems({
        title: 'The demo could not be fetched.',
        list: [{ path: '', message: messageOf(error) }],
      });
    }
  };
  const importFile = (file: File | null) =>
    file &&
    keep(`${file.name} was not imported; nothing is changed.`, file, async (signal) =>
      // An archive is looked at by the server alone: it holds more than is worth reading twice.
      isArchive(file)
        ? null
        : file.size > MOST_FILE_BYTES
          ? [{ path: '', message: tooLarge(file) }]
          : // Found here, a fault is told before the file is sent. The server looks once more.
            checkShowFile(file, signal),
    );
  return { busy, part, problems, create, begin, copyDemo, importFile };
}
type NewShowKept = ReturnType<typeof useNewShow>;

/** All shows, a new one, and one from a file. */
export function HomePage({ shows }: { shows: readonly ShowSummary[] }) {
  const router = useRouter();
  const kept = useNewShow();
  const { busy, problems } = kept;
  const [over, setOver] = useState(false);
  const remove = (show: ShowSummary) =>
    modals.openConfirmModal({
      title: `Remove ${show.name}?`,
      children:
        'Its whole history goes with it, with notes and photos, and this cannot be undone. Download everything of it first to keep a copy.',
      labels: { confirm: 'Remove it for good', cancel: 'Keep it' },
      confirmProps: { color: 'red' },
      onConfirm: () => void removeShow(show.id).then(() => router.refresh()),
    });

  return (
    <main
      className={styles.page}
      data-over={over || undefined}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        if (!busy) void kept.importFile(event.dataTransfer.files[0] ?? null);
      }}
    >
      <h1 className={styles.brand}>
        <span className={styles.mark}>
          <LanternMark size={34} />
        </span>
        <div>
          Rapid <span>Lantern</span>
        </div>
      </h1>
      <p className={styles.lead}>From the first tape measure to the lit display.</p>
      {shows.length > 0 && (
        <ul className={styles.shows} aria-label="Shows">
          {shows.map((show) => (
            <ShowCard key={show.id} show={show} onRemove={() => remove(show)} />
          ))}
        </ul>
      )}
      <div className={styles.start}>
        <NewShow isFirst={shows.length === 0} kept={kept} />
        <OtherWays isBusy={busy !== null} onCopyDemo={() => void kept.copyDemo()} />
        <FromFile kept={kept} />
      </div>
      {problems && (
        <div className={styles.problems} role="alert">
          <strong>{problems.title}</strong>
          <ul>
            {problems.list.map((problem) => (
              <li key={problem.path + problem.message}>{problem.message}</li>
            ))}
          </ul>
        </div>
      )}
    </main>
  );
}

function NewShow({ isFirst, kept }: { isFirst: boolean; kept: NewShowKept }) {
  const [name, setName] = useState('');
  const { busy } = kept;
  return (
    <section className={styles.new}>
      <h2>{isFirst ? 'Your first show' : 'A new show'}</h2>
      <form
        className={styles.name}
        onSubmit={(event) => {
          event.preventDefault();
          void kept.create(name);
        }}
      >
        <TextInput
          aria-label="Name of the new show"
          placeholder="Name it after the evening or the house"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <Button type="submit" loading={busy !== null} disabled={name.trim() === ''}>
          Start the show
        </Button>
      </form>
      <h3>Or begin with an answer: what do you want to light?</h3>
      <FirstSteps disabled={busy !== null} onChoose={(step) => void kept.begin(name, step)} />
      <p className={styles.how}>
        You measure it once. Threading, ports, universes and channels follow, and every number says how it
        came about.
      </p>
    </section>
  );
}

function OtherWays({ isBusy, onCopyDemo }: { isBusy: boolean; onCopyDemo: () => void }) {
  const [asksPhones, setAsksPhones] = useState(false);
  return (
    <>
      <section className={styles.box}>
        <h2>Look around first</h2>
        <p>
          Marrow Quay lantern night, a made-up harbour evening with every kind of prop. Each copy is fresh and
          yours.
        </p>
        <Button variant="default" disabled={isBusy} onClick={onCopyDemo}>
          Open a copy of the demo
        </Button>
      </section>
      <section className={styles.box}>
        <h2>Practise finding faults</h2>
        <p>
          A small display with something hidden that is the matter: test it, mend it, and see how you did.
        </p>
        <Button variant="default" component={Link} href="/practice">
          Practise
        </Button>
      </section>
      <section className={styles.box}>
        <h2>On the phone</h2>
        <p>
          At the box and on the ladder: ports, values to tick, measurements, photos and tests, with one hand.
        </p>
        <Button variant="default" onClick={() => setAsksPhones(true)}>
          Phones
        </Button>
      </section>
      <PhonesDialog opened={asksPhones} onClose={() => setAsksPhones(false)} />
    </>
  );
}

function FromFile({ kept: { busy, part, importFile } }: { kept: NewShowKept }) {
  return (
    <section className={styles.box}>
      <h2>From a file</h2>
      <p>
        A show file or an archive that was downloaded here or on another machine becomes a show of its own; an
        archive brings its photos and its history. It can be dropped anywhere on this page.
      </p>
      <FileButton accept="application/json,.json,application/zip,.zip" onChange={importFile}>
        {(props) => (
          <Button
            {...props}
            variant="default"
            disabled={busy !== null}
            leftSection={<IconFileImport size={16} />}
          >
            Import a show file or an archive
          </Button>
        )}
      </FileButton>
      {busy && (
        <p role="status">
          Checking and sending{part === null ? '…' : `: ${Math.round(part * 100)} %`}{' '}
          <Button size="compact-sm" variant="default" onClick={() => busy.abort()}>
            Stop
          </Button>
        </p>
      )}
    </section>
  );
}
