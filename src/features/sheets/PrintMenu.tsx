import { ActionIcon, Menu, Tooltip } from '@mantine/core';
import { IconPrinter } from '@tabler/icons-react';
import { useState } from 'react';
import { fetched, Fetched } from '@/ui/fetched';
import styles from './printMenu.module.css';

const PrintItems = fetched(async () => (await import('./PrintItems')).PrintItems);

/** Papers of the selection, on every sheet. The list is fetched when it is first opened. */
export function PrintMenu() {
  const [opened, setOpened] = useState(false);
  return (
    <Menu opened={opened} onChange={setOpened} position="bottom-end" width={320} keepMounted={false}>
      <Menu.Target>
        <Tooltip label="Print">
          <ActionIcon variant="subtle" color="gray" aria-label="Print">
            <IconPrinter size={17} />
          </ActionIcon>
        </Tooltip>
      </Menu.Target>
      <Menu.Dropdown className={styles.menu}>
        <Fetched>{opened && <PrintItems />}</Fetched>
      </Menu.Dropdown>
    </Menu>
  );
}
