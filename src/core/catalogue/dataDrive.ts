import { usual, type Figure } from '../figures/figure';
import type { ControllerClassId } from './controllers/registry';
import type { DataDrive, Driver } from './dataLine';

/** Classes whose outputs are pins of a small computer at 3.3 V. The others have buffers at 5 V. */
const BARE: readonly ControllerClassId[] = ['wifi', 'barePin', 'serial', 'flight'];

/** Driver of the lines of a controller: the given figures, and the usual of its kind for the rest. */
export function dataDriveOf(
  { data = {} }: { data?: DataDrive | undefined },
  type: { class: ControllerClassId; receiverCableMm?: unknown } | undefined,
): { logicVolts: Figure<number>; driver: Driver } {
  const usualDriver = type?.receiverCableMm ? 'pair' : type && BARE.includes(type.class) ? 'pin' : 'buffer';
  const driver = data.driver ?? usualDriver;
  return {
    driver,
    logicVolts:
      data.logicVolts ??
      (driver === 'pin'
        ? usual(3.3, 'small computers and Wi-Fi boards')
        : usual(5, 'the output side of a buffer')),
  };
}
