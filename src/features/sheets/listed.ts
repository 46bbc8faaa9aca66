import { SHEET_GROUPS, type Sheet, type SheetGroup } from '@/core/pages/sheet';
import { sheetsOf } from '@/core/papers/sheets';
import type { Plan } from '@/core/plan/planned';
import { controllersOfProp } from '@/core/plan/planIndex';
import type { Facts } from '@/core/show/facts';
import type { Selection } from '../view/selection';
import { propAt, controllerAt } from '@/core/plan/records';

export const SHEET_GROUP_WORDS: Record<SheetGroup, string> = {
  build: 'Build',
  thread: 'Route',
  patch: 'Patch',
  feed: 'Power',
  prove: 'Test',
  buy: 'Buy',
  labels: 'Labels',
};

/** Every sheet of a show, as it is asked for from this page. */
export function listedSheets(plan: Plan, facts: Facts, showId: string): Sheet[] {
  return sheetsOf(plan, facts, { origin: window.location.origin, showId });
}

/** Those that belong to what is chosen: of a prop its own and its devices', of nothing the show's and every device's. */
export function sheetsChosen(plan: Plan, sheets: readonly Sheet[], { prop, controller }: Selection): Sheet[] {
  if (controller !== undefined) {
    const { id } = controllerAt(plan, controller);
    return sheets.filter(({ about }) => about.kind === 'controller' && about.controllerId === id);
  }
  if (prop !== undefined) {
    const { id } = propAt(plan, prop);
    const devices = new Set([...controllersOfProp(plan, prop)].map((index) => controllerAt(plan, index).id));
    return sheets.filter(
      ({ about, isPaper }) =>
        (about.kind === 'prop' && about.propId === id) ||
        (about.kind === 'controller' && isPaper && devices.has(about.controllerId)),
    );
  }
  return sheets.filter(
    ({ about, isPaper }) => about.kind === 'show' || (about.kind === 'controller' && isPaper),
  );
}

/** By group, in the order of the work; what is a paper before what is a table for other programs. */
export function inGroups(sheets: readonly Sheet[]): { group: SheetGroup; sheets: Sheet[] }[] {
  return SHEET_GROUPS.map((group) => {
    const own = sheets.filter((sheet) => sheet.group === group);
    return {
      group,
      sheets: [...own.filter(({ isPaper }) => isPaper), ...own.filter(({ isPaper }) => !isPaper)],
    };
  }).filter((each) => each.sheets.length > 0);
}
