'use client';

import { layWall } from '@/core/props/wall';

import { standingWords, usual } from '@/core/figures/figure';
import { Button, Select } from '@mantine/core';
import {
  CHAIN_STYLES,
  TURNS,
  chainPlaces,
  outputName,
  turnsWords,
  type ChainDesign,
  turnOf,
} from '@/core/panels/chains';
import { measureChains } from '@/core/panels/compareChains';
import { USUAL_HAT, USUAL_PICTURE, evenCards } from '@/core/panels/driver';
import { movePanel, turnPanel } from '@/core/panels/editChains';
import type { PropOf } from '@/core/props/registry';
import { cornerSeenFrom } from '@/core/threading/view';
import { formatLength } from '@/core/units/length';
import { countOf, groupDigits } from '@/core/units/number';
import { Choice } from '@/ui/fields/Choice';
import { CornerPicker } from '@/ui/fields/CornerPicker';
import { WholeField } from '@/ui/fields/fields';
import { Facts } from '@/ui/Facts';
import { Hint, Row, Section, Stack } from '@/ui/Panel';
import { useWallEdit } from './useWallEdit';
import { useLengths } from '@/ui/lengths';
import { itemAt } from '@/core/units/there';
import { DriverFields } from './DriverFields';

const STYLE_LABELS: Record<ChainDesign['style'], string> = {
  lineEach: 'One output a line',
  arrowsUp: 'All arrows one way',
  toAndFro: 'To and fro, arrows one way',
  zigzag: 'Zigzag',
};

const STYLE_HINTS: Record<ChainDesign['style'], string> = {
  lineEach: 'The shortest chains and no returns, at the price of an output for each line.',
  arrowsUp: 'Several lines an output, at the price of a long ribbon back at the end of each line.',
  toAndFro:
    'Several lines an output without returns, at the price of long ribbons inside every line that runs back.',
  zigzag:
    'Several lines an output with short ribbons only, at the price of panels that are turned in every other line.',
};

/** Driver of a wall, chains of its panels, and the panel that is chosen. */
export function WallRoutePanel({ prop }: { prop: PropOf<'wall'> }) {
  const { set } = useWallEdit(prop);
  const { driver } = prop.threading;
  return (
    <>
      <ChosenPanel prop={prop} />
      <Section title="Chains">
        <Stack>
          <ChainFields prop={prop} />
        </Stack>
      </Section>
      <Section title="What drives it">
        <Stack>
          <Choice
            label="Driver"
            value={driver.kind}
            onChange={(kind) =>
              set({
                driver:
                  kind === 'hat'
                    ? USUAL_HAT
                    : {
                        kind: 'cards',
                        outputsPerCard: 12,
                        mostPanelsPerOutput: usual(10, 'panels of 64 × 32; the manual of the card decides'),
                        inOrder: true,
                        cards: evenCards(prop.shape.columns, prop.shape.rows, 1, 1),
                      },
              })
            }
            data={[
              { value: 'hat', label: 'Output hat' },
              { value: 'cards', label: 'Receiver cards' },
            ]}
          />
          <DriverFields prop={prop} driver={driver} onChange={(next) => set({ driver: next })} />
        </Stack>
      </Section>
      <Section title="What follows">
        <ChainFacts prop={prop} />
      </Section>
    </>
  );
}

function ChainFields({ prop }: { prop: PropOf<'wall'> }) {
  const { set } = useWallEdit(prop);
  const { chaining } = prop.threading;
  const design: ChainDesign =
    chaining.by === 'design' ? chaining : { by: 'design', style: 'zigzag', along: 'rows', entry: 'topLeft' };
  const change = (part: Partial<ChainDesign>) => set({ chaining: { ...design, ...part } });
  return (
    <>
      {chaining.by === 'hand' && (
        <Hint>
          These chains are drawn by hand: they stay as they are when the wall changes. Choosing a style lays
          all of them anew; undo brings yours back.
        </Hint>
      )}
      <Select
        label="Style"
        placeholder="by hand"
        value={chaining.by === 'design' ? chaining.style : null}
        data={CHAIN_STYLES.map((style) => ({ value: style, label: STYLE_LABELS[style] }))}
        onChange={(style) => style && change({ style })}
      />
      <Choice
        label="Lines are"
        value={design.along}
        onChange={(along) => change({ along: along === 'columns' ? 'columns' : 'rows' })}
        data={[
          { value: 'rows', label: 'Rows' },
          { value: 'columns', label: 'Columns' },
        ]}
      />
      <CornerPicker
        what="Output 1 enters"
        side="back"
        value={cornerSeenFrom('back', design.entry)}
        onChange={(corner) => change({ entry: cornerSeenFrom('back', corner) })}
      />
      <Hint>
        {STYLE_HINTS[design.style]} Here {turnsWords(layWall(prop).chains)}.
      </Hint>
    </>
  );
}

