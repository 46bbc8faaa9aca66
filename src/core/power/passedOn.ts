import { boardPowerOf } from '../catalogue/boardPower';
import type { Figure } from '../figures/figure';
import type { Plan } from '../plan/planned';
import type { PowerReport } from './report';
import { itemAt } from '../units/there';

/** Current that a board passes on to what is fed from its ports. */
interface PassedOn {
  /** Index of the controller in the show. */
  controller: number;
  amps: number;
  passesAmps: Figure<number>;
  /** By port; fuses are absent where the board has none. */
  ports: readonly { port: number; amps: number; fuseAmps: number | undefined }[];
}

/** Every board that passes something on. */
export function passedOn({ show }: Plan, { leads }: Pick<PowerReport, 'leads'>): PassedOn[] {
  return show.controllers.flatMap((board, controller) => {
    const ofPort = new Map<number, number>();
    for (const { feed, amps } of leads) {
      const { from } = itemAt(show.feeds, feed);
      if (from.kind === 'port' && from.controllerId === board.id)
        ofPort.set(from.port, (ofPort.get(from.port) ?? 0) + amps);
    }
    if (ofPort.size === 0) return [];
    const { passesAmps, portFuseAmps } = boardPowerOf(board);
    return [
      {
        controller,
        amps: [...ofPort.values()].reduce((sum, amps) => sum + amps, 0),
        passesAmps,
        ports: [...ofPort].map(([port, amps]) => ({ port, amps, fuseAmps: portFuseAmps?.value })),
      },
    ];
  });
}
