'use client';

import { chainSchemesTable } from '@/core/papers/tables/walls';
import { UseThis } from '../sheets/UseThis';
import { useMemo } from 'react';
import { compareChains } from '@/core/panels/compareChains';
import { cellsOfWall } from '@/core/props/wall';
import type { PropOf } from '@/core/props/registry';
import { cornerSeenFrom, cornerWords } from '@/core/threading/view';
import { capitalised } from '@/core/units/words';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useWallEdit } from './useWallEdit';
import { useLengths } from '@/ui/lengths';
import { itemAt } from '@/core/units/there';

/** Ways to chain a wall side by side. */
export function CompareChainsSheet({ prop }: { prop: PropOf<'wall'> }) {
  const { set } = useWallEdit(prop);
  const lengths = useLengths();
  const { chaining, driver } = prop.threading;
  const entry = chaining.by === 'design' ? chaining.entry : 'topLeft';
  const schemes = useMemo(
    () => compareChains(cellsOfWall(prop.shape), driver, chaining, entry),
    [prop.shape, driver, chaining, entry],
  );
  const best = itemAt(schemes, 0);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Output 1 enters at the <b>{cornerWords(cornerSeenFrom('back', entry))}, seen from the back</b>.
        Shorter ribbons are better, and so are fewer panels an output: refresh falls with the length of the
        longest chain.
      </p>
      <div className={sheets.note} data-testid="recommendation">
        <b>{capitalised(best.words)}.</b>{' '}
        {best.fits
          ? `${best.longRibbons === 0 ? 'Ribbons of the box alone' : `${best.longRibbons} long ribbons`}, ${best.longestChain} panels on the longest output; the price is ${best.turnedPanels > 0 ? `${best.turnedPanels} panels turned` : best.outputs > 1 ? `${best.outputs} outputs` : 'one long chain'}.`
          : 'Nothing fits the driver: more outputs, or a driver that takes longer chains, is needed.'}
      </div>
      <SheetTable
        testId="chain-schemes"
        table={chainSchemesTable(prop.name, schemes, lengths)}
        chosen={(scheme) => scheme.isCurrent}
        fields={{
          style: (scheme) => (
            <>
              {capitalised(scheme.words)}
              <br />
              <UseThis inUse={scheme.isCurrent} onUse={() => set({ chaining: scheme.chaining })} />
            </>
          ),
        }}
      />
    </div>
  );
}
