import { deviceSettings } from '../devices/deviceSettings';
import { keptValues } from '../devices/settings/typed';
import type { Plan } from '../plan/planned';
import type { BringUpStep } from './step';
import { controllerAt } from '../plan/records';

const PLAIN = {
  caution: null,
  isStop: false,
  picture: null,
  percent: null,
  volts: null,
  leads: [],
  deviceStep: null,
} as const;

/** Steps of a device, before any prop on it. @param controller its index in the show */
export function deviceSteps(plan: Plan, controller: number): BringUpStep[] {
  const device = controllerAt(plan, controller);
  const { name } = device;
  const thing = { list: 'controllers', recordId: device.id } as const;
  const values = keptValues(deviceSettings(plan, controller));
  const address = device.network?.ip ?? null;
  const step = (
    own: Pick<BringUpStep, 'id' | 'stage' | 'name' | 'does' | 'expect' | 'otherwise'> & Partial<BringUpStep>,
  ) => ({
    ...PLAIN,
    thing,
    trial: null,
    holds: values,
    ...own,
  });
  return [
    step({
      id: 'off',
      stage: 'before',
      name: `${name} is without power`,
      does: `Switch ${name} and every supply behind it off, and pull their plugs, before anything is joined.`,
      expect: 'No lamp is lit anywhere, on the device or on a supply.',
      otherwise:
        'Something still feeds it: a second supply, a board that is fed by its data plug, a charged capacitor. Find that first.',
      caution:
        'Work on mains belongs to those who are licensed for it; local rules come before anything that stands here.',
      isStop: true,
      holds: device.id,
    }),
    step({
      id: 'lamp',
      stage: 'power',
      name: `${name} by itself`,
      does: `Give ${name} power with nothing plugged into its outputs.`,
      expect: 'Its power lamp is lit, and nothing is warm after a minute.',
      otherwise: 'No power, the wrong volts or polarity, or a fuse on the board: measure at its input.',
      isStop: true,
      trial: 'lamp',
      holds: device.id,
    }),
    step({
      id: 'answers',
      stage: 'reach',
      name: `${name} answers`,
      does: address
        ? `Look at the lamp of its link and at the speed that it shows, then open ${address} from the machine that sends.`
        : 'Look at the lamp of its link and at the speed that it shows, then open its page from the machine that sends.',
      expect: address
        ? `The page of ${address} comes up.`
        : 'Its page comes up, and its address is noted in Patch.',
      otherwise:
        'In this order: no link lamp is the cable or the switch; through what does the cable go, and does it work straight; which adapter of this machine is chosen, and is it in the same network; may the program use the network; does another program hold the port.',
      isStop: true,
      trial: 'answers',
      holds: [device.id, address],
    }),
    step({
      id: 'enabled',
      stage: 'reach',
      name: 'Output is enabled',
      does: `On the page of ${name}: the protocol is the planned one, the outputs are enabled, and nothing else takes their pins.`,
      expect: 'Each output that is used is switched on.',
      otherwise: 'Outputs are enabled apart from what they are told: switch them on, and look again.',
      trial: 'settings',
    }),
    step({
      id: 'saved',
      stage: 'reach',
      name: 'Its values are saved',
      does: 'Save, load the page again, and look whether the values are still there.',
      expect: 'The values are those of the sheet after the page was loaded again.',
      otherwise: 'They are kept only until the power is cut: look for a second button that stores them.',
      deviceStep: 'saved',
    }),
    step({
      id: 'sent',
      stage: 'reach',
      name: 'The sender sends to it',
      does: 'In the list of the sender: it is ticked, with the planned address, universes and sizes, and its output is on.',
      expect: 'The sender says that it sends, and the device counts what comes in.',
      otherwise:
        'A device that was added and not ticked hears nothing; an import may have turned the brightness down.',
      trial: 'sender',
    }),
    step({
      id: 'restarted',
      stage: 'reach',
      name: 'It was restarted',
      does: 'Restart it: some values are in force only then.',
      expect: 'It comes back by itself, with its values.',
      otherwise: 'What is gone was not saved.',
      deviceStep: 'restarted',
    }),
  ];
}
