import { drivenPixels } from '../../devices/drivenPixels';
import { isPanelled } from '../../props/registry';
import { channelsPerPixel } from '../../catalogue/pixelType';
import { classOf } from '../../catalogue/controllers/registry';
import { pixelsPerPortWith } from '../../catalogue/controllerType';
import { portName } from '../../catalogue/controller';
import type { Plan } from '../../plan/planned';
import { leadsOf, pixelOnSite } from '../site';
import { planShow } from '../../plan/plan';
import { applyEdit } from '../../show/edits/registry';
import type { SingleEdit } from '../../show/edits/registry';
import { fewestRuns } from '../../threading/split';
import { mostPixelsAtRate, signalOf } from '../../catalogue/signal';
import type { Goal, Proposal, ProposalInput } from './assignment';
import { propose } from './propose';
import { runName } from '../../plan/runName';
import { itemAt, byId } from '../../units/there';
import { plannedAt, propOfRun, runAt, wireOfRun } from '../../plan/records';

export interface ProposalWish {
  goal: Goal;
  wantedRateHz: number;
  /** Also runs that are on a port already are put anew; pinned ones stay. */
  moveAll: boolean;
}

export interface PatchProposal {
  /** Puts every run where it is proposed to be. */
  edit: Extract<SingleEdit, { type: 'putRuns' }>;
  /** In the builder's words, one for each run that goes somewhere. */
  lines: {
    run: number;
    words: string;
    to: string;
    /** The run from whose end its data comes, over a jumper; null where it comes from the port. */
    behind: string | null;
    /** Its cable, from that run or from the controller; null while one of the two ends is not on the drawing. */
    cableMm: number | null;
  }[];
  /** Runs that no port takes, and how to mend that. */
  left: { run: number; propId: string; why: string; splitInto: number | null }[];
  result: Proposal;
}

/** Panels are refreshed by their driver, not by a line of bits; they need a driver of panels. */
const PANELS = 'panels';

/** Which runs behind one port get along: one voltage, one chip family, one channel count. */
function groupOf(plan: Plan, run: number): string {
  const prop = propOfRun(plan, run);
  const { pixelTypeId } = prop;
  if (isPanelled(prop)) return PANELS;
  const type = byId(plan.show.pixelTypes, pixelTypeId);
  const { timing } = signalOf(type);
  const family = timing.kind === 'clocked' ? 'clocked' : `one wire ${timing.bitUs.value}`;
  return `${type.volts} V, ${family}, ${channelsPerPixel(type)}`;
}

