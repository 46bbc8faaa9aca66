'use client';

import { ActionIcon, Button, FileButton, Menu, TextInput } from '@mantine/core';
import { modals } from '@mantine/modals';
import { IconDots, IconFileImport, IconTrash } from '@tabler/icons-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { MOST_FILE_BYTES } from '@/core/show/read';
import type { ShowSummary } from '@/core/show/revision';
import type { Problem } from '@/core/fields/problem';
import { emptyShow } from '@/core/show/schema';
import { checkShowFile } from '@/workers/files/checkShowFile';
import { LanternMark } from '@/ui/LanternMark';
import { Refused, importShow, removeShow } from '../show/client';
import styles from './home.module.css';

function tooLarge({ name, size }: File): string {
  const megabytes = (bytes: number) => `${Math.ceil(bytes / 1024 / 1024)} MB`;
  return `${name} has ${megabytes(size)}; a show file has at most ${megabytes(MOST_FILE_BYTES)}.`;
}

/** All shows, a new one, and one from a file. */
export function HomePage({ shows }: { shows: readonly ShowSummary[] }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [problems, setProblems] = useState<{ title: string; list: readonly Problem[] } | null>(null);
  const [busy, setBusy] = useState<AbortController | null>(null);
  const [part, setPart] = useState<number | null>(null);

  const keep = async (
    title: string,
    file: Blob | string,
    problemsOf?: (signal: AbortSignal) => Promise<readonly Problem[] | null>,
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
      router.push(`/shows/${await importShow(file, abort.signal, setPart)}/build`);
    } catch (error) {
      setBusy(null);
      if (abort.signal.aborted) return;
      const list =
        error instanceof Refused && error.problems.length > 0
          ? error.problems
          : [{ path: '', message: (error as Error).message }];
      setProblems({ title, list });
    }
  };
  const create = () => keep('This show could not be made.', JSON.stringify(emptyShow(name.trim())));
  const importFile = (file: File | null) =>
    file &&
    keep(`${file.name} was not imported; nothing is changed.`, file, async (signal) =>
      file.size > MOST_FILE_BYTES
        ? [{ path: '', message: tooLarge(file) }]
        : // Found here, a fault is told before the file is sent. The server looks once more.
          checkShowFile(file, signal),
    );
  const remove = (show: ShowSummary) =>
    modals.openConfirmModal({
      title: `Remove ${show.name}?`,
      children:
        'Its whole history goes with it, and this cannot be undone. Download its show file first to keep a copy.',
      labels: { confirm: 'Remove it for good', cancel: 'Keep it' },
      confirmProps: { color: 'red' },
      onConfirm: () => void removeShow(show.id).then(() => router.refresh()),
    });

  return (
    <main className={styles.page}>
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
            <li key={show.id} className={styles.show}>
              <Link className={styles.open} href={`/shows/${show.id}/build`}>
                {show.name}
              </Link>
              <span className={`${styles.changed} mono`}>
                rev {show.sequence} · {show.changedAt.slice(0, 16).replace('T', ' ')} UTC
              </span>
              <Menu position="bottom-end">
                <Menu.Target>
                  <ActionIcon variant="subtle" color="gray" aria-label={`More for ${show.name}`}>
                    <IconDots size={16} />
                  </ActionIcon>
                </Menu.Target>
                <Menu.Dropdown>
                  <Menu.Item component="a" href={`/api/shows/${show.id}/show.json`} download>
                    Download the show file
                  </Menu.Item>
                  <Menu.Item leftSection={<IconTrash size={15} />} onClick={() => remove(show)}>
                    Remove…
                  </Menu.Item>
                </Menu.Dropdown>
              </Menu>
            </li>
          ))}
        </ul>
      )}
      <div className={styles.start}>
        <section className={styles.box}>
          <h2>A new show</h2>
          <form
            onSubmit={(event) => {
              event.preventDefault();
              void create();
            }}
          >
            <TextInput
              aria-label="Name of the new show"
              placeholder="Name it after the evening or the house"
              value={name}
              maxLength={80}
              required
              mb="sm"
              onChange={(event) => setName(event.currentTarget.value)}
            />
            <Button type="submit" loading={busy !== null} disabled={name.trim() === ''}>
              Start the show
            </Button>
          </form>
        </section>
        <section className={styles.box}>
          <h2>From a file</h2>
          <p>A show file that was downloaded here or on another machine. It becomes a show of its own.</p>
          <FileButton accept="application/json,.json" onChange={importFile}>
            {(props) => (
              <Button
                {...props}
                variant="default"
                disabled={busy !== null}
                leftSection={<IconFileImport size={16} />}
              >
                Import a show file
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
