import fc from 'fast-check';
import { tries } from '../../../../tests/unit/tries';
import { threadedOf } from '../../plan/threadedOf';
import { anyShow } from '../../../../tests/unit/shows';
import { comparePolicies } from '../../answers/comparePolicies';
import { compareSchemes } from '../../answers/compareThreading';
import { leadsOf } from '../../answers/site';
import { piecesOf } from '../../answers/stockPieces';
import { USUAL_STRINGS, USUAL_STRIP, planStock } from '../../catalogue/stock';
import { compareChains } from '../../panels/compareChains';
import { pictureTotals } from '../../panels/pictureMap';
import { deviceSettings } from '../../devices/deviceSettings';
import { planShow } from '../../plan/plan';
import type { PropOf } from '../../props/registry';
import { setOut } from '../../props/settingOut';
import { cellsOfWall } from '../../props/wall';
import { signalOf } from '../../catalogue/signal';
import type { Show } from '../../show/schema';
import { buildSheet, buildSheetTable } from '../buildSheet';
import { cellValue, cellWords, fileRows, type Table } from '../../pages/table';
import { wallSheet } from '../wallSheet';
import { deviceValuesTable, movedTable, numberingsTable, portSettingsTable, valuesTable } from './addresses';
import { sentTable } from './sent';
import { allSent } from '../../devices/sent';
import { leadsTable } from './leads';
import { addressBook } from './network';
import { policiesTable } from './policies';
import { controllersTable, proposedTable } from './ports';
import { rangesTable } from './ranges';
import { rolesTable } from './roles';
import { settingOutTable } from './settingOut';
import { cutList } from './stock';
import { schemesTable } from './threading';
import { chainSchemesTable, packingsTable, wallValuesTable } from './walls';

/** Every table that can be made of a show. */
function tablesOf(show: Show): Table<never>[] {
  const plan = planShow(show);
  const tables: Table<never>[] = [];
  const add = <Row>(table: Table<Row>) => tables.push(table as unknown as Table<never>);
  add(leadsTable(plan, leadsOf(plan)));
  add(controllersTable(plan));
  add(addressBook(plan, 20));
  add(policiesTable(comparePolicies(show, 20), 20));
  add(
    proposedTable(
      plan,
      plan.runs.map((_, run) => ({ run, words: `run ${run}`, to: 'A1', behind: null, cableMm: null })),
    ),
  );
  add(movedTable([{ propId: 'p', name: 'Rail', run: 1, old: null, new: 'U1 ch 1 – U1 ch 30' }]));
  add(
    valuesTable(plan, [
      { controllerId: 'c0', field: 'universes', port: '', what: 'number of universes', old: '1', new: '2' },
    ]),
  );
  show.controllers.forEach((controller, index) => {
    add(portSettingsTable(controller, deviceSettings(plan, index).ports));
    add(deviceValuesTable(show, controller, deviceSettings(plan, index)));
  });
  add(sentTable(plan, allSent(plan)));
  plan.runs.forEach((_, run) => add(numberingsTable(plan, run)));
  show.props.forEach((prop, index) => {
    add(buildSheetTable(prop.name, 'seen from the front', buildSheet(plan, index, 'front')));
    add(rangesTable(prop.ranges ?? [{ name: 'all of it', firstPixel: 1, pixelCount: 3 }]));
    const limits = {
      signal: signalOf({ chip: 'WS2811' }),
      channelsPerPixel: 3,
      mostPixelsPerPort: 300,
      wantedRateHz: 20,
      reachMm: 2000,
    };
    add(schemesTable(prop.name, compareSchemes(prop, limits), undefined));
    const { firstPixel, pixelCount } = plan.props[index]!;
    for (const stock of [USUAL_STRINGS, USUAL_STRIP]) {
      const pieces = piecesOf(prop, threadedOf(plan, index), stock);
      add(cutList(prop.name, stock, pieces, planStock(pieces, stock), undefined));
    }
    const places = {
      xMm: [...plan.pixels.xMm.subarray(firstPixel, firstPixel + pixelCount)],
      yMm: [...plan.pixels.yMm.subarray(firstPixel, firstPixel + pixelCount)],
    };
    add(
      settingOutTable(
        prop.name,
        setOut(places),
        { word: 'pixel', xFrom: 'mm from the left', yFrom: 'mm from its foot', middle: index % 2 === 0 },
        undefined,
      ),
    );
    if (prop.kind === 'craft') add(rolesTable(prop.name, prop.shape));
    if (prop.kind !== 'wall') return;
    const wall = prop as PropOf<'wall'>;
    const { driver, chaining } = wall.threading;
    add(
      chainSchemesTable(
        prop.name,
        compareChains(cellsOfWall(wall.shape), driver, chaining, 'topLeft'),
        undefined,
      ),
    );
    wallSheet(plan, index).groups.forEach((group) => add(wallValuesTable(group)));
    add(
      packingsTable([{ words: 'as planned', ...pictureTotals(pixelCount, { kind: 'wholePixels' }, 1, 1) }]),
    );
  });
  return tables;
}

it('are whole: each column has a name of its own and a meaning, each row a key, each cell words', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      for (const { name, columns, rows, keyOf } of tablesOf(show)) {
        expect(name).not.toBe('');
        expect(new Set(columns.map(({ id }) => id)).size).toBe(columns.length);
        for (const { id, head, meaning } of columns) {
          expect(id).toMatch(/^[a-z0-9-]+$/);
          expect(head).not.toBe('');
          expect(meaning.length).toBeGreaterThan(5);
        }
        expect(new Set(rows.map(keyOf)).size).toBe(rows.length);
        rows.forEach((row, index) => {
          for (const column of columns) {
            const words = cellWords(column.of(row, index), undefined);
            expect(words).not.toMatch(/undefined|NaN|\[object|^$/);
          }
        });
      }
    }),
    { numRuns: tries(25) },
  );
});

it('say the same in a file as on the screen', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      for (const table of tablesOf(show)) {
        const [heads, ...lines] = [...fileRows(table, undefined)];
        expect(heads).toHaveLength(table.columns.length);
        expect(lines).toHaveLength(table.rows.length);
        table.rows.forEach((row, index) =>
          table.columns.forEach((column, at) => {
            const cell = column.of(row, index);
            const inFile = lines[index]![at]!;
            expect(inFile).toBe(cellValue(cell, undefined));
            const plain = cellWords(cell, undefined).replace(/,(?=\d{3})/g, '');
            if (cell !== null && cell !== '')
              expect(String(inFile).replace(/,(?=\d{3})/g, '')).toContain(plain);
          }),
        );
      }
    }),
    { numRuns: tries(10) },
  );
});
