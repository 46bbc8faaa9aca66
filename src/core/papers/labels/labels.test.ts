import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { anyBusyShow } from '../../../../tests/unit/busyShows';
import { tries } from '../../../../tests/unit/tries';
import { rowsOf } from '../../../../tests/unit/typedDevice';
import { deviceSettings } from '../../devices/deviceSettings';
import { planShow } from '../../plan/plan';
import { readShowText } from '../../show/read';
import type { Show } from '../../show/schema';
import { portSettingsTable } from '../tables/addresses';
import { labelsOf } from './labels';

const demo = readShowText(readFileSync('demo/marrow-quay.show.json', 'utf8'));

/** A port by its rows of the sheet, in the words of a label. */
function ofSheet(show: Show): Map<string, { pixels: string; start: string | null; end: string | null }> {
  const plan = planShow(show);
  return new Map(
    show.controllers.flatMap((device, index) => {
      const rows = rowsOf(portSettingsTable(device, deviceSettings(plan, index).ports));
      const ports = [...new Set(rows.map((row) => row.port!.text.split(',')[0]!))];
      return ports.map((port) => {
        const own = rows.filter((row) => row.port!.text.split(',')[0] === port);
        const said = (row: (typeof rows)[number], column: string) => {
          const text = row[column]?.text ?? '–';
          return text === '–' ? null : text;
        };
        const hidden = own.reduce((sum, row) => sum + Number(said(row, 'hidden-pixels') ?? 0), 0);
        const named = device.protocol === 'artnet' ? 'port-address ' : 'U';
        const place = (row: (typeof rows)[number], universe: string, channel: string, byte: string) => {
          const [inUniverse, at] = [said(row, universe), said(row, byte)];
          if (inUniverse !== null) return `${named}${inUniverse.replace(',', '')} ch ${said(row, channel)}`;
          return at === null ? null : `byte ${at}`;
        };
        const counts = own.flatMap((row) => said(row, 'pixels') ?? []);
        const tiles = own.length - counts.length;
        const pixels = [
          ...(tiles > 0 ? [`${tiles} tile${tiles === 1 ? '' : 's'}`] : []),
          ...(counts.length > 0 ? [`${counts.join(' + ')} px`] : []),
        ].join(' + ');
        return [
          port,
          {
            pixels: `${pixels}${hidden === 0 ? '' : ` + ${hidden} hidden`}`,
            start: place(own[0]!, 'universe', 'channel', 'start-byte'),
            end: place(own.at(-1)!, 'end-universe', 'end-channel', 'end-byte'),
          },
        ] as const;
      });
    }),
  );
}

it('says on each label of a port and a plug what its row of the sheet says', () => {
  fc.assert(
    fc.property(anyBusyShow, (show) => {
      const rows = ofSheet(show);
      const plan = planShow(show);
      const ports = [...labelsOf(plan, 'ports')];
      expect(ports.map(({ name }) => name)).toEqual([...rows.keys()]);
      for (const { name, words } of ports) {
        const { pixels, start } = rows.get(name)!;
        expect(words.endsWith(`. ${pixels}${start === null ? '' : `, ${start}`}`)).toBe(true);
      }
      for (const { name, words } of labelsOf(plan, 'plugs')) {
        const [port, side] = name.split(' ') as [string, string];
        const row = rows.get(port);
        if (!row) continue;
        if (side === 'IN' && !words.includes(', behind '))
          expect(words.endsWith(`. ${row.pixels}${row.start === null ? '' : `, from ${row.start}`}`)).toBe(
            true,
          );
        if (side === 'END' && !words.includes(', then '))
          expect(words.endsWith(`its end${row.end === null ? '' : `, to ${row.end}`}`)).toBe(true);
      }
    }),
    { numRuns: tries(60) },
  );
});

it('says port-addresses where the device is told port-addresses, and hidden pixels apart', () => {
  const words = new Map([...labelsOf(planShow(demo), 'ports')].map((each) => [each.name, each.words]));
  expect(words.get('A1')).toBe('Pier box: Pier railing run 1. 111 px + 1 hidden, U1 ch 1');
  expect(words.get('B1')).toBe('Boathouse box: Net curtain run 1. 282 px, port-address 10 ch 1');
  const plugs = new Map(
    [...labelsOf(planShow(demo), 'plugs')].map((each) => [each.words.split(':')[0], each]),
  );
  expect(plugs.get('Boathouse gable')!.words).toBe('Boathouse gable: its end, to port-address 14 ch 76');
});
