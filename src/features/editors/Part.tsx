'use client';

import { ActionIcon, Group, Tooltip } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { Stack } from '@/ui/Panel';
import styles from './parts.module.css';

interface PartProps {
  /** `Leg 2`: what it is called, also by those who hear it. */
  title: string;
  /** Result of its fields, beside the title. */
  aside?: ReactNode;
  /** Absent where it is the only one. */
  onRemove?: (() => void) | undefined;
  children: ReactNode;
}

/** One of the parts that a prop is measured in: a leg, a ring, a range. */
export function Part({ title, aside, onRemove, children }: PartProps) {
  return (
    <div className={styles.part} role="group" aria-label={title}>
      <div className={styles.head}>
        <span>{title}</span>
        <Group gap={8}>
          {aside && <span className={`${styles.aside} mono`}>{aside}</span>}
          {onRemove && (
            <Tooltip label={`Remove ${title.toLowerCase()}`}>
              <ActionIcon
                size="sm"
                variant="subtle"
                color="gray"
                aria-label={`Remove ${title.toLowerCase()}`}
                onClick={onRemove}
              >
                <IconTrash size={14} />
              </ActionIcon>
            </Tooltip>
          )}
        </Group>
      </div>
      <Stack>{children}</Stack>
    </div>
  );
}
