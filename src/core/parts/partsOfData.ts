import { leadsOf } from '../answers/site';
import { classOf } from '../catalogue/controllers/registry';
import type { Plan } from '../plan/planned';
import { runName } from '../plan/runName';
import type { PartCount } from './part';
import { itemAt } from '../units/there';
import { runAt } from '../plan/records';

/** Boards, and what goes from them to first pixels. */
export function addPartsOfData(plan: Plan, parts: PartCount): void {
  const { show } = plan;
  for (const controller of show.controllers) {
    const type = show.controllerTypes.find(({ id }) => id === controller.typeId);
    parts.add(
      {
        id: `board ${type?.id ?? `of ${controller.ports} ports`}`,
        group: 'boards',
        name: type?.name ?? `controller with ${controller.ports} ports`,
        unit: 'pieces',
        ...(!type && { note: 'Say in Patch what kind it is.' }),
      },
      1,
      controller.name,
    );
    const isWireless = type ? classOf(type).onWifi === true : false;
    if (controller.network && !isWireless)
      parts.add(
        {
          id: 'network cable',
          group: 'data',
          name: 'network cable from a switch to a board',
          unit: 'pieces',
        },
        1,
        controller.name,
      );
  }
  const leads = leadsOf(plan);
  for (const lead of leads) {
    const use = runName(plan, lead.run);
    const { prop, number } = runAt(plan, lead.run);
    const propId = itemAt(show.props, prop).id;
    const entry = show.patch.find((each) => each.propId === propId && each.run === number);
    const own = entry?.dataLead;
    const lengthMm = own?.lengthMm ?? lead.cable?.value ?? null;
    if (lengthMm === null)
      parts.add(
        {
          id: 'data lead unmeasured',
          group: 'wires',
          name: 'data cable, length not set',
          unit: 'pieces',
          note: 'Place both ends on the site drawing, or type its length in Power, to know how much cable.',
        },
        1,
        use,
      );
    else
      parts.add(
        {
          id: 'data cable',
          group: 'wires',
          name: 'data cable from ports to first pixels, with its ground',
          unit: 'm',
        },
        lengthMm / 1000,
        use,
      );
    if (own?.helper === 'buffer')
      parts.add(
        { id: 'buffer', group: 'data', name: 'buffer at the source of a data line', unit: 'pieces' },
        1,
        use,
      );
    if (own?.helper === 'pair')
      parts.add(
        { id: 'pair', group: 'data', name: 'differential sender and receiver', unit: 'pieces' },
        1,
        use,
      );
    if (own?.seriesOhm)
      parts.add(
        {
          id: `resistor ${own.seriesOhm}`,
          group: 'data',
          name: `resistor ${own.seriesOhm} Ω in a data line`,
          unit: 'pieces',
        },
        1,
        use,
      );
    if (own?.capacitorUf)
      parts.add(
        {
          id: `capacitor ${own.capacitorUf}`,
          group: 'data',
          name: `capacitor ${own.capacitorUf} µF across the supply of a first pixel`,
          unit: 'pieces',
        },
        1,
        use,
      );
  }
}
