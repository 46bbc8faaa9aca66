import type { Plan } from '@/core/plan/planned';
import { explainTotals } from '@/core/plan/explainTotals';
import { totalsOf } from '@/core/reports/totals';
import { groupDigits } from '@/core/units/number';
import { Facts } from '@/ui/Facts';
import { Section } from '@/ui/Panel';

/** Totals of everything. */
export function ShowTotals({ plan }: { plan: Plan }) {
  const totals = totalsOf(plan);
  const explained = explainTotals(plan);
  return (
    <Section title="The whole show">
      <Facts
        facts={[
          { name: 'Props', value: groupDigits(plan.props.length) },
          { name: 'Pixels', value: groupDigits(totals.pixels), why: explained.pixels },
          { name: 'Channels lit', value: groupDigits(totals.channels), why: explained.channels },
          {
            name: 'Show channels',
            value: groupDigits(totals.lastShowChannel),
            why: explained.lastShowChannel,
            note: 'gaps counted',
          },
          { name: 'Universes', value: groupDigits(totals.universes), address: true },
          {
            name: 'Runs on ports',
            value: `${groupDigits(totals.runsOnPorts)} of ${groupDigits(totals.runs)}`,
          },
          { name: 'Ports in use', value: groupDigits(totals.ports) },
        ]}
      />
    </Section>
  );
}
