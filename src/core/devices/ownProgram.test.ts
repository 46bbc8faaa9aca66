import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { trafficOf } from '../answers/traffic';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import { deviceValuesTable } from '../papers/tables/addresses';
import { planShow } from '../plan/plan';
import { Outgoing } from '../rig/outgoing';
import { PLANNED_SENDER, send } from '../rig/sending';
import { byId } from '../units/there';

import { allSent } from './sent';
import { deviceSettings } from './deviceSettings';

/** A strip behind a screen, on a pin of the computer that makes its pictures. */
const show = onPorts(
  aShow({
    props: [aLine('strip', 200)],
    controllers: [aController({ typeId: 'bare-pin-1', ports: 1 })],
    controllerTypes: [byId(SHIPPED_CONTROLLER_TYPES, 'bare-pin-1')],
  }),
  ['strip', 1, 1],
);
const plan = planShow(show);

it('sends nothing to a device whose own program makes the pictures, and gives it no universes', () => {
  expect(plan.spans.map(({ universe }) => universe)).toEqual([null]);
  expect(allSent(plan)).toEqual([]);
  const sent = send(plan, PLANNED_SENDER, new Uint8Array(600).fill(9));
  expect(new Outgoing(plan, sent).packets).toEqual([]);
  const { devices, senderMbits } = trafficOf(plan);
  expect([devices[0]!.link, devices[0]!.mbits.value, senderMbits]).toEqual(['own', 0, 0]);
});

it('is told where its pictures come from, and neither an address nor a protocol', () => {
  const { rows } = deviceValuesTable(show, show.controllers[0]!, deviceSettings(plan, 0));
  expect(rows[0]).toMatchObject({ words: 'pictures', value: 'its own program' });
  expect(rows.map(({ field }) => field)).not.toEqual(expect.arrayContaining(['ip']));
  expect(rows.map(({ words }) => words).join(' ')).not.toMatch(/universe|E1\.31/);
});

it('is on the network again where its kind says so', () => {
  const { ownProgram: _, ...listening } = show.controllerTypes[0]!;
  const listens = planShow({ ...show, controllerTypes: [listening] });
  expect(listens.spans[0]!.universe).toBe(1);
  expect(allSent(listens)).toHaveLength(2);
});
