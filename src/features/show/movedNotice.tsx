import { Button, Group } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import type { Moved } from '@/core/devices/foresight';
import type { Plan } from '@/core/plan/planned';
import type { Edit } from '@/core/show/edits/registry';
import { countOf } from '@/core/units/number';
import type { ShowStore } from './showState';

const NOTICE = 'rapid-lantern-moved';
const MOST_NAMED = 3;

/** For each store the plan before the edits whose plan is not there yet, and the props that they are about. */
const awaited = new WeakMap<ShowStore, { before: Plan; own: Set<string> }>();

/** Says, once an edit is planned, which runs of other props it moved, and offers to undo it. To be called before the edit is made. */
export function tellWhatMoves(store: ShowStore, edit: Edit): void {
  const own = propsOf(edit);
  const waiting = awaited.get(store);
  if (waiting) {
    own.forEach((id) => waiting.own.add(id));
    return;
  }
  const before = store.getState().plan;
  if (!before) return;
  const mine = { before, own: new Set(own) };
  awaited.set(store, mine);
  const stop = store.subscribe(({ plan, show }) => {
    if (!plan || plan === before || plan.show !== show) return;
    stop();
    awaited.delete(store);
    void tell(store, before, plan, mine.own);
  });
}

/** The code that compares plans is fetched when there is something to compare. */
async function tell(store: ShowStore, before: Plan, after: Plan, own: ReadonlySet<string>): Promise<void> {
  const { comparePlans } = await import('@/core/devices/foresight');
  const moved = comparePlans(before, after).moved.filter(
    (each) => each.old !== null && each.new !== null && !own.has(each.propId),
  );
  if (moved.length > 0) showNotice(store, moved);
}

function propsOf(edit: Edit): string[] {
  const edits = edit.type === 'batch' ? edit.edits : [edit];
  return edits.flatMap((each) => ('propId' in each ? [each.propId] : []));
}

function showNotice(store: ShowStore, moved: readonly Moved[]): void {
  const names = moved.slice(0, MOST_NAMED).map(({ name, old, new: to }) => `${name}: ${old} is now ${to}`);
  const more = moved.length - names.length;
  notifications.hide(NOTICE);
  notifications.show({
    id: NOTICE,
    autoClose: 12_000,
    title: `This moved ${countOf(moved.length, 'run')} besides`,
    message: (
      <div data-testid="moved-notice">
        {names.map((words) => (
          <div key={words}>{words}</div>
        ))}
        {more > 0 && <div>and {countOf(more, 'more run')}</div>}
        <Group mt={6} gap={8}>
          <Button
            size="compact-sm"
            variant="default"
            onClick={() => {
              notifications.hide(NOTICE);
              store.getState().undo();
            }}
          >
            Take it back
          </Button>
          <Button
            size="compact-sm"
            variant="default"
            onClick={() => {
              notifications.hide(NOTICE);
              store.getState().edit({ type: 'setAddressing', change: { askBeforeMoving: true } });
            }}
          >
            Ask before, from now on
          </Button>
        </Group>
      </div>
    ),
  });
}