function ChosenPanel({ prop }: { prop: PropOf<'wall'> }) {
  const { laid, cell, setChains, chooseCell } = useWallEdit(prop);
  const { columns, panel } = prop.shape;
  if (cell === null) return null;
  const at = { column: cell % columns, row: Math.floor(cell / columns) };
  const found = chainPlaces(laid.chains, columns).get(cell);
  const chain = found && itemAt(laid.chains, found.chain);
  const turnDeg = found ? itemAt(chain!.panels, found.place).turnDeg : 0;
  const turns = panel.columns === panel.rows ? TURNS : ([0, 180] as const);
  const outputs = laid.chains.map((each) => ({ card: each.card, output: each.output }));
  const next = laid.cards.map((_, card) => ({
    card,
    output: Math.max(0, ...outputs.filter((each) => each.card === card).map((each) => each.output)) + 1,
  }));
  const key = (place: { card: number; output: number }) => `${place.card}.${place.output}`;
  return (
    <Section title={`Panel ${at.row + 1}.${at.column + 1}`}>
      {laid.wall.missing.has(cell) ? (
        <Hint>There is no panel here. Build says which ones are missing.</Hint>
      ) : (
        <Stack>
          <Row>
            <Select
              label="Output"
              allowDeselect={false}
              placeholder="on none"
              value={chain ? key(chain) : null}
              data={[
                ...outputs.map((place) => ({
                  value: key(place),
                  label: outputName(place, laid.cards.length),
                })),
                ...next.map((place) => ({
                  value: key(place),
                  label: `${outputName(place, laid.cards.length)}, not used yet`,
                })),
              ]}
              onChange={(value) => {
                const to = [...outputs, ...next].find((place) => key(place) === value);
                if (to) setChains(movePanel(laid.chains, at, { ...to, place: 9999 }));
              }}
            />
            {found && chain && (
              <WholeField
                label="Place"
                description={`of ${chain.panels.length}`}
                what="The place in the chain"
                least={1}
                most={chain.panels.length}
                value={found.place + 1}
                onCommit={(place) => setChains(movePanel(laid.chains, at, { ...chain, place: place - 1 }))}
              />
            )}
          </Row>
          {found && (
            <Choice
              label="Turned, clockwise from the front"
              value={String(turnDeg)}
              onChange={(value) => setChains(turnPanel(laid.chains, at, turnOf(Number(value))))}
              data={turns.map((turn) => ({ value: String(turn), label: `${turn}°` }))}
            />
          )}
          <Button variant="default" size="compact-md" onClick={() => chooseCell(null)}>
            Let go of it
          </Button>
        </Stack>
      )}
    </Section>
  );
}

function ChainFacts({ prop }: { prop: PropOf<'wall'> }) {
  const lengths = useLengths();
  const { laid } = useWallEdit(prop);
  const measured = measureChains(laid.wall, prop.threading.driver, prop.threading.chaining);
  const longest = measured.chains.find((chain) => chain.panels.length === measured.longestChain);
  return (
    <Facts
      facts={[
        { name: 'Outputs', value: groupDigits(measured.outputs) },
        longest && {
          name: 'Longest chain',
          value: countOf(measured.longestChain, 'panel'),
          note: `of at most ${prop.threading.driver.mostPanelsPerOutput.value}: ${standingWords(prop.threading.driver.mostPanelsPerOutput)}`,
        },
        {
          name: 'Ribbons',
          value: `${measured.stockRibbons} + ${measured.longRibbons} long`,
          note: `${formatLength(Math.round(measured.ribbonMm), lengths)} in all, the longest ${formatLength(Math.round(measured.longestRibbonMm), lengths)}`,
        },
        { name: 'Turned panels', value: groupDigits(measured.turnedPanels) },
        {
          name: 'Refresh, estimated',
          value: Number.isFinite(measured.refreshHz)
            ? `${groupDigits(Math.round(measured.refreshHz))} Hz`
            : '–',
          note: `of the longest chain, 20 MHz, ${countOf(prop.threading.driver.depthBits ?? USUAL_PICTURE.depthBits, 'bit plane')}`,
        },
        {
          name: 'Power leads',
          value: groupDigits(measured.powerLeads),
          note: 'Y leads for pairs, across and down',
        },
      ]}
    />
  );
}
