import { fetched } from '@/ui/fetched';
import type { StageParts } from '../sheets/stageParts';
import { chosenName } from '../view/viewWords';

const PrintSheet = fetched(async () => (await import('./PrintSheet')).PrintSheet);
const PartsSheet = fetched(async () => (await import('./PartsSheet')).PartsSheet);
const WiringSheet = fetched(async () => (await import('./WiringSheet')).WiringSheet);

export const parts: StageParts = {
  sheets: ({ plan, selection }) => {
    const of = chosenName(plan, selection);
    return {
      label: of === null ? 'Print' : `Sheets of ${of}`,
      sheets: [
        {
          id: 'sheets',
          label: of === null ? 'Sheets and labels' : `Sheets of ${of}`,
          wide: true,
          content: () => <PrintSheet plan={plan} selection={selection} />,
        },
        {
          id: 'parts',
          label: 'Parts and labour',
          wholeShow: true,
          wide: true,
          content: () => <PartsSheet plan={plan} />,
        },
        {
          id: 'wiring',
          label: 'Wiring',
          wholeShow: true,
          wide: true,
          content: () => <WiringSheet plan={plan} selection={selection} />,
        },
      ],
    };
  },
  // Everything stands in the middle, which has the room of the right side as well.
  Panel: () => null,
};
