'use client';

import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { compareChains, type ChainScheme } from '@/core/panels/compareChains';
import { cellsOfWall } from '@/core/props/wall';
import type { PropOf } from '@/core/props/registry';
import { cornerSeenFrom, cornerWords } from '@/core/threading/view';
import { formatLength } from '@/core/units/length';
import { capitalised } from '@/core/units/words';
import { groupDigits } from '@/core/units/number';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useWallEdit } from './useWallEdit';

/** Ways to chain a wall side by side. */
export function CompareChainsSheet({ prop }: { prop: PropOf<'wall'> }) {
  const { set } = useWallEdit(prop);
  const { chaining, driver } = prop.threading;
  const entry = chaining.by === 'design' ? chaining.entry : 'topLeft';
  const schemes = useMemo(
    () => compareChains(cellsOfWall(prop.shape), driver, chaining, entry),
    [prop.shape, driver, chaining, entry],
  );
  const best = schemes[0]!;
  const figure = (head: string, unit: string | undefined, text: (scheme: ChainScheme) => string) => ({
    head,
    unit,
    numeric: true,
    cell: text,
    text,
  });
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
        label={`Ways to chain ${prop.name}`}
        testId="chain-schemes"
        rows={schemes}
        rowKey={(scheme) => scheme.words}
        chosen={(scheme) => scheme.isCurrent}
        columns={[
          {
            head: 'Style',
            cell: (scheme: ChainScheme) => (
              <>
                {capitalised(scheme.words)}
                <br />
                {scheme.isCurrent ? (
                  <b style={{ color: 'var(--lamp)' }}>in use</b>
                ) : (
                  <Button
                    size="compact-xs"
                    variant="default"
                    onClick={() => set({ chaining: scheme.chaining })}
                  >
                    Use this
                  </Button>
                )}
              </>
            ),
            text: (scheme) => scheme.words,
          },
          {
            ...figure('Outputs', undefined, (scheme) => groupDigits(scheme.outputs)),
            cell: (scheme: ChainScheme) => (
              <span style={scheme.fits ? undefined : { color: 'var(--bad)' }}>
                {scheme.outputs}
                {!scheme.fits && ' does not fit'}
              </span>
            ),
          },
          figure('Chain', 'panels', (scheme) =>
            scheme.shortestChain === scheme.longestChain
              ? String(scheme.longestChain)
              : `${scheme.shortestChain}–${scheme.longestChain}`,
          ),
          figure('Ribbons', 'of the box', (scheme) => String(scheme.stockRibbons)),
          figure('Ribbons', 'long', (scheme) => String(scheme.longRibbons)),
          figure('Longest', 'ribbon', (scheme) =>
            scheme.longestRibbonMm === 0 ? '–' : formatLength(Math.round(scheme.longestRibbonMm)),
          ),
          figure('Ribbon', 'in all', (scheme) => formatLength(Math.round(scheme.ribbonMm))),
          figure('Turned', 'panels', (scheme) => String(scheme.turnedPanels)),
          figure('Refresh', 'Hz, estimated', (scheme) => groupDigits(Math.round(scheme.refreshHz))),
          figure('Power', 'leads', (scheme) => String(scheme.powerLeads)),
        ]}
      />
    </div>
  );
}
