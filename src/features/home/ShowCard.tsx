import { ActionIcon, Menu } from '@mantine/core';
import { IconDots, IconTrash } from '@tabler/icons-react';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { Glance } from '@/core/reports/glance';
import type { StandingState } from '@/core/reports/standing';
import type { ShowSummary } from '@/core/show/revision';
import { askGlance } from './glances';
import styles from './home.module.css';

/** A show with a small picture and where it stands; these come a moment later, as the show has to be planned for them. */
export function ShowCard({ show, onRemove }: { show: ShowSummary; onRemove: () => void }) {
  const glance = useGlance(show);
  return (
    <li className={styles.show}>
      <Link className={styles.open} href={`/shows/${show.id}/build`}>
        <Pictures pictures={glance?.pictures ?? []} />
        <span className={styles.showName}>{show.name}</span>
        {glance && (
          <span className={styles.stages}>
            {glance.standing.map(({ stage, label, state, words }) => (
              <span key={stage} data-state={state} title={`${label}: ${STATE_WORDS[state]}, ${words}`}>
                <i aria-hidden>{STATE_SIGNS[state]}</i> {label}
                <span className={styles.unseen}>
                  : {STATE_WORDS[state]}, {words}.{' '}
                </span>
              </span>
            ))}
          </span>
        )}
        {glance && (
          <span className={styles.standing}>
            {glance.words}
            <br />
            <b>{glance.next}</b>
          </span>
        )}
      </Link>
      <div className={styles.foot}>
        <span className={`${styles.changed} mono`}>
          rev {show.sequence} · {show.changedAt.slice(0, 16).replace('T', ' ')} UTC
        </span>
        <Link className={styles.phone} href={`/phone/${show.id}`} aria-label={`${show.name} on the phone`}>
          Phone
        </Link>
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon variant="subtle" color="gray" aria-label={`More for ${show.name}`}>
              <IconDots size={16} />
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item component="a" href={`/api/shows/${show.id}/archive.zip`} download>
              Download everything, with photos and history (zip)
            </Menu.Item>
            <Menu.Item component="a" href={`/api/shows/${show.id}/show.json`} download>
              Download the show file (JSON)
            </Menu.Item>
            <Menu.Item leftSection={<IconTrash size={15} />} onClick={onRemove}>
              Remove…
            </Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </div>
    </li>
  );
}

const STATE_WORDS: Record<StandingState, string> = {
  done: 'done',
  open: 'open',
  again: 'to be done again',
};
const STATE_SIGNS: Record<StandingState, string> = { done: '●', open: '○', again: '↻' };

function useGlance({ id, sequence }: ShowSummary): Glance | null {
  const [glance, setGlance] = useState<Glance | null>(null);
  useEffect(() => {
    const leave = new AbortController();
    void askGlance(id, leave.signal).then((found) => leave.signal.aborted || setGlance(found));
    return () => leave.abort();
  }, [id, sequence]);
  return glance;
}

const SIZE = 100;

function Pictures({ pictures }: { pictures: readonly (readonly number[])[] }) {
  return (
    <span className={styles.pictures} aria-hidden>
      {pictures.map((places, i) => (
        <svg key={i} viewBox={`0 0 ${SIZE} ${SIZE}`}>
          {places
            .filter((_, k) => k % 2 === 0)
            .map((x, k) => (
              <circle key={k} cx={x} cy={places[2 * k + 1]} r={1.9} fill={`var(--run-${(i % 6) + 1})`} />
            ))}
        </svg>
      ))}
    </span>
  );
}
