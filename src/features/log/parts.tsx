import { fetched } from '@/ui/fetched';
import type { StageParts } from '../sheets/stageParts';
import { chosenName } from '../view/viewWords';

const TimelineSheet = fetched(async () => (await import('./TimelineSheet')).TimelineSheet);
const HistorySheet = fetched(async () => (await import('./HistorySheet')).HistorySheet);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const of = chosenName(plan, selection);
    return {
      label: of === null ? 'Log' : `Log of ${of}`,
      sheets: [
        {
          id: 'timeline',
          label: of === null ? 'What was noted' : `What was noted of ${of}`,
          wide: true,
          content: () => <TimelineSheet key={of ?? ''} plan={plan} selection={selection} />,
        },
        {
          id: 'history',
          label: 'History and revisions',
          wide: true,
          wholeShow: true,
          content: () => <HistorySheet />,
        },
      ],
    };
  },
  Panel: () => null,
};
