'use client';

import { useState } from 'react';
import { chainPlaces, outputName, turnOf } from '@/core/panels/chains';
import { movePanel, stringTogether, turnPanel } from '@/core/panels/editChains';
import type { PropOf } from '@/core/props/registry';
import { countOf } from '@/core/units/number';
import { useLitPixel } from './useLitPixel';
import { useWallEdit } from './useWallEdit';
import { WallBoard } from './WallBoard';
import styles from './wall.module.css';
import { itemAt } from '@/core/units/there';

const LAYERS = { chains: true, labels: true, cards: true };

/** The panel map twice: as it is typed, from the front, and as it is wired, from the back. The same panel is marked on both. */
export function ChainsDesigner({ prop }: { prop: PropOf<'wall'> }) {
  const { laid, cell, chooseCell, setChains } = useWallEdit(prop);
  const { columns, rows, panel } = prop.shape;
  const lit = useLitPixel(prop);
  const [picked, setPicked] = useState<{ card: number; output: number } | null>(null);
  const places = chainPlaces(laid.chains, columns);
  const at = (index: number) => ({ column: index % columns, row: Math.floor(index / columns) });
  const chainAt = (index: number) => {
    const found = places.get(index);
    return found && itemAt(laid.chains, found.chain);
  };
  const cardAt = (index: number) => {
    const { column, row } = at(index);
    return Math.max(
      0,
      laid.cards.findIndex(
        (card) =>
          column >= card.column &&
          column < card.column + card.columns &&
          row >= card.row &&
          row < card.row + card.rows,
      ),
    );
  };
  const firstFree = (card: number) =>
    Math.max(0, ...laid.chains.filter((chain) => chain.card === card).map((chain) => chain.output)) + 1;
  const path = (cells: number[]) => {
    const there = cells.filter((each) => !laid.wall.missing.has(each));
    if (there.length === 0) return;
    const own = chainAt(itemAt(there, 0));
    const to = picked ??
      own ?? { card: cardAt(itemAt(there, 0)), output: firstFree(cardAt(itemAt(there, 0))) };
    setChains(stringTogether(laid.chains, { card: to.card, output: to.output }, there.map(at)));
  };
  const key = (pressed: string) => {
    if (cell === null) return false;
    const found = places.get(cell);
    const chain = chainAt(cell);
    if (!found || !chain) return false;
    if (pressed === 'r' || pressed === 'R') {
      const step = panel.columns === panel.rows ? 90 : 180;
      setChains(turnPanel(laid.chains, at(cell), turnOf(itemAt(chain.panels, found.place).turnDeg + step)));
      return true;
    }
    if (pressed === ',' || pressed === '.') {
      const place = found.place + (pressed === ',' ? -1 : 1);
      if (place >= 0 && place < chain.panels.length)
        setChains(movePanel(laid.chains, at(cell), { ...chain, place }));
      return true;
    }
    return false;
  };
  const board = (side: 'front' | 'back') => (
    <WallBoard
      laid={laid}
      propId={prop.id}
      side={side}
      layers={LAYERS}
      testId={`wall-${side}`}
      label={`${prop.name}, ${columns} by ${rows} panels, seen from the ${side}. Arrows go from panel to panel, R turns one, comma and full stop move it in its chain.`}
      chosen={cell}
      lit={lit}
      onChoose={chooseCell}
      onPath={path}
      onKey={key}
    />
  );
  const odd = columns % 2 === 1 && columns > 1;
  const fresh = laid.cards.map((_, card) => ({ card, output: firstFree(card) }));
  const wide = columns * panel.columns > 1.4 * rows * panel.rows;
  return (
    <div className={styles.pair} data-stacked={wide}>
      <div className={styles.tools}>
        <span>Drag over panels to string them onto the output</span>
        <button
          type="button"
          className={styles.output}
          aria-pressed={picked === null}
          onClick={() => setPicked(null)}
        >
          of the panel you start from
        </button>
        {[
          ...laid.chains.map((chain) => ({ ...chain, count: chain.panels.length })),
          ...fresh.map((place) => ({ ...place, count: 0 })),
        ]
          .slice(0, 40)
          .map((chain, i) => (
            <button
              key={`${chain.card}.${chain.output}`}
              type="button"
              className={styles.output}
              title={`Output ${outputName(chain, laid.cards.length)}, ${countOf(chain.count, 'panel')}`}
              aria-pressed={picked?.card === chain.card && picked.output === chain.output}
              onClick={() => setPicked({ card: chain.card, output: chain.output })}
            >
              {chain.count > 0 && (
                <span className={styles.swatch} style={{ background: `var(--run-${(i % 6) + 1})` }} />
              )}
              {chain.count > 0
                ? `${outputName(chain, laid.cards.length)} · ${chain.count}`
                : `${outputName(chain, laid.cards.length)}, still empty`}
            </button>
          ))}
      </div>
      <div className={styles.half}>
        <h3>
          To type <span>· seen from the front</span>
        </h3>
        <div className={styles.board}>{board('front')}</div>
      </div>
      <div className={styles.half}>
        <h3>
          To wire <span>· seen from the back, left and right swap</span>
        </h3>
        <div className={styles.board}>{board('back')}</div>
      </div>
      <div className={styles.foot}>
        <b>{countOf(laid.chains.length, 'output')}</b> · above: output.place in the chain as wired; below: row
        and column as seen from the front; zoom in where a panel is too small for them · square: data in,
        ring: end of the chain · the arrow is the printed one
        {odd && (
          <>
            {' '}
            · <b>Odd width:</b> the middle column looks right even when front and back are swapped. Judge by
            an outer one.
          </>
        )}
      </div>
    </div>
  );
}
