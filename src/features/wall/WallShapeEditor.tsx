'use client';

import { retyped } from '@/core/figures/figure';
import { PartNotesEditor } from '../figures/PartNotes';
import { StandingFields } from '../figures/StandingFields';
import { Select, Switch } from '@mantine/core';
import { PANEL_COLOUR_ORDERS, PANEL_LIMITS, SHIPPED_PANELS, type PanelType } from '@/core/panels/panelType';
import type { PropOf } from '@/core/props/registry';
import { WALL_LIMITS, missingCells, type WallShape } from '@/core/props/wall';
import { said } from '@/core/fields/said';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { LengthField, NameField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { Part } from '../editors/Part';
import { useEdit } from '../show/ShowProvider';
import { SocketPicker } from './SocketPicker';
import { useWallCell } from './useWallCell';

/** Which panels, how many, and what sets single ones apart. */
export function WallShapeEditor({ propId, shape }: { propId: string; shape: PropOf<'wall'>['shape'] }) {
  const edit = useEdit();
  const { panel } = shape;
  const set = (change: Partial<WallShape>) =>
    edit({ type: 'setShape', propId, shape: { ...shape, ...change } });
  const setPanel = (change: Partial<PanelType>) => set({ panel: { ...panel, ...change } });
  const socket = (
    <SocketPicker
      value={panel.dataInAtBack}
      isSeen={panel.socketSeen === true}
      onChange={(dataInAtBack) => setPanel({ dataInAtBack, socketSeen: true })}
    />
  );
  return (
    <Stack>
      {!panel.socketSeen && socket}
      <SelectedPanel propId={propId} shape={shape} onChange={set} />
      <Row>
        <WholeField
          label="Panels across"
          what="The number of panels"
          least={1}
          most={WALL_LIMITS.side}
          value={shape.columns}
          onCommit={(columns) => set({ columns })}
        />
        <WholeField
          label="Panels down"
          what="The number of panels"
          least={1}
          most={WALL_LIMITS.side}
          value={shape.rows}
          onCommit={(rows) => set({ rows })}
        />
      </Row>
      <Select
        label="Panel"
        description="Start from a usual one, then type what its data sheet says"
        placeholder={panel.name}
        value={shippedName(panel)}
        data={SHIPPED_PANELS.map((each) => each.name)}
        onChange={(name) => {
          const found = SHIPPED_PANELS.find((each) => each.name === name);
          // The data socket seen on the back of the panels in hand stays.
          const { dataInAtBack, socketSeen } = panel;
          if (found) set({ panel: socketSeen ? { ...found, dataInAtBack, socketSeen } : found });
        }}
      />
      <NameField label="Its name" value={panel.name} onCommit={(name) => setPanel({ name })} />
      <Row>
        <WholeField
          label="Pixels across"
          description="one panel"
          what="The number of pixels"
          least={4}
          most={PANEL_LIMITS.side}
          value={panel.columns}
          onCommit={(columns) => setPanel({ columns })}
        />
        <WholeField
          label="Pixels down"
          description="one panel"
          what="The number of pixels"
          least={4}
          most={PANEL_LIMITS.side}
          value={panel.rows}
          onCommit={(rows) => setPanel({ rows })}
        />
      </Row>
      <Row>
        <LengthField
          label="Pitch"
          description="pixel to pixel"
          what="The pitch"
          leastMm={0.5}
          mostMm={PANEL_LIMITS.mostPitchMm}
          value={panel.pitchMm}
          onCommit={(pitchMm) => setPanel({ pitchMm })}
        />
        <WholeField
          label="Scan 1 in"
          description="rows lit at a time"
          what="The scan"
          least={1}
          most={64}
          value={panel.scan}
          onCommit={(scan) => setPanel({ scan })}
        />
      </Row>
      <Row>
        <NumberUnitField
          label="At full white"
          description="one panel, at 5 V"
          unit="A"
          least={0.05}
          most={PANEL_LIMITS.mostAmps}
          value={panel.ampsFullWhite.value}
          onCommit={(amps) => setPanel({ ampsFullWhite: retyped(panel.ampsFullWhite, amps) })}
          hint="A panel of this kind draws some 2 to 4 A at 5 V. If this is the figure of the supply in watts, divide by 5."
        />
        <Select
          label="Colour order"
          description="as it is wired"
          allowDeselect={false}
          value={panel.colourOrder}
          data={[...PANEL_COLOUR_ORDERS]}
          onChange={(order) => order && setPanel({ colourOrder: order })}
        />
      </Row>
      <StandingFields
        label="Amps of a panel"
        figure={panel.ampsFullWhite}
        onCommit={(ampsFullWhite) => setPanel({ ampsFullWhite })}
      />
      {panel.socketSeen && socket}
      <PartNotesEditor part={panel.name} notes={panel.notes} onChange={(notes) => setPanel({ notes })} />
    </Stack>
  );
}

/** The usual panel that this one is, whichever side its socket was seen at. */
function shippedName({ dataInAtBack: _socket, socketSeen: _seen, ...panel }: PanelType): string | null {
  const isSame = ({ dataInAtBack: _, ...shipped }: PanelType) =>
    JSON.stringify(shipped) === JSON.stringify(panel);
  return SHIPPED_PANELS.find(isSame)?.name ?? null;
}

interface SelectedPanelProps {
  propId: string;
  shape: WallShape;
  onChange: (change: Partial<WallShape>) => boolean;
}

function SelectedPanel({ propId, shape, onChange }: SelectedPanelProps) {
  const { chosen } = useWallCell();
  if (chosen?.propId !== propId || chosen.column >= shape.columns || chosen.row >= shape.rows)
    return (
      <Hint>
        Choose a panel on the drawing to leave it out (walls in the shape of an L or a T) or to give it
        another colour order.
      </Hint>
    );
  const { column, row } = chosen;
  const own = shape.others?.find((other) => other.column === column && other.row === row);
  const set = (change: {
    missing?: true | undefined;
    colourOrder?: PanelType['colourOrder'] | undefined;
  }) => {
    const next = { column, row, ...own, ...change };
    const rest = (shape.others ?? []).filter((other) => other !== own);
    const kept = next.missing || next.colourOrder ? [...rest, said(next)] : rest;
    onChange({ others: kept.length > 0 ? kept : undefined });
  };
  const missing = missingCells(shape).has(row * shape.columns + column);
  return (
    <Part title={`Panel ${row + 1}.${column + 1}`} aside="row.column from the front">
      <Switch
        label="There is no panel here"
        checked={missing}
        onChange={(event) => set({ missing: event.currentTarget.checked || undefined })}
      />
      {!missing && (
        <Select
          label="Its colour order"
          clearable
          placeholder={`${shape.panel.colourOrder}, as the others`}
          value={own?.colourOrder ?? null}
          data={[...PANEL_COLOUR_ORDERS]}
          onChange={(order) => set({ colourOrder: order ?? undefined })}
        />
      )}
    </Part>
  );
}
