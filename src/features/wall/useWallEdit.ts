import { useMemo } from 'react';
import type { Chain } from '@/core/panels/chains';
import type { PropOf } from '@/core/props/registry';
import { layWall, type WallThreading } from '@/core/props/wall';
import { useEdit } from '../show/ShowProvider';
import { useWallCell } from './useWallCell';

/** A wall with its chains, the panel that is chosen, and the ways to change its threading. */
export function useWallEdit(prop: PropOf<'wall'>) {
  const edit = useEdit();
  const laid = useMemo(() => layWall(prop), [prop]);
  const { chosen, choose } = useWallCell();
  const { columns, rows } = prop.shape;
  const cell =
    chosen?.propId === prop.id && chosen.column < columns && chosen.row < rows
      ? chosen.row * columns + chosen.column
      : null;
  const set = (change: Partial<WallThreading>) =>
    edit({ type: 'setThreading', propId: prop.id, threading: { ...prop.threading, ...change } });
  return {
    laid,
    cell,
    chooseCell: (next: number | null) =>
      choose(
        next === null ? null : { propId: prop.id, column: next % columns, row: Math.floor(next / columns) },
      ),
    set,
    setChains: (chains: Chain[]) => set({ chaining: { by: 'hand', chains } }),
  };
}
