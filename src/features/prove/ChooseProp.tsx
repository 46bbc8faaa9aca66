import type { Plan } from '@/core/plan/planned';
import sheets from '../sheets/sheets.module.css';

/** What there is to do first. */
export function ChooseProp({ plan }: { plan: Plan }) {
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Work from the port outwards, one question at a time: power, reach, count, colour order, place and
        turn, packing, and only then what moves. Each test is blind to something, and says to what.
      </p>
      <p className={sheets.empty}>
        {plan.show.props.length === 0
          ? 'Nothing to test yet. Build a prop first.'
          : 'Choose a prop on the left. Its tests are shown as the plan has them, beside what they would show with anything that is the matter; no packet is sent.'}
      </p>
    </div>
  );
}
