import type { PaperSize } from '@/core/catalogue/paper';
import { linkOf } from '@/core/papers/links';
import { markedSheets, markOf } from '@/core/papers/mark';
import { drawingSvg, svgElements, svgFile } from '@/core/pages/svg';
import { pagesOf } from '@/core/pages/pages';
import type { PrintJob } from '@/core/pages/print';
import { SHEET_GROUPS, type Sheet, type SheetGroup, type SheetsAsked } from '@/core/pages/sheet';
import { sheetsOf } from '@/core/papers/sheets';
import type { Plan } from '@/core/plan/planned';
import { controllersOfProp } from '@/core/plan/planIndex';
import type { Facts } from '@/core/show/facts';
import { ShowError } from '@/core/fields/problem';
import { NoSuchSheet } from '../showErrors';
import { codeOf } from './code';
import { measureOnly } from './fonts';
import { itemAt } from '@/core/units/there';

/** The part of a show for a binder: everything where nothing is named. */
export interface BinderOf {
  propId?: string;
  controllerId?: string;
  placeId?: string;
  group?: string;
}

/** Options of a print. Absent ones are as the show has them. */
export interface PrintAsked extends SheetsAsked {
  size?: PaperSize;
  explains?: boolean;
  /** ISO 8601. */
  printedAt: string;
}

const BINDER = 'binder';

/** The print of one sheet, or of a binder. @throws NoSuchSheet */
export function printJob(
  plan: Plan,
  facts: Facts,
  revision: number,
  sheetId: string,
  of: BinderOf,
  asked: PrintAsked,
): PrintJob {
  const { show } = plan;
  const all = sheetsOf(plan, facts, asked);
  const sheets = sheetId === BINDER ? all.filter(inBinder(plan, of)) : all.filter(({ id }) => id === sheetId);
  if (sheets.length === 0) {
    if (sheetId === BINDER) throw new ShowError('There is nothing to print of that yet.');
    throw new NoSuchSheet(sheetId);
  }
  // Made when the first sheet is marked: a binder marks all of them.
  let marked: ReadonlyMap<string, Sheet> | null = null;
  const day = new Date(asked.printedAt).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  });
  return {
    show: show.name,
    name: sheetId === BINDER ? binderName(plan, of) : itemAt(sheets, 0).name,
    sheets,
    size: asked.size ?? show.papers?.size ?? 'a4',
    explains: asked.explains ?? show.papers?.explains ?? false,
    state: `rev ${revision} · ${day}`,
    markOf: (sheet) => {
      const own = (marked ??= markedSheets(plan, asked)).get(sheet.id);
      // A sheet that is there only because of facts, such as differences, has none.
      if (!own) return null;
      const mark = markOf(own, revision);
      return { mark, link: linkOf(show, asked, `mark=${mark}`) };
    },
  };
}

function binderName({ show }: Plan, { propId, controllerId, placeId, group }: BinderOf): string {
  const nameOf = (list: readonly { id: string; name: string }[], id: string | undefined) =>
    list.find((each) => each.id === id)?.name;
  return (
    nameOf(show.props, propId) ??
    nameOf(show.controllers, controllerId) ??
    nameOf(show.places, placeId) ??
    (group ? `Binder, ${group}` : 'Binder')
  );
}

/** @throws ShowError for a thing that is not there */
function inBinder(plan: Plan, of: BinderOf): (sheet: Sheet) => boolean {
  const { show } = plan;
  const need = (list: readonly { id: string }[], id: string, word: string) => {
    if (!list.some((each) => each.id === id))
      throw new ShowError(`There is no ${word} with the id “${id.slice(0, 60)}”.`);
  };
  if (of.propId !== undefined) {
    const { propId } = of;
    need(show.props, propId, 'prop');
    return ({ isPaper, about }) => isPaper && about.kind === 'prop' && about.propId === propId;
  }
  if (of.controllerId !== undefined) {
    const { controllerId } = of;
    need(show.controllers, controllerId, 'controller');
    return ({ isPaper, about }) =>
      isPaper && about.kind === 'controller' && about.controllerId === controllerId;
  }
  if (of.placeId !== undefined) {
    const { placeId } = of;
    need(show.places, placeId, 'place');
    const there = show.props.flatMap((prop, index) => (prop.placeId === placeId ? [index] : []));
    const props = new Set(there.map((index) => itemAt(show.props, index).id));
    const devices = new Set(
      there.flatMap((index) =>
        [...controllersOfProp(plan, index)].map((device) => itemAt(show.controllers, device).id),
      ),
    );
    return ({ isPaper, about }) =>
      isPaper &&
      ((about.kind === 'prop' && props.has(about.propId)) ||
        (about.kind === 'controller' && devices.has(about.controllerId)));
  }
  if (of.group !== undefined) {
    const group = of.group as SheetGroup;
    if (!SHEET_GROUPS.includes(group))
      throw new ShowError(
        `“${of.group.slice(0, 60)}” is no group of sheets; there are ${SHEET_GROUPS.join(', ')}.`,
      );
    return (sheet) => sheet.isPaper && sheet.group === group;
  }
  return ({ isPaper }) => isPaper;
}

/** Width and most height of a drawing that is a file of its own, in points. */
const DRAWING_PT = { width: 800, height: 1000 };

/** The drawing of a sheet, or its first page where it has none. @throws NoSuchSheet */
export function sheetSvg(plan: Plan, facts: Facts, sheetId: string, asked: PrintAsked): string {
  const sheet = sheetsOf(plan, facts, asked).find(({ id }) => id === sheetId);
  if (!sheet) throw new NoSuchSheet(sheetId);
  const measure = measureOnly();
  const drawn = sheet.blocks().find((block) => block.is === 'drawing');
  if (drawn)
    return drawingSvg(drawn.drawing, DRAWING_PT.width, DRAWING_PT.height, measure, plan.show.lengths);
  const size = asked.size ?? plan.show.papers?.size ?? 'a4';
  const [page] = pagesOf(sheet, { size, measure, explains: false });
  const { room, inks } = page!;
  return svgFile(room.widthPt, room.heightPt, sheet.name, svgElements(inks, codeOf));
}
