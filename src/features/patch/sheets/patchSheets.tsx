import type { Plan } from '@/core/plan/planned';
import type { Facts } from '@/core/show/facts';
import type { Sheet } from '../../sheets/SheetFrame';
import type { Selection } from '../../view/selection';
import { PatchView } from '../PatchView';
import { fetched } from '@/ui/fetched';

const FoundSheet = fetched(async () => (await import('./FoundSheet')).FoundSheet);
const NetworkSheet = fetched(async () => (await import('./NetworkSheet')).NetworkSheet);
const PoliciesSheet = fetched(async () => (await import('./PoliciesSheet')).PoliciesSheet);
const ProposeSheet = fetched(async () => (await import('./ProposeSheet')).ProposeSheet);
const SenderSheet = fetched(async () => (await import('./SenderSheet')).SenderSheet);
const TasksSheet = fetched(async () => (await import('./TasksSheet')).TasksSheet);

/** Sheets of the patch. */
export function patchSheets(plan: Plan, selection: Selection, facts: Facts): Sheet[] {
  const open = plan.show.tasks.filter(
    (task) => !facts.isTyped(task.controllerId, task.field, task.new),
  ).length;
  return [
    { id: 'ports', label: 'Ports', content: () => <PatchView plan={plan} selection={selection} /> },
    { id: 'propose', label: 'Propose', wide: true, content: () => <ProposeSheet plan={plan} /> },
    { id: 'policies', label: 'Compare policies', wide: true, content: () => <PoliciesSheet plan={plan} /> },
    {
      id: 'values',
      label: open > 0 ? `Values to type · ${open}` : 'Values to type',
      wide: true,
      content: () => <TasksSheet plan={plan} />,
    },
    { id: 'sender', label: 'Sender', wide: true, content: () => <SenderSheet plan={plan} /> },
    { id: 'found', label: 'Compare with devices', wide: true, content: () => <FoundSheet plan={plan} /> },
    { id: 'network', label: 'Network', wide: true, content: () => <NetworkSheet plan={plan} /> },
  ];
}
