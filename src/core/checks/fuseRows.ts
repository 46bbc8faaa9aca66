import { FUSE_SHARE, fuseFor } from '../catalogue/fuse';
import { ampacityOf, WIRE_SIZES, wireSize } from '../catalogue/wire';
import type { Plan } from '../plan/planned';
import { standingReports, type LoadedFuseRow } from '../power/report';
import { formatAmps } from '../units/electric';
import { countOf } from '../units/number';
import { defineCheck, type Finding, type Mend } from './check';
import { itemAt } from '../units/there';

export const fuseRows = defineCheck(
  'fuse-rows',
  'The wires to a row of fuses carry all of its leads, spare positions counted, and are protected at the supply.',
  (plan) =>
    standingReports(plan).worst.supplies.flatMap(({ supply, fuseRow }) =>
      fuseRow ? ofRow(plan, supply, fuseRow) : [],
    ),
);

function ofRow({ show }: Plan, index: number, row: LoadedFuseRow): Omit<Finding, 'check'>[] {
  const supply = itemAt(show.supplies, index);
  const said = supply.fuseRow!;
  const change = (fields: Partial<typeof said>): Mend['edit'] => ({
    type: 'changeSupply',
    supplyId: supply.id,
    change: { fuseRow: { ...said, ...fields } },
  });
  const about = { rank: 'canBurn' as const, stage: 'power' as const, mends: [] };
  const found: Omit<Finding, 'check'>[] = [];
  if (row.spare < 0)
    found.push({
      ...about,
      message: `${supply.name}: ${countOf(said.positions - row.spare, 'lead')} on a row of ${countOf(said.positions, 'fuse')}. Each lead has a position of its own: take a longer row, or a second supply for some of them.`,
    });
  const words = `the pair of ${wireSize(said.wire).words} to its fuses carries ${formatAmps(row.carriesAmps)}`;
  if (row.fullAmps > row.carriesAmps + 1e-6) {
    const isNow = row.wantedAmps > row.carriesAmps + 1e-6;
    const thicker = WIRE_SIZES.find(
      ({ id }) => !id.endsWith('solid') && ampacityOf(id, said.lengthMm) >= row.fullAmps,
    );
    found.push({
      ...about,
      rank: isNow ? 'canBurn' : 'worthKnowing',
      message: `${supply.name}: ${words}, and its leads want ${formatAmps(row.wantedAmps)} at full white${
        isNow
          ? '. It gets hot'
          : `; with its ${countOf(row.spare, 'spare position')} taken by leads like the largest, ${formatAmps(row.fullAmps)}`
      }. ${thicker ? '' : 'No usual wire carries that: two rows, each with a pair of its own. '}Local codes decide.`,
      mends: thicker ? [{ label: `Take ${thicker.words}`, edit: change({ wire: thicker.id }) }] : [],
    });
    return found;
  }
  const fit = fuseFor(row.wantedAmps, row.carriesAmps);
  const mends: Mend[] =
    fit === null || row.wantedAmps === 0 ? [] : [{ label: `Take ${fit} A`, edit: change({ fuseAmps: fit }) }];
  const { fuseAmps } = said;
  if (fuseAmps === undefined) {
    if (row.fusesAmps > row.carriesAmps)
      found.push({
        ...about,
        message: `${supply.name}: ${words}, and the fuses of its leads let ${row.fusesAmps} A through together. A fuse at the supply protects the pair.`,
        mends,
      });
  } else if (fuseAmps > row.carriesAmps)
    found.push({
      ...about,
      message: `${supply.name}: ${words}, so its fuse of ${fuseAmps} A does not protect it.`,
      mends,
    });
  else if (row.wantedAmps > fuseAmps * FUSE_SHARE + 1e-9)
    found.push({
      ...about,
      rank: row.wantedAmps > fuseAmps ? 'willNotLight' : 'worthKnowing',
      message: `${supply.name}: the leads on its row want ${formatAmps(row.wantedAmps)} at full white, and the fuse before it of ${fuseAmps} A carries ${formatAmps(fuseAmps * FUSE_SHARE)} for hours.`,
      mends,
    });
  return found;
}
