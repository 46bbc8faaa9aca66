import type { Plan } from '@/core/plan/planned';
import type { Sheet } from '../sheets/SheetFrame';
import { SitePicture } from './SitePicture';
import { fetched } from '@/ui/fetched';

const SitePlan = fetched(async () => (await import('./SitePlan')).SitePlan);

/** Sheets where no prop is chosen. */
export function siteSheets(plan: Plan): { label: string; sheets: readonly Sheet[] } {
  return {
    label: 'Views of all props',
    sheets: [
      { id: 'props', label: 'All props', content: () => <SitePicture plan={plan} /> },
      // A drawing of nothing helps nobody.
      ...(plan.show.props.length > 0
        ? [
            {
              id: 'site',
              label: 'Site drawing and leads',
              wide: true,
              content: () => <SitePlan plan={plan} />,
            },
          ]
        : []),
    ],
  };
}
