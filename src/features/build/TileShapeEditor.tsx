'use client';

import { TILE_LIMITS } from '@/core/props/tile';
import type { PropOf } from '@/core/props/registry';
import { cornerSeenFrom } from '@/core/threading/view';
import { Choice } from '@/ui/fields/Choice';
import { CornerPicker } from '@/ui/fields/CornerPicker';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { useEdit } from '../show/ShowProvider';
import { useView } from '../view/useView';
import { Part } from './Part';

type TileShape = PropOf<'tile'>['shape'];

/** How many tiles, what one tile is, and how far apart its pixels are. */
export function TileShapeEditor({ propId, shape }: { propId: string; shape: TileShape }) {
  const edit = useEdit();
  const { side } = useView();
  const set = (change: Partial<TileShape>) =>
    edit({ type: 'setShape', propId, shape: { ...shape, ...change } });
  const setTile = (change: Partial<TileShape['tile']>) => set({ tile: { ...shape.tile, ...change } });
  const tiles = { least: 1, most: TILE_LIMITS.tiles };
  const pixels = { least: 1, most: TILE_LIMITS.pixels };
  return (
    <Stack>
      <Row>
        <WholeField
          {...tiles}
          label="Tiles across"
          what="The number of tiles"
          value={shape.columns}
          onCommit={(columns) => set({ columns })}
        />
        <WholeField
          {...tiles}
          label="Tiles up"
          what="The number of tiles"
          value={shape.rows}
          onCommit={(rows) => set({ rows })}
        />
      </Row>
      <Part title="One tile">
        <Row>
          <WholeField
            {...pixels}
            label="Pixels across"
            what="The number of pixels"
            value={shape.tile.columns}
            onCommit={(columns) => setTile({ columns })}
          />
          <WholeField
            {...pixels}
            label="Pixels up"
            what="The number of pixels"
            value={shape.tile.rows}
            onCommit={(rows) => setTile({ rows })}
          />
        </Row>
        <CornerPicker
          what="Its first pixel"
          value={cornerSeenFrom(side, shape.tile.firstPixel)}
          side={side}
          onChange={(corner) => setTile({ firstPixel: cornerSeenFrom(side, corner) })}
        />
        <Choice
          label="Its pixels run along"
          value={shape.tile.along}
          onChange={(along) => setTile({ along: along === 'columns' ? 'columns' : 'rows' })}
          data={[
            { value: 'rows', label: 'Rows' },
            { value: 'columns', label: 'Columns' },
          ]}
        />
        <Choice
          label="Its pattern"
          value={shape.tile.pattern}
          onChange={(pattern) => setTile({ pattern: pattern === 'serpentine' ? 'serpentine' : 'straight' })}
          data={[
            { value: 'straight', label: 'Row by row' },
            { value: 'serpentine', label: 'Serpentine' },
          ]}
        />
      </Part>
      <Row>
        <LengthField
          label="Pixel pitch"
          what="The pitch"
          leastMm={1}
          mostMm={TILE_LIMITS.mostPitchMm}
          value={shape.pitchMm}
          onCommit={(pitchMm) => set({ pitchMm })}
        />
        <LengthField
          label="Gap between tiles"
          what="The gap"
          leastMm={0}
          mostMm={TILE_LIMITS.mostPitchMm}
          value={shape.gapMm}
          onCommit={(gapMm) => set({ gapMm })}
        />
      </Row>
      <Hint>
        A tile is never split over two universes: the next start is the start before plus its channels, and a
        tile that does not fit any more opens the next universe.
      </Hint>
    </Stack>
  );
}
