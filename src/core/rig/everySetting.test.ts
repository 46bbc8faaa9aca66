import fc from 'fast-check';
import { anyShow } from '../../../tests/unit/shows';
import { tries } from '../../../tests/unit/tries';
import { deviceSettings } from '../devices/deviceSettings';
import { differences } from '../devices/differences';
import { foundSettingsSchema, type FoundSettings } from '../devices/found';
import { readFound } from '../devices/readFound';
import {
  DEVICE_SETTINGS,
  HELD_BY_DEVICE,
  HELD_BY_PORT,
  PORT_SETTINGS,
  type AnyHeld,
} from '../devices/settings/registry';
import { settingId, valuesToTick } from '../devices/settings/typed';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { deviceSetupSchema, setupOfFound, setupSentences, withSetups } from './deviceSetup';
import { plannedRig } from './rig';

/** A value near the planned one that the setting allows, on a device and on the simulator. */
function anotherValue({ values, simulatedValues }: AnyHeld, planned: string | number): string | number {
  const allowed = (value: string | number) =>
    values.schema.safeParse(value).success && (simulatedValues ?? values).schema.safeParse(value).success;
  const near =
    typeof planned === 'number'
      ? [planned + 1, planned - 1]
      : [...(values.choices ?? []), ...['RGB', 'GRB', 'RGBW', 'GRBW', 'W', 'R']];
  return near.find((value) => value !== planned && allowed(value))!;
}

/** All that is found of one controller, where it is one value alone. */
interface Looked {
  plan: Plan;
  index: number;
  setting: AnyHeld;
  planned: string | number;
  id: string;
  /** The found settings with this value among them. */
  found: (value: string | number) => FoundSettings;
}

function lookedAt(plan: Plan): Looked[] {
  return plan.show.controllers.flatMap((controller, index) => {
    const settings = deviceSettings(plan, index);
    const base = { controllerId: controller.id, where: 'controller' as const, foundAt: 'on Friday' };
    const ofDevice = HELD_BY_DEVICE.flatMap((setting): Looked[] => {
      const planned = settings[setting.field];
      if (typeof planned !== 'number') return [];
      const found = (value: string | number) => ({ ...base, [setting.field]: value, ports: [] });
      return [{ plan, index, setting, planned, id: settingId(setting.field), found }];
    });
    const ofPorts = settings.ports.flatMap((port) =>
      HELD_BY_PORT.flatMap((setting): Looked[] => {
        const planned = port[setting.field];
        // No single order stands for chips that differ.
        if (planned === null || setting.values.read(String(planned)) !== planned) return [];
        const found = (value: string | number) => ({
          ...base,
          partial: true as const,
          ports: [{ port: port.port, ...(port.part > 1 && { part: port.part }), [setting.field]: value }],
        });
        return [{ plan, index, setting, planned, id: settingId(setting.field, port), found }];
      }),
    );
    return [...ofDevice, ...ofPorts];
  });
}

const everyValue = (check: (looked: Looked) => void) =>
  fc.assert(
    fc.property(anyShow, (show) => lookedAt(planShow(show)).forEach(check)),
    { numRuns: tries(40) },
  );

it('can be found and compared: the planned value is none to change, another one is just that', () => {
  everyValue(({ plan, setting, planned, id, found }) => {
    expect(differences(plan, foundSettingsSchema.parse(found(planned)))).toEqual([]);
    const other = anotherValue(setting, planned);
    const [difference, ...more] = differences(plan, foundSettingsSchema.parse(found(other)));
    expect(more).toEqual([]);
    expect(difference).toMatchObject({ field: id, planned: String(planned), found: String(other) });
    expect(difference!.symptom).not.toBe('');
    expect(difference!.mend).toContain(String(planned));
  });
});

it('can be set on the simulator, which then holds it, says so, and is as planned without it', () => {
  everyValue(({ plan, index, setting, planned, found }) => {
    const rig = plannedRig(plan);
    const { controllerId } = deviceSettings(plan, index);
    expect(withSetups(rig, [{ controllerId }]).devices[index]).toEqual(rig.devices[index]);
    const other = anotherValue(setting, planned);
    const setup = deviceSetupSchema.parse(setupOfFound(plan, found(other)));
    expect(withSetups(rig, [setup]).devices[index]).not.toEqual(rig.devices[index]);
    expect(setupSentences(plan, setup)).toHaveLength(1);
    expect(setupSentences(plan, setup)[0]).toContain(` ${other}, planned ${planned}`);
  });
});

it('is ticked where a device keeps it, but for hidden pixels of which there are none', () => {
  everyValue(({ plan, index, setting, planned, id }) => {
    const ticked = valuesToTick(deviceSettings(plan, index), plan.show.controllers[index]!);
    const isTicked = setting.isKept && !(setting.field === 'hiddenPixels' && planned === 0);
    expect(ticked.filter(({ field }) => field === id)).toMatchObject(
      isTicked ? [{ value: String(planned) }] : [],
    );
  });
});

it.each(HELD_BY_PORT.map((setting) => [setting.words, setting] as const))(
  'is read from a list that calls it %s',
  (words, setting) => {
    const value = setting.values.choices?.[0] ?? (setting.field === 'colourOrder' ? 'GRB' : 1);
    expect(
      readFound(
        [
          ['port', words],
          ['2', String(value)],
        ],
        'A',
      ),
    ).toEqual({
      ok: true,
      ports: [{ port: 2, [setting.field]: value }],
    });
  },
);

it('has each field and each name once, and no head that two of them take for theirs', () => {
  const all = [...DEVICE_SETTINGS, ...PORT_SETTINGS];
  expect(new Set(all.map(({ field }) => field)).size).toBe(all.length);
  expect(new Set(all.map(({ words }) => words)).size).toBe(all.length);
  for (const { field, words } of HELD_BY_PORT)
    expect(HELD_BY_PORT.filter(({ heads }) => heads.test(words)).map((each) => each.field)).toEqual([field]);
  for (const { words, heads } of HELD_BY_DEVICE) expect(words).toMatch(heads);
});
