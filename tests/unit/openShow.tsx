import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { findingsOf } from '@/core/checks/registry';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import type { ShowClient } from '@/features/show/client';
import { OpenedShowProvider } from '@/features/show/ShowProvider';
import { createShowStore } from '@/features/show/store';
import { theme } from '@/ui/theme/theme';
import { plannerHere } from './plannerHere';
import { SmallServer } from './smallServer';

/** Opens a show for a part of the interface, without a server: every change is answered and planned at once. */
export function openShow(show: Show, part: ReactNode, change?: Partial<ShowClient>) {
  const server = new SmallServer(show);
  const client: ShowClient = {
    open: server.open,
    since: server.since,
    change: (id, changeId, base, made) => server.change(id, changeId, base, made),
    note: (id, facts) => server.note(id, facts),
    keepPhoto: server.keepPhoto,
    ...change,
  };
  const store = createShowStore(server.opened(), {
    client,
    notify: () => {},
    window: 'here',
    retryAfterMs: 1,
  });
  const planNow = () => {
    const { show: latest, facts } = store.getState();
    const plan = planShow(latest);
    store.setState({ plan, findings: findingsOf(plan, facts) });
  };
  planNow();
  store.subscribe((now, before) => {
    if (now.show !== before.show || now.facts !== before.facts) planNow();
  });
  const opened = { store, planner: plannerHere() };
  const around = (inner: ReactNode) => (
    <MantineProvider theme={theme} env="test">
      <OpenedShowProvider value={opened}>{inner}</OpenedShowProvider>
      <Notifications />
    </MantineProvider>
  );
  const { rerender } = render(around(part));
  return { ...opened, again: (inner: ReactNode) => rerender(around(inner)) };
}
