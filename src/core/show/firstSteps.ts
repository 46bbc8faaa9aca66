import { SHIPPED_CONTROLLER_TYPES, limitsOfType } from '../catalogue/controllerType';
import { kindOf, type PropKindName, isPanelled, withThreading } from '../props/registry';
import { fewestRuns } from '../threading/split';
import type { Edit } from './edits/registry';
import { newController } from './newController';
import { newProp } from './newProp';
import type { Show } from './schema';
import { byId } from '../units/there';

/** An answer to “what do you want to light?”. */
export interface FirstStep {
  id: string;
  label: string;
  hint: string;
  kind: PropKindName;
  preset?: string;
}

export const FIRST_STEPS: readonly FirstStep[] = [
  {
    id: 'edge',
    label: 'The edge of a roof',
    hint: 'An eave or a railing, measured along its length.',
    kind: 'line',
    preset: 'Eave',
  },
  {
    id: 'window',
    label: 'A window or a door',
    hint: 'A frame of one string or strip.',
    kind: 'line',
    preset: 'Window frame',
  },
  { id: 'tree', label: 'A tree', hint: 'Strands from a top ring down to the ground.', kind: 'tree' },
  { id: 'net', label: 'A net or a string matrix', hint: 'Pixels in columns and rows.', kind: 'grid' },
  { id: 'wall', label: 'A wall of panels', hint: 'LED panels side by side.', kind: 'wall' },
  {
    id: 'screen',
    label: 'The light behind a screen',
    hint: 'A strip around the back of it.',
    kind: 'screen',
  },
];

/** The usual controller for strings. */
const USUAL_TYPE = 'ethernet-4';

/**
 * A first prop that is threaded and fed: split into the fewest runs that a usual controller takes, each on a port of its own. Where
 * several kinds are as usual, as for a screen, none is assumed: Patch asks.
 *
 * @returns one edit, and the id of the prop
 */
export function firstStep(
  show: Show,
  { label: words, kind, preset }: FirstStep,
): { edit: Edit; propId: string } {
  const { prop, edits } = newProp(show, kind, preset);
  const of = kindOf(prop);
  const panelled = isPanelled(prop);
  const label = `Begin with ${words.toLowerCase()}`;
  const [usual = USUAL_TYPE, other] = of.usualControllers?.(prop.threading) ?? [];
  if (other) return { propId: prop.id, edit: { type: 'batch', label, edits } };
  const type = byId(SHIPPED_CONTROLLER_TYPES, usual);
  const device = newController(show, type);
  const { mostPixelsPerPort, ports } = limitsOfType(type);
  const lengths = of.strands(prop.shape, prop.threading).map((strand) => strand.count);
  const runs = panelled ? 1 : (fewestRuns(lengths, mostPixelsPerPort) ?? 1);
  // A wall is one run: its outputs are those of its card.
  const threading = panelled ? prop.threading : { ...prop.threading, runs };
  return {
    propId: prop.id,
    edit: {
      type: 'batch',
      label,
      edits: [
        ...edits.map((each) =>
          each.type === 'addProp' ? { ...each, prop: withThreading(prop, threading) } : each,
        ),
        ...device.edits,
        {
          type: 'putRuns',
          runs: Array.from({ length: Math.min(runs, ports) }, (_, i) => ({
            propId: prop.id,
            run: i + 1,
            controllerId: device.controller.id,
            port: i + 1,
          })),
        },
      ],
    },
  };
}
