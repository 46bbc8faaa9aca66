'use client';

import { ActionIcon, Button, Kbd, Menu, Tooltip, useMantineColorScheme } from '@mantine/core';
import type { ReactNode } from 'react';
import {
  IconArrowBackUp,
  IconArrowForwardUp,
  IconChevronDown,
  IconDownload,
  IconHelp,
  IconMoon,
  IconSearch,
  IconSun,
} from '@tabler/icons-react';
import Link from 'next/link';
import { useHandOut } from '@/ui/handingOut';
import { LanternMark } from '@/ui/LanternMark';
import { SAVING_WORDS } from '../show/savingWords';
import { useEdit, useShow, useShowStore } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';
import { useDialog } from '../view/openDialog';
import { openSearch } from './openSearch';
import styles from './shell.module.css';

/** The product, the show, the one field that finds everything, what is saved, undo and redo. */
export function TopBar() {
  const id = useShow((state) => state.id);
  const sequence = useShow((state) => state.sequence);
  const undoLabel = useShow((state) => state.steps.undo[0]?.label ?? null);
  const redoLabel = useShow((state) => state.steps.redo[0]?.label ?? null);
  const trouble = useShow((state) => state.trouble);
  const name = useShow((state) => state.show.name);
  const saving = useShow((state) => state.saving);
  const waiting = useShow((state) => state.waiting.length);
  const lengths = useShow((state) => state.show.lengths ?? 'metric');
  const edit = useEdit();
  const { undo, redo } = useShowStore().getState();
  const { show } = useDialog();
  const { toggleColorScheme } = useMantineColorScheme();

  return (
    <header className={styles.top}>
      <Link href="/" className={styles.brand} aria-label="Rapid Lantern: all shows">
        <span className={styles.mark}>
          <LanternMark />
        </span>
        <strong>
          Rapid <span>Lantern</span>
        </strong>
      </Link>
      <Menu position="bottom-start">
        <Menu.Target>
          <Button
            variant="default"
            size="compact-sm"
            className={styles.showName}
            title={name}
            rightSection={<IconChevronDown size={14} />}
          >
            {name}
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={() => show('rename')}>Rename this show…</Menu.Item>
          <Menu.Item
            onClick={() =>
              edit({ type: 'setLengths', lengths: lengths === 'imperial' ? 'metric' : 'imperial' })
            }
          >
            {lengths === 'imperial' ? 'Lengths in metres' : 'Lengths in feet and inches'}
          </Menu.Item>
          <Menu.Item component={Link} href={`/phone/${id}`}>
            Phone pages
          </Menu.Item>
          <Menu.Item onClick={() => show('phones')}>Phones: let one in, send one away…</Menu.Item>
          <Menu.Item component={Link} href="/">
            All shows
          </Menu.Item>
          <Menu.Divider className={styles.narrowOnly} />
          <FileItems id={id} className={styles.narrowOnly} />
          <Menu.Divider className={styles.narrowOnly} />
          <Menu.Item className={styles.narrowOnly} onClick={() => toggleColorScheme()}>
            Change between dark and light
          </Menu.Item>
          <Menu.Item className={styles.narrowOnly} onClick={() => show('keys')}>
            Keys
          </Menu.Item>
        </Menu.Dropdown>
      </Menu>
      <div className={styles.spacer} />
      <button type="button" className={styles.search} onClick={openSearch}>
        <IconSearch size={15} />
        <span>Find a prop, pixel, channel or port</span>
        <Kbd size="xs" aria-hidden>
          Ctrl K
        </Kbd>
      </button>
      <Planning />
      <span className={styles.saved} data-state={saving} data-testid="saving" role="status">
        rev {sequence} ·{' '}
        {saving === 'unreachable' && trouble !== null ? `not saved: ${trouble}` : SAVING_WORDS[saving]}
      </span>
      <ActionIcon.Group className={styles.steps}>
        <Tooltip label={undoLabel ? `Undo: ${undoLabel} (Ctrl Z)` : 'Nothing to undo'}>
          <ActionIcon
            variant="default"
            aria-label="Undo"
            aria-disabled={undoLabel === null && waiting === 0}
            data-disabled={(undoLabel === null && waiting === 0) || undefined}
            onClick={undo}
          >
            <IconArrowBackUp size={16} />
          </ActionIcon>
        </Tooltip>
        <Tooltip label={redoLabel ? `Redo: ${redoLabel} (Ctrl Shift Z)` : 'Nothing to redo'}>
          <ActionIcon
            variant="default"
            aria-label="Redo"
            aria-disabled={redoLabel === null}
            data-disabled={redoLabel === null || undefined}
            onClick={redo}
          >
            <IconArrowForwardUp size={16} />
          </ActionIcon>
        </Tooltip>
      </ActionIcon.Group>
      <WideOnly>
        <FilesMenu id={id} />
        <SchemeSwitch />
        <Tooltip label="Keys (?)">
          <ActionIcon variant="default" aria-label="Keys" onClick={() => show('keys')}>
            <IconHelp size={16} />
          </ActionIcon>
        </Tooltip>
      </WideOnly>
    </header>
  );
}

