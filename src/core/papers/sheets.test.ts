import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { tile } from '../props/tile';
import { NO_FACTS } from '../show/facts';
import type { Show } from '../show/schema';
import { sheetAsJson, sheetRows, sheetsOf, tableAsJson, tablesOf } from './sheets';

const HERE = { origin: 'http://127.0.0.1:3000', showId: 'quay' };

const jsonOf = (show: Show, id: string) => {
  const found = sheetsOf(planShow(show), NO_FACTS, HERE).find((each) => each.id === id)!;
  return tableAsJson(tablesOf(found)[0]!, undefined);
};

it('lists every sheet once, and each of them can be made: what is a number stays one', () => {
  fc.assert(
    fc.property(anyBusyShow, (show) => {
      const sheets = sheetsOf(planShow(show), NO_FACTS, HERE);
      expect(new Set(sheets.map((each) => each.id)).size).toBe(sheets.length);
      for (const each of sheets) {
        expect(each.id).toMatch(/^[a-z0-9.-]+$/);
        for (const table of tablesOf(each)) {
          const { columns, rows } = tableAsJson(table, undefined);
          for (const row of rows) expect(Object.keys(row)).toEqual(columns.map((column) => column.id));
        }
      }
    }),
    { numRuns: tries(40) },
  );
});

it('has a line for each tile: nine of 36 pixels by Art-Net from 0 are three universes, four to one', () => {
  const { shape, threading } = tile.starter();
  const deck = {
    ...shape,
    columns: 3,
    rows: 3,
    turned: [{ column: 2, row: 0, turnDeg: 180 as const }],
  };
  const show = onPorts(
    aShow({
      props: [
        aLine('deck', 1, {
          kind: 'tile',
          shape: deck,
          threading: { ...threading, pattern: 'straight' },
        } as never),
      ],
      controllers: [aController({ protocol: 'artnet', artNetOffset: -1 })],
    }),
    ['deck', 1, 1],
  );
  const { rows } = jsonOf(show, 'tiles.deck');
  expect(rows.map((row) => [row['art-net-universe'], row.start])).toEqual([
    [0, 1],
    [0, 109],
    [0, 217],
    [0, 325],
    [1, 1],
    [1, 109],
    [1, 217],
    [1, 325],
    [2, 1],
  ]);
  expect(rows[3]).toMatchObject({ net: 0, 'sub-net': 0, end: 432 });
  expect(rows.map((row) => row.turned)).toEqual([
    'upright',
    'upright',
    'upside down',
    ...Array.from({ length: 6 }, () => 'upright'),
  ]);
  // The sender gives each universe the size that its packing holds; show channels follow from that.
  expect(jsonOf(show, 'sender').rows).toMatchObject([
    { size: 510, 'first-show-channel': 1 },
    { size: 510, 'first-show-channel': 511 },
    { size: 510, 'first-show-channel': 1021 },
  ]);
  const counted = { ...show, addressing: { ...show.addressing, showChannelsPerUniverse: 512 as const } };
  expect(jsonOf(counted, 'sender').rows[2]).toMatchObject({ 'first-show-channel': 1025 });
});

it('tells a sender the same sizes and starts that it tells the devices', () => {
  fc.assert(
    fc.property(anyBusyShow, (show) => {
      const sent = jsonOf(show, 'sender').rows;
      show.controllers.forEach((controller) => {
        const own = sent.filter((row) => String(row.device).startsWith(controller.name));
        const device = jsonOf(show, `device.${controller.id}`).rows;
        const asked = (field: string) => device.find((row) => row.what === field)?.value;
        const numbers = own.flatMap((row) =>
          typeof row.universe === 'number' ? [row.universe] : [parseInt(String(row.universe))],
        );
        // Flat spaces and raw frames have no universes to agree on.
        if (own.length === 0 || own.some((row) => String(row.universe).startsWith('none'))) return;
        expect(asked(controller.protocol === 'artnet' ? 'First port-address' : 'First universe')).toBe(
          Math.min(...numbers),
        );
        expect(asked(controller.protocol === 'artnet' ? 'Last port-address' : 'Last universe')).toBe(
          Math.max(...numbers),
        );
        const sizes = new Set(own.map((row) => row.size));
        // Devices that are always full, or keep pixels whole by themselves, are asked for no number.
        const size = asked('Channels a universe');
        if (sizes.size === 1 && typeof size === 'number') expect(size).toBe([...sizes][0]);
      });
    }),
    { numRuns: tries(40) },
  );
});

it('has the ports of a device in the file of what is typed into it, row by row and as JSON', () => {
  const show = onPorts(
    aShow({
      props: [aLine('rail', 100), aLine('arch', 50)],
      controllers: [aController()],
    }),
    ['rail', 1, 1],
    ['arch', 1, 2],
  );
  const device = sheetsOf(planShow(show), NO_FACTS, HERE).find(({ id }) => id === 'device.a')!;
  const rows = sheetRows(device).map((row) => row.join(','));
  expect(rows.filter((row) => /^Ports of /.test(row))).toHaveLength(1);
  expect(rows).toContainEqual(expect.stringMatching(/^A1,100,/));
  expect(rows).toContainEqual(expect.stringMatching(/^A2,50,/));
  const { tables } = sheetAsJson(device) as { tables: { rows: object[] }[] };
  expect(tables.map((table) => table.rows)).toContainEqual(jsonOf(show, 'ports.a').rows);
});

it('tells a small board its outputs in the order in which such boards ask, and what it does when data stops', () => {
  const kind = SHIPPED_CONTROLLER_TYPES.find(({ id }) => id === 'wifi-2')!;
  const show = onPorts(
    aShow({
      props: [aLine('rail', 100), aLine('arch', 50, { pixelTypeId: 'rgbw' })],
      controllerTypes: [kind],
      controllers: [
        aController({
          typeId: kind.id,
          network: { ip: '10.20.0.9', maskBits: 24, given: 'fixed', casting: 'multicast', storedBy: '' },
          portOptions: [{ port: 2, pin: { label: 'D4', software: '16', header: '7' } }],
        }),
      ],
    }),
    ['rail', 1, 1, 1],
    ['arch', 1, 2],
  );
  const device = sheetsOf(planShow(show), NO_FACTS, HERE).find(({ id }) => id === 'device.a')!;
  const rows = sheetRows(device).map((row) => row.join(','));
  const at = rows.findIndex((row) => /^Port,LED type,Data pin/.test(row));
  expect(rows[at]).toBe('Port,LED type,Data pin (in software),Length,Colour order,Skip first');
  // The usual number of the first pin is that of the kind; the second was typed.
  expect(rows[at + 1]).toMatch(/^A1,[^,]+,GPIO2,100,\w+,1$/);
  expect(rows[at + 2]).toMatch(/^A2,[^,]+, with white,16,50,\w{4},0$/);
  expect(rows).toContainEqual(expect.stringMatching(/^When data stops,shows its own effect after 2.5 s,/));
  expect(rows).toContainEqual(expect.stringMatching(/^Multicast,on,/));
});
