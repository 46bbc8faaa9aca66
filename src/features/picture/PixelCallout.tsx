import { addressOf } from '@/core/answers/lookup';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { groupDigits } from '@/core/units/number';
import styles from './picture.module.css';
import { byteWords, e131Words, strandWords } from '@/core/answers/numberings';
import { propOfRun } from '@/core/plan/records';

/** The numbers of a pixel that are wanted at a glance, beside the pixel. */
export function PixelCallout({ plan, pixel }: { plan: Plan; pixel: number }) {
  const address = addressOf(plan, pixel);
  const prop = propOfRun(plan, plan.pixels.run[pixel]!);
  const { wire } = address;
  return (
    <>
      <strong>
        Pixel {groupDigits(address.pixelInRun)} of run {address.run}
      </strong>
      <div className={styles.calloutLine}>
        {strandWords(address, kindOf(prop).strandWord(prop.threading))}
      </div>
      {wire ? (
        <>
          {wire.e131 && <div className={styles.calloutAddress}>{e131Words(wire.e131)}</div>}
          {!wire.e131 && <div className={styles.calloutAddress}>{byteWords(wire)}</div>}
          <div className={styles.calloutLine}>
            {wire.showChannel === null
              ? 'past the last universe'
              : `show ch ${groupDigits(wire.showChannel)}`}{' '}
            · {wire.portName} {groupDigits(wire.place)}
          </div>
        </>
      ) : (
        <div className={styles.calloutLine}>on no port yet</div>
      )}
    </>
  );
}
