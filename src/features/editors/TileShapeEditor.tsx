'use client';

import { Button, Select } from '@mantine/core';
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

/** Number of tiles, size of one tile, and distance of its pixels. */
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
          isSpacing
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
      <TurnedTiles shape={shape} onChange={(turned) => set({ turned })} />
      <Hint>
        A tile is never split over two universes: the next start is the start before plus its channels, and a
        tile that does not fit any more opens the next universe.
      </Hint>
    </Stack>
  );
}

type Turned = NonNullable<TileShape['turned']>;
const TURN_LABELS: Record<number, string> = {
  90: 'a quarter, clockwise',
  180: 'upside down',
  270: 'a quarter, the other way',
};

/** Tiles that hang otherwise than the others: their pixels are elsewhere, their addresses stay. */
function TurnedTiles({
  shape,
  onChange,
}: {
  shape: TileShape;
  onChange: (turned: Turned | undefined) => void;
}) {
  const { columns, rows, tile, turned = [] } = shape;
  const numberOf = ({ column, row }: Turned[number]) => row * columns + column + 1;
  const cellOf = (number: number) => ({
    column: (number - 1) % columns,
    row: Math.floor((number - 1) / columns),
  });
  const shown = turned.filter(({ column, row }) => column < columns && row < rows);
  const set = (next: Turned) => onChange(next.length > 0 ? next : undefined);
  const replace = (old: Turned[number], next: Turned[number]) =>
    set(turned.map((each) => (each === old ? next : each)));
  const isFree = (number: number) => !shown.some((each) => numberOf(each) === number);
  const free = Array.from({ length: columns * rows }, (_, i) => i + 1).find(isFree);
  return (
    <>
      {shown.map((each) => (
        <Part
          key={numberOf(each)}
          title={`Tile ${numberOf(each)} is turned`}
          onRemove={() => set(turned.filter((other) => other !== each))}
        >
          <Row>
            <WholeField
              label="Tile"
              description="row by row from the top left"
              what="The number of the tile"
              least={1}
              most={columns * rows}
              value={numberOf(each)}
              onCommit={(number) => isFree(number) && (replace(each, { ...each, ...cellOf(number) }), true)}
            />
            <Select
              label="Turned"
              description="seen from the front"
              allowDeselect={false}
              value={String(each.turnDeg)}
              data={([90, 180, 270] as const)
                .filter((turn) => turn === 180 || tile.columns === tile.rows)
                .map((turn) => ({ value: String(turn), label: TURN_LABELS[turn]! }))}
              onChange={(turn) => turn && replace(each, { ...each, turnDeg: Number(turn) as 90 | 180 | 270 })}
            />
          </Row>
        </Part>
      ))}
      <Button
        variant="default"
        size="compact-md"
        disabled={free === undefined}
        onClick={() => free !== undefined && set([...turned, { ...cellOf(free), turnDeg: 180 }])}
      >
        Add a tile that hangs turned
      </Button>
    </>
  );
}
