import type { Lengths } from '../units/length';
import type { Plan } from '../plan/planned';
import type { Facts } from '../show/facts';
import type { Sheet, SheetsAsked } from '../pages/sheet';
import { deviceSheets } from './sheets/deviceSheets';
import { feedSheets } from './sheets/feedSheets';
import { labelSheets } from './sheets/labelSheets';
import { logSheets } from './sheets/logSheets';
import { propSheets } from './sheets/propSheets';
import { proveSheets } from './sheets/proveSheets';
import { showSheets } from './sheets/showSheets';
import { cellValue, fileRows, type Table } from '../pages/table';
import { itemAt } from '../units/there';

/** Everything that a show says on sheets, in the order in which work needs them. None is made before it is asked for. */
export function sheetsOf(plan: Plan, facts: Facts, asked: SheetsAsked): Sheet[] {
  const sheets = [
    ...showSheets(plan, facts),
    ...feedSheets(plan, facts),
    ...plan.show.props.flatMap((_, index) => [
      ...propSheets(plan, index),
      ...proveSheets(plan, facts, index),
    ]),
    ...plan.show.controllers.flatMap((_, index) => deviceSheets(plan, facts, index)),
    ...labelSheets(plan, asked),
    ...logSheets(plan, facts),
  ];
  return sheets.map((sheet) => ({ ...sheet, lengths: plan.show.lengths }));
}

/** The tables of a sheet: its own, or those that stand on it. */
export function tablesOf(sheet: Sheet): Table<never>[] {
  return sheet.table
    ? [sheet.table()]
    : sheet.blocks().flatMap((block) => (block.is === 'table' ? [block.table] : []));
}

/** A sheet row by row as it goes into a file. Several tables follow one another, each below its name. */
export function sheetRows(sheet: Sheet): (string | number)[][] {
  const tables = tablesOf(sheet);
  if (tables.length === 1) return [...fileRows(itemAt(tables, 0), sheet.lengths)];
  return tables.flatMap((table, i) => [
    ...(i > 0 ? [['']] : []),
    [table.name],
    ...fileRows(table, sheet.lengths),
  ]);
}

/** A sheet as other programs read it: its one table, or all of its tables under their names. */
export function sheetAsJson(sheet: Sheet) {
  const tables = tablesOf(sheet);
  const { id, name } = sheet;
  return sheet.table
    ? { id, name, ...tableAsJson(itemAt(tables, 0), sheet.lengths) }
    : {
        id,
        name,
        tables: tables.map((table) => ({ name: table.name, ...tableAsJson(table, sheet.lengths) })),
      };
}

/** A table as other programs read it: its columns with what they mean, and each row by the ids of the columns. */
export function tableAsJson<Row>({ columns, rows }: Table<Row>, lengths: Lengths) {
  return {
    columns: columns.map(({ id, head, unit, meaning }) => ({ id, head, unit: unit ?? null, meaning })),
    rows: rows.map((row, index) =>
      Object.fromEntries(
        columns.map((column) => {
          const cell = column.of(row, index);
          return [column.id, cell === null ? null : cellValue(cell, lengths)];
        }),
      ),
    ),
  };
}
