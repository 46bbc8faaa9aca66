'use client';

import { tileRows, tilesTable } from '@/core/papers/tables/tiles';
import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';

/** Settings on the menu of each tile, in the order of the data. */
export function TilesSheet({ plan, prop, index }: { plan: Plan; prop: PropOf<'tile'>; index: number }) {
  const rows = tileRows(plan, index, prop.shape);
  return (
    <div className={sheets.sheet}>
      <h2>Every tile</h2>
      <p className={sheets.lead}>
        Set the start on each tile’s own menu, along the chain from the port on. The end is a check: start and
        channels of the tile, less one.
        {rows.some((row) => row.channel === null) && ' Tiles without a start are on no port yet.'}
      </p>
      <SheetTable testId="tiles" table={tilesTable(prop.name, rows)} />
    </div>
  );
}