/** Proposes ports for the runs that have none, or for all of them. */
export function proposePatch(plan: Plan, wish: ProposalWish): PatchProposal {
  const { show } = plan;
  const entryOf = new Map(show.patch.map((entry) => [`${entry.propId} ${entry.run}`, entry]));
  const stays = plan.runs.map((run) => {
    const entry = entryOf.get(`${itemAt(show.props, run.prop).id} ${run.number}`);
    return run.wire !== null && (!wish.moveAll || entry?.pin !== undefined);
  });
  const chosen = plan.runs.flatMap((_, index) => (stays[index] ? [] : [index]));
  const groups = new Map<string, { signal: ReturnType<typeof signalOf>; channels: number }>();
  plan.runs.forEach((run, index) => {
    const { pixelTypeId } = itemAt(show.props, run.prop);
    const type = byId(show.pixelTypes, pixelTypeId);
    groups.set(groupOf(plan, index), { signal: signalOf(type), channels: channelsPerPixel(type) });
  });
  const limitAtRate = new Map(
    [...groups].map(([group, { signal, channels }]) => [
      group,
      group === PANELS ? Infinity : mostPixelsAtRate(signal, channels, wish.wantedRateHz),
    ]),
  );
  const places: { controller: number; port: number }[] = [];
  const roomOfController = show.controllers.map(() => Infinity);
  const ports: ProposalInput['ports'][number][] = [];
  show.controllers.forEach((controller, index) => {
    const type = show.controllerTypes.find((each) => each.id === controller.typeId);
    const own = type
      ? Math.min(controller.mostPixelsPerPort, pixelsPerPortWith(type, controller.ports))
      : controller.mostPixelsPerPort;
    const staying = (port: number) =>
      plan.ports
        .find((each) => each.controller === index && each.port === port)
        ?.runs.filter((run) => stays[run]) ?? [];
    let used = 0;
    for (let port = 1; port <= controller.ports; port += 1) {
      const there = staying(port);
      const usedPixels = there.reduce(
        (sum, run) => sum + drivenPixels(plan, run) + wireOfRun(plan, run).skippedPixels,
        0,
      );
      used += usedPixels;
      if (controller.portOptions?.some((options) => options.port === port && options.reserved)) continue;
      places.push({ controller: index, port });
      ports.push({
        controller: index,
        // Without a kind that says otherwise, any port may drive panels.
        capacity: (group) =>
          type && (group === PANELS) !== (classOf(type).drivesPanels ?? false)
            ? 0
            : Math.min(own, limitAtRate.get(group) ?? own),
        usedPixels,
        group: there.length > 0 ? groupOf(plan, itemAt(there, 0)) : null,
      });
    }
    if (type?.mostPixels) roomOfController[index] = type.mostPixels.value - used;
  });
  const runs = chosen.map((index) => {
    const run = runAt(plan, index);
    const at = pixelOnSite(plan, run.firstPixel);
    return {
      pixels: drivenPixels(plan, index) + (run.wire?.skippedPixels ?? 0),
      group: groupOf(plan, index),
      cableMm: show.controllers.map(({ site }) =>
        at && site ? Math.hypot(at.xMm - site.xMm, at.yMm - site.yMm) : 0,
      ),
    };
  });
  const result = propose({ runs, ports, roomOfController, goal: wish.goal });
  const edit: PatchProposal['edit'] = { type: 'putRuns', runs: [], takenOff: [] };
  const lines: Omit<PatchProposal['lines'][number], 'behind' | 'cableMm'>[] = [];
  const left: PatchProposal['left'] = [];
  chosen.forEach((index, i) => {
    const run = runAt(plan, index);
    const prop = itemAt(show.props, run.prop);
    const words = runName(plan, index);
    const place = places[result.portOf[i]!];
    if (!place) {
      if (run.wire) edit.takenOff!.push({ propId: prop.id, run: run.number });
      const most = Math.max(0, ...ports.map((port) => port.capacity(itemAt(runs, i).group)));
      const strands = plannedAt(plan, run.prop).strands.map((strand) => strand.pixelCount);
      const tooLong = itemAt(runs, i).pixels > most;
      const panelled = isPanelled(prop);
      const splitInto = tooLong && !panelled ? fewestRuns(strands, most) : null;
      left.push({
        run: index,
        propId: prop.id,
        splitInto,
        why: tooLong
          ? splitInto
            ? `${words} has ${itemAt(runs, i).pixels} pixels, and no port takes more than ${most} at this rate: split ${prop.name} into ${splitInto} runs.`
            : panelled
              ? `${words} has ${itemAt(runs, i).pixels} pixels on one driver, and none here takes more than ${most}: cut it into smaller cards, or add what drives panels.`
              : `${words} has ${itemAt(runs, i).pixels} pixels, and no port takes more than ${most} at this rate; even one strand is longer. Lower the rate, or make its strands shorter.`
          : `${words} finds no port with room that its pixels get along with (${itemAt(runs, i).group} channels).`,
      });
      return;
    }
    const controller = itemAt(show.controllers, place.controller);
    lines.push({ run: index, words, to: portName(controller, place.port) });
    edit.runs.push({
      propId: prop.id,
      run: run.number,
      controllerId: controller.id,
      port: place.port,
    });
  });
  return { edit, lines: withLeads(plan, edit, lines), left, result };
}

/** Each line with the way that its data takes once the proposal is taken. */
function withLeads(
  plan: Plan,
  edit: PatchProposal['edit'],
  lines: readonly Omit<PatchProposal['lines'][number], 'behind' | 'cableMm'>[],
): PatchProposal['lines'] {
  if (lines.length === 0) return [];
  const after = planShow(applyEdit(plan.show, edit));
  const leads = new Map(leadsOf(after).map((lead) => [lead.run, lead]));
  return lines.map((line) => {
    const { fromRun = null, cable = null } = leads.get(line.run) ?? {};
    return {
      ...line,
      behind: fromRun === null ? null : runName(after, fromRun),
      cableMm: cable && cable.value,
    };
  });
}
