import { dataLinesOf } from '../answers/dataLines';
import { leadsOf } from '../answers/site';
import { piecesOf } from '../answers/stockPieces';
import { placesToSetOut } from '../answers/placesToSetOut';
import { wantedRateOf } from '../catalogue/packing';
import { planStock } from '../catalogue/stock';
import { differences } from '../devices/differences';
import { deviceSettings } from '../devices/deviceSettings';
import { foundIn } from '../devices/found';
import { placeOnDevice } from '../devices/placeOnDevice';
import { allSent } from '../devices/sent';
import { threadedOf } from '../plan/threadedOf';
import type { Plan } from '../plan/planned';
import { kindOf, type Prop, type PropKindName, type PropOf } from '../props/registry';
import { setOut } from '../props/settingOut';
import type { Facts } from '../show/facts';
import { buildSheet, buildSheetTable } from './buildSheet';
import { cellValue, type Table } from './table';
import { deviceValuesTable, differencesTable, portSettingsTable, valuesTable } from './tables/addresses';
import { scheduleRows, scheduleTable } from './tables/feeds';
import { capsOf } from '../power/caps';
import { readingPlaces } from '../power/readingPlaces';
import { plannedShown, standingReports } from '../power/report';
import { trafficOf } from '../answers/traffic';
import { screenCuts } from '../screens/cuts';
import { namedRanges } from '../screens/ranges';
import { zonesOf } from '../screens/zones';
import { bridgesTable, namedRangesTable, screenCutsTable, zonesTable } from './tables/screens';
import { trafficTable } from './tables/traffic';
import { limitersTable, patternsTable, supplyCapsTable } from './tables/brightness';
import { dataWiresTable } from './tables/dataWires';
import { readingsTable } from './tables/readings';
import { leadsTable } from './tables/leads';
import { addressBook } from './tables/network';
import { programRows, programTable } from './tables/program';
import { rangesTable } from './tables/ranges';
import { rolesTable } from './tables/roles';
import { sentTable } from './tables/sent';
import { settingOutTable } from './tables/settingOut';
import { cutList } from './tables/stock';
import { tileRows, tilesTable } from './tables/tiles';
import { controllersTable } from './tables/ports';
import { wallValuesTable } from './tables/walls';
import { wallSheet } from './wallSheet';

/** A sheet of a show: a table that other programs and papers know by its id. */
export interface Sheet {
  id: string;
  name: string;
  table: () => Table<never>;
}

/** A row of any kind is only ever handed back to the columns that came with it. */
function sheet<Row>(id: string, name: string, table: () => Table<Row>): Sheet {
  return { id, name, table: table as unknown as () => Table<never> };
}

/** Everything that a show says in tables. None is made before it is asked for. */
export function sheetsOf(plan: Plan, facts: Facts): Sheet[] {
  const { show } = plan;
  return [
    sheet('sender', 'Sender: every universe', () => sentTable(plan, allSent(plan))),
    sheet('program', 'Program: every run', () => programTable(programRows(plan))),
    sheet('network', 'Network', () => addressBook(plan, wantedRateOf(show.addressing))),
    sheet('controllers', 'Ports of the controllers', () => controllersTable(plan)),
    sheet('data-wires', 'Data wires', () => dataWiresTable(plan, dataLinesOf(plan))),
    sheet('leads', 'Leads from ports to first pixels', () => leadsTable(plan, leadsOf(plan))),
    sheet('traffic', 'Traffic', () => trafficTable(plan, trafficOf(plan))),
    sheet('values', 'Values to type again', () =>
      valuesTable(
        plan,
        show.tasks.filter((task) => !facts.isTyped(task.controllerId, task.field, task.new)),
      ),
    ),
    ...(show.feeds.length > 0
      ? [
          sheet('feeds', 'Schedule of leads', () => {
            const { planned, worst } = standingReports(plan);
            const { levelPercent } = { levelPercent: 100, ...show.power };
            return scheduleTable(plan, scheduleRows(plan, planned, worst, facts), `at ${levelPercent} %`);
          }),
          sheet('readings', 'Readings', () => {
            const shown = plannedShown(show);
            return readingsTable(
              readingPlaces(plan, facts, shown, null),
              `at ${Math.round(shown.level * 100)} %`,
            );
          }),
          sheet('supply-caps', 'How bright each supply can have it', () =>
            supplyCapsTable(plan, capsOf(plan).supplies),
          ),
          sheet('measured-patterns', 'What measured patterns draw', () =>
            patternsTable(plan, plan.show.power?.patterns ?? [], capsOf(plan).supplies),
          ),
          sheet('limiters', 'Limiters of devices', () => limitersTable(plan, capsOf(plan).controllers)),
        ]
      : []),
    ...show.controllers.flatMap((controller, index) => [
      sheet(`device.${controller.id}`, `${controller.name}: all of it`, () =>
        deviceValuesTable(show, controller, deviceSettings(plan, index)),
      ),
      sheet(`ports.${controller.id}`, `${controller.name}: its ports`, () =>
        portSettingsTable(controller, deviceSettings(plan, index).ports),
      ),
    ]),
    ...foundIn(plan, facts).map((found) => {
      const { name } = show.controllers.find((each) => each.id === found.controllerId)!;
      return sheet(
        `differences.${found.where}.${found.controllerId}`,
        `${name}: differences ${found.where === 'sender' ? 'in the sender' : 'on the device'}`,
        () => differencesTable(name, differences(plan, found)),
      );
    }),
    ...show.props.flatMap((_, index) => sheetsOfProp(plan, index)),
  ];
}

