import { formatLength } from '../../units/length';
import type { PatchProposal } from '../../answers/ports/proposePatch';
import type { Plan } from '../../plan/planned';
import { portsOfController } from '../../plan/planIndex';
import type { Table } from '../../pages/table';

type ProposedLine = PatchProposal['lines'][number];

/** The ports that are proposed for runs. */
export function proposedTable(plan: Plan, lines: readonly ProposedLine[]): Table<ProposedLine> {
  return {
    name: 'Proposed ports',
    rows: lines,
    keyOf: (line) => line.run,
    columns: [
      { id: 'run', head: 'Run', meaning: 'the run that is to be plugged in', of: (line) => line.words },
      {
        id: 'pixels',
        head: 'Pixels',
        meaning: 'of the run',
        as: 'figure',
        of: (line) => plan.runs[line.run]?.pixelCount ?? null,
      },
      { id: 'port', head: 'Port', meaning: 'the port that is proposed', as: 'key', of: (line) => line.to },
      {
        id: 'data',
        head: 'Its data comes',
        meaning: 'from the port itself, or over a jumper from the end of the run before it',
        of: ({ behind }) => (behind === null ? 'from the port' : `over a jumper from the end of ${behind}`),
      },
      {
        id: 'cable',
        head: 'Cable',
        meaning: 'by the drawing of the site, with its detour and ends',
        as: 'figure',
        of: ({ cableMm }) => (cableMm === null ? null : formatLength(cableMm, plan.show.lengths)),
      },
    ],
  };
}

interface ControllerRoom {
  name: string;
  ports: number;
  used: number;
  reserved: number;
  mostPixelsPerPort: number;
  /** Pixels that still fit on ports in use. */
  room: number;
  placed: boolean;
}

/** Ports to put runs on. */
export function controllersTable(plan: Plan): Table<ControllerRoom> {
  const rows = plan.show.controllers.map((controller, index): ControllerRoom => {
    const used = portsOfController(plan, index);
    return {
      name: controller.name,
      ports: controller.ports,
      used: used.length,
      reserved: controller.portOptions?.filter((options) => options.reserved).length ?? 0,
      mostPixelsPerPort: controller.mostPixelsPerPort,
      room: used.reduce((sum, port) => sum + Math.max(0, controller.mostPixelsPerPort - port.places), 0),
      placed: controller.site !== undefined,
    };
  });
  return {
    name: 'Ports of the controllers',
    rows,
    keyOf: (row) => row.name,
    columns: [
      { id: 'controller', head: 'Controller', meaning: 'its name', of: (row) => row.name },
      { id: 'ports', head: 'Ports', meaning: 'that it has', as: 'figure', of: (row) => row.ports },
      { id: 'used', head: 'In use', meaning: 'ports that hold a run', as: 'figure', of: (row) => row.used },
      {
        id: 'reserved',
        head: 'Reserved',
        meaning: 'ports that nothing is proposed for',
        as: 'figure',
        of: (row) => row.reserved,
      },
      {
        id: 'free',
        head: 'Free',
        meaning: 'ports that a proposal may use',
        as: 'figure',
        of: (row) => row.ports - row.used - row.reserved,
      },
      {
        id: 'most',
        head: 'Pixels',
        unit: 'at most a port',
        meaning: 'the most pixels on one port',
        as: 'figure',
        of: (row) => row.mostPixelsPerPort,
      },
      {
        id: 'room',
        head: 'Room left',
        unit: 'on ports in use',
        meaning: 'pixels that still fit behind what is plugged in',
        as: 'figure',
        of: (row) => row.room,
      },
      {
        id: 'placed',
        head: 'On the site drawing',
        meaning: 'cables are known only from there',
        of: (row) => (row.placed ? 'yes' : 'no: its cables are not known'),
      },
    ],
  };
}
