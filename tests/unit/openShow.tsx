import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { findingsOf } from '@/core/checks/registry';
import { planShow } from '@/core/plan/plan';
import { applyEdit, labelOf } from '@/core/show/edits/registry';
import type { Revision } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import type { ShowClient } from '@/features/show/client';
import { ShowStoreProvider } from '@/features/show/ShowProvider';
import { createShowStore } from '@/features/show/store';

/** Opens a show for a part of the interface, without a server: every change is answered and planned at once. */
export function openShow(show: Show, part: ReactNode, change?: Partial<ShowClient>) {
  const earlier: Show[] = [];
  let revision: Revision = { id: 'quay', sequence: 0, show, undoLabel: null, redoLabel: null };
  const client: ShowClient = {
    change: (_id, _base, made) => {
      const next =
        made.kind === 'edit'
          ? { show: applyEdit(revision.show, made.edit), undoLabel: labelOf(revision.show, made.edit) }
          : { show: earlier.pop()!, undoLabel: null };
      if (made.kind === 'edit') earlier.push(revision.show);
      revision = { ...revision, ...next, sequence: revision.sequence + 1 };
      const { show: _, ...confirmation } = revision;
      return Promise.resolve(made.kind === 'edit' ? confirmation : revision);
    },
    get: () => Promise.resolve(revision),
    ...change,
  };
  const store = createShowStore(revision, { client, notify: () => {}, retryAfterMs: 1 });
  const planNow = () => {
    const plan = planShow(store.getState().show);
    store.setState({ plan, findings: findingsOf(plan) });
  };
  planNow();
  store.subscribe((now, before) => {
    if (now.show !== before.show) planNow();
  });
  const around = (inner: ReactNode) => (
    <MantineProvider env="test">
      <ShowStoreProvider value={store}>{inner}</ShowStoreProvider>
      <Notifications />
    </MantineProvider>
  );
  const { rerender } = render(around(part));
  return { store, again: (inner: ReactNode) => rerender(around(inner)) };
}
