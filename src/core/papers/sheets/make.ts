import { tableBlock, type Block } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import type { Table } from '../../pages/table';

type Given<Row> = Pick<Sheet, 'id' | 'name' | 'group' | 'about'> &
  Partial<Pick<Sheet, 'side' | 'isPaper'>> & { table: () => Table<Row>; blocks?: () => Block[] };

/** A sheet that is a table, alone on its page unless something else is said. A row of any kind is only ever handed back to the columns that came with it. */
export function tableSheet<Row>({ id, name, group, about, side, isPaper, table, blocks }: Given<Row>): Sheet {
  return {
    id,
    name,
    group,
    about,
    side: side ?? null,
    isPaper: isPaper ?? false,
    table: table as unknown as () => Table<never>,
    blocks: blocks ?? (() => [tableBlock(table())]),
  };
}

/** A sheet that is no single table. It is printed with all others. */
export function paper({
  id,
  name,
  group,
  about,
  side,
  isOnePage,
  blocks,
}: Pick<Sheet, 'id' | 'name' | 'group' | 'about' | 'blocks'> &
  Partial<Pick<Sheet, 'side' | 'isOnePage'>>): Sheet {
  return {
    id,
    name,
    group,
    about,
    side: side ?? null,
    isPaper: true,
    ...(isOnePage && { isOnePage }),
    table: null,
    blocks,
  };
}