/** Seen only when planning takes long enough to be noticed. */
function Planning() {
  const planning = useShow((state) => state.planning);
  if (planning === null) return null;
  return (
    <span
      className={styles.planning}
      role="progressbar"
      aria-label="Planning"
      aria-valuenow={Math.round(planning * 100)}
    >
      planning {Math.round(planning * 100)} %
    </span>
  );
}

/** Commands in the menu of the show where the screen has no room for them. */
function WideOnly({ children }: { children: ReactNode }) {
  return <div className={`${styles.tools} ${styles.wideOnly}`}>{children}</div>;
}

function FileItems({ id, className }: { id: string; className?: string }) {
  const handOut = useHandOut();
  const goTo = useGoTo();
  const file = (name: string, what?: string) => ({
    onClick: () => what && handOut('downloaded', what),
    component: 'a' as const,
    href: `/api/shows/${id}/${name}`,
    download: true,
    className,
  });
  return (
    <>
      <Menu.Item {...file('channel-map.csv', 'Channel map')}>Channel map, one line a pixel (CSV)</Menu.Item>
      <Menu.Item {...file('spans.csv', 'Spans')}>Channel map, one line a span (CSV)</Menu.Item>
      <Menu.Item className={className} onClick={() => goTo({ stage: 'print' })}>
        Every other sheet (PDF, SVG, CSV, JSON)…
      </Menu.Item>
      <Menu.Item {...file('show.json')}>The show file (JSON)</Menu.Item>
      <Menu.Item {...file('archive.zip')}>Everything, with photos and history (zip)</Menu.Item>
    </>
  );
}

function FilesMenu({ id }: { id: string }) {
  return (
    <Menu position="bottom-end" width={300}>
      <Menu.Target>
        <Tooltip label="Files">
          <ActionIcon variant="default" aria-label="Files">
            <IconDownload size={16} />
          </ActionIcon>
        </Tooltip>
      </Menu.Target>
      <Menu.Dropdown>
        <FileItems id={id} />
      </Menu.Dropdown>
    </Menu>
  );
}

/** Two buttons of which the style sheet shows one: the server does not know the theme, so it must not choose. */
function SchemeSwitch() {
  const { setColorScheme } = useMantineColorScheme();
  return (
    <>
      <Tooltip label="Light theme, for daylight">
        <ActionIcon
          variant="default"
          aria-label="Light theme"
          lightHidden
          onClick={() => setColorScheme('light')}
        >
          <IconSun size={16} />
        </ActionIcon>
      </Tooltip>
      <Tooltip label="Dark theme">
        <ActionIcon
          variant="default"
          aria-label="Dark theme"
          darkHidden
          onClick={() => setColorScheme('dark')}
        >
          <IconMoon size={16} />
        </ActionIcon>
      </Tooltip>
    </>
  );
}
