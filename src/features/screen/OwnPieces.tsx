import { ActionIcon, Button, Group, Select, Switch } from '@mantine/core';
import { IconArrowDown, IconArrowUp, IconTrash } from '@tabler/icons-react';
import { asOwnPieces, framePieces } from '@/core/screens/frame';
import { SCREEN_LIMITS, type OwnPiece, type ScreenShape } from '@/core/screens/shape';
import { SCREEN_SIDES } from '@/core/screens/sides';
import { countOf } from '@/core/units/number';
import { LengthField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import styles from './screen.module.css';
import type { ScreenChange } from './useSetScreen';
import { itemAt } from '@/core/units/there';

const RUNS: { value: OwnPiece['runs']; label: string }[] = [
  { value: 'along', label: 'along' },
  { value: 'outwards', label: 'outwards' },
  { value: 'inwards', label: 'inwards' },
];

/** Pieces of strip in an order of one's own: a ledge, a bump-out, a side in parts. */
export function OwnPieces({ shape, set }: { shape: ScreenShape; set: (change: ScreenChange) => boolean }) {
  const { ownPieces } = shape;
  const pieces = framePieces(shape);
  const setPieces = (next: OwnPiece[]) => set({ ownPieces: next });
  const change = (at: number, piece: Partial<OwnPiece>) =>
    setPieces(ownPieces!.map((each, i) => (i === at ? { ...each, ...piece } : each)));
  const move = (at: number, by: -1 | 1) => {
    const next = [...ownPieces!];
    next.splice(at + by, 0, ...next.splice(at, 1));
    return setPieces(next);
  };
  return (
    <>
      <Switch
        label="Pieces of my own"
        description="A ledge, a bump-out, a side in parts: listed one after another"
        checked={ownPieces !== undefined}
        onChange={(event) =>
          event.currentTarget.checked
            ? set({
                ownPieces: asOwnPieces(shape),
                standGap: undefined,
                installed: undefined,
                corners: undefined,
              })
            : set({ ownPieces: undefined })
        }
      />
      {ownPieces && (
        <Stack>
          <Hint>
            Clockwise as seen from the front. Each piece begins so far from the corner at which its side
            begins clockwise (the top at the left, the right at the top); below zero it lies outside the
            picture.
          </Hint>
          {ownPieces.map((piece, i) => (
            <fieldset key={i} className={styles.piece}>
              <legend>
                Piece {i + 1}, {countOf(itemAt(pieces, i).pixels, 'pixel')}
              </legend>
              <Row>
                <Select
                  label="Colours from"
                  allowDeselect={false}
                  value={piece.side}
                  data={SCREEN_SIDES.map((side) => ({ value: side, label: side }))}
                  onChange={(side) => side && change(i, { side })}
                />
                <Select
                  label="It runs"
                  allowDeselect={false}
                  value={piece.runs}
                  data={RUNS}
                  onChange={(runs) => runs && change(i, { runs })}
                />
              </Row>
              <Row>
                <LengthField
                  label="From its corner"
                  what="The beginning"
                  leastMm={-SCREEN_LIMITS.mostMm}
                  mostMm={SCREEN_LIMITS.mostMm}
                  value={piece.atMm}
                  onCommit={(atMm) => change(i, { atMm })}
                />
                <LengthField
                  label="Length"
                  what="The length"
                  leastMm={1}
                  mostMm={SCREEN_LIMITS.mostMm}
                  value={piece.lengthMm}
                  onCommit={(lengthMm) => change(i, { lengthMm })}
                />
                <LengthField
                  label="Inside"
                  what="The inset"
                  leastMm={-SCREEN_LIMITS.mostInsetMm}
                  mostMm={SCREEN_LIMITS.mostInsetMm}
                  value={piece.insetMm}
                  onCommit={(insetMm) => change(i, { insetMm })}
                />
              </Row>
              <Group gap={6} justify="flex-end">
                <ActionIcon
                  variant="default"
                  aria-label={`Piece ${i + 1} earlier`}
                  disabled={i === 0}
                  onClick={() => move(i, -1)}
                >
                  <IconArrowUp size={16} />
                </ActionIcon>
                <ActionIcon
                  variant="default"
                  aria-label={`Piece ${i + 1} later`}
                  disabled={i === ownPieces.length - 1}
                  onClick={() => move(i, 1)}
                >
                  <IconArrowDown size={16} />
                </ActionIcon>
                <ActionIcon
                  variant="default"
                  aria-label={`Take piece ${i + 1} out`}
                  disabled={ownPieces.length === 1}
                  onClick={() => setPieces(ownPieces.filter((_, at) => at !== i))}
                >
                  <IconTrash size={16} />
                </ActionIcon>
              </Group>
            </fieldset>
          ))}
          <Button
            variant="default"
            disabled={ownPieces.length >= SCREEN_LIMITS.mostOwnPieces}
            onClick={() =>
              setPieces([
                ...ownPieces,
                { side: 'bottom', runs: 'along', atMm: 0, lengthMm: 300, insetMm: -40 },
              ])
            }
          >
            Add a piece
          </Button>
        </Stack>
      )}
    </>
  );
}
