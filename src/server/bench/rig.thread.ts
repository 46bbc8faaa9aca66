import { controllersOfProp } from '@/core/plan/planIndex';
import type { Rig } from '@/core/rig/rig';
import { answerAll } from './answering';
import type { RigAsks } from './asks';
import { OpenedShow } from './openedShow';
import { RigListener } from './rigListener';

const shows = new OpenedShow();
let open: { rig: Rig; listener: RigListener } | null = null;

answerAll<RigAsks>({
  open: async ({ showId }) => {
    open?.listener.close();
    open = null;
    const rig = shows.rig(showId);
    const listener = await RigListener.open(rig);
    open = { rig, listener };
    return { ports: listener.ports, groups: listener.groupCount, notes: listener.notes };
  },
  frame: ({ propId }) => {
    if (!open) throw new Error('The rig is closed.');
    const { plan } = open.rig;
    if (propId === null) return open.listener.light();
    const index = plan.show.props.findIndex(({ id }) => id === propId);
    const planned = plan.props[index];
    if (!planned) return new Uint8Array(0);
    const { firstPixel, pixelCount } = planned;
    const only = controllersOfProp(plan, index);
    return open.listener.light(only).slice(4 * firstPixel, 4 * (firstPixel + pixelCount));
  },
  report: () => ({ heard: open?.listener.report() ?? [], notes: open?.listener.notes ?? [] }),
  close: () => {
    open?.listener.close();
    open = null;
    return null;
  },
});