/** Strip is sold by rolls of this length. */
const ROLL_MM = 5000;

function cutsOf({ show }: Plan, { shape, pixelTypeId }: PropOf<'screen'>) {
  return screenCuts(
    shape,
    ROLL_MM,
    show.pixelTypes.find(({ id }) => id === pixelTypeId),
  );
}

function sheetsOfProp(plan: Plan, index: number): Sheet[] {
  const prop = plan.show.props[index]!;
  const { id, name } = prop;
  const sheets = [
    sheet(`build.${id}`, `${name}: build sheet from the front`, () =>
      buildSheetTable(name, 'seen from the front', buildSheet(plan, index, 'front')),
    ),
    sheet(`build-back.${id}`, `${name}: build sheet from the back`, () =>
      buildSheetTable(name, 'seen from the back', buildSheet(plan, index, 'back')),
    ),
    sheet(`setting-out.${id}`, `${name}: setting out`, () => {
      const places = placesToSetOut(plan, index);
      return settingOutTable(name, setOut(places, kindOf(prop).placeRows?.(prop.shape) ?? {}), places);
    }),
  ];
  if (prop.kind === 'screen')
    sheets.push(
      sheet(`cuts.${id}`, `${name}: strip and cuts`, () => screenCutsTable(name, cutsOf(plan, prop))),
      sheet(`bridges.${id}`, `${name}: wire bridges`, () => bridgesTable(name, cutsOf(plan, prop))),
      sheet(`named-ranges.${id}`, `${name}: named ranges`, () =>
        namedRangesTable(name, namedRanges(prop.shape)),
      ),
      sheet(`zones.${id}`, `${name}: zones`, () => zonesTable(name, zonesOf(prop.shape))),
    );
  const { ranges, stock } = prop;
  if (ranges)
    sheets.push(
      sheet(`ranges.${id}`, `${name}: ranges`, () =>
        rangesTable(ranges, placeOnDevice(plan, index)?.before ?? 0),
      ),
    );
  if (stock)
    sheets.push(
      sheet(`cut-list.${id}`, `${name}: cut list`, () => {
        const pieces = piecesOf(prop, threadedOf(plan, index), stock);
        return cutList(name, stock, pieces, planStock(pieces, stock));
      }),
    );
  const ofKind = SHEETS_OF_KIND[prop.kind] as ((of: SheetsOf<Prop>) => Sheet[]) | undefined;
  return [...sheets, ...(ofKind?.({ plan, index, prop }) ?? [])];
}

interface SheetsOf<Of extends Prop> {
  plan: Plan;
  /** Of the prop in the show. */
  index: number;
  prop: Of;
}

/** What a kind of prop has besides the sheets of every prop. */
const SHEETS_OF_KIND: { [Kind in PropKindName]?: (of: SheetsOf<PropOf<Kind>>) => Sheet[] } = {
  tile: ({ plan, index, prop: { id, name, shape } }) => [
    sheet(`tiles.${id}`, `${name}: every tile`, () => tilesTable(name, tileRows(plan, index, shape))),
  ],
  craft: ({ prop: { id, name, shape } }) => [
    sheet(`roles.${id}`, `${name}: roles`, () => rolesTable(name, shape)),
  ],
  wall: ({ plan, index, prop: { id, name } }) =>
    wallSheet(plan, index).groups.map((group) =>
      sheet(`wall-${group.id}.${id}`, `${name}: ${group.title}`, () => wallValuesTable(group)),
    ),
};

/** A table as other programs read it: its columns with what they mean, and each row by the ids of the columns. */
export function tableAsJson<Row>({ columns, rows }: Table<Row>) {
  return {
    columns: columns.map(({ id, head, unit, meaning }) => ({ id, head, unit: unit ?? null, meaning })),
    rows: rows.map((row, index) =>
      Object.fromEntries(
        columns.map((column) => {
          const cell = column.of(row, index);
          return [column.id, cell === null ? null : cellValue(cell)];
        }),
      ),
    ),
  };
}
