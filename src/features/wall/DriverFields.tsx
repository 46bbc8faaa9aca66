import { retyped } from '@/core/figures/figure';
import { PartNotesEditor } from '../figures/PartNotes';
import { StandingFields } from '../figures/StandingFields';
import { DRIVER_LIMITS, USUAL_PICTURE, evenCards, type Driver } from '@/core/panels/driver';
import type { PropOf } from '@/core/props/registry';
import { Choice } from '@/ui/fields/Choice';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { ParsedField } from '@/ui/fields/ParsedField';
import { WholeField } from '@/ui/fields/fields';
import { Hint, Row } from '@/ui/Panel';
import { Part } from '../editors/Part';

interface DriverFieldsProps {
  prop: PropOf<'wall'>;
  driver: Driver;
  onChange: (driver: Driver) => boolean;
}

export function DriverFields({ prop, driver, onChange }: DriverFieldsProps) {
  return driver.kind === 'hat' ? (
    <HatFields driver={driver} onChange={onChange} />
  ) : (
    <CardsFields prop={prop} driver={driver} onChange={onChange} />
  );
}

type HatDriver = Extract<Driver, { kind: 'hat' }>;
type CardsDriver = Extract<Driver, { kind: 'cards' }>;
type DriverPartProps = Omit<DriverFieldsProps, 'prop'>;

function PanelsAnOutput({ driver, onChange }: DriverPartProps) {
  return (
    <WholeField
      label="Panels an output"
      description="at most"
      what="The number of panels"
      least={1}
      most={DRIVER_LIMITS.panelsPerOutput}
      value={driver.mostPanelsPerOutput.value}
      onCommit={(most) =>
        onChange({ ...driver, mostPanelsPerOutput: retyped(driver.mostPanelsPerOutput, most) })
      }
    />
  );
}

function DriverStanding({ driver, onChange }: DriverPartProps) {
  return (
    <>
      <StandingFields
        label="Panels an output"
        figure={driver.mostPanelsPerOutput}
        onCommit={(mostPanelsPerOutput) => onChange({ ...driver, mostPanelsPerOutput })}
      />
      <PartNotesEditor
        part={driver.kind === 'hat' ? 'the hat' : 'the cards'}
        notes={driver.notes}
        onChange={(notes) => onChange({ ...driver, notes })}
      />
    </>
  );
}

function HatFields({ driver, onChange }: DriverPartProps & { driver: HatDriver }) {
  return (
    <>
      <Row>
        <WholeField
          label="Outputs"
          description="of the hat"
          what="The number of outputs"
          least={1}
          most={8}
          value={driver.outputs}
          onCommit={(outputs) => onChange({ ...driver, outputs })}
        />
        <PanelsAnOutput driver={driver} onChange={onChange} />
      </Row>
      <DriverStanding driver={driver} onChange={onChange} />
      <PictureFields driver={driver} onChange={onChange} />
      <Row>
        <SourceField
          label="Pinout"
          placeholder="as printed on the hat"
          value={driver.pinout}
          onCommit={(pinout) => onChange({ ...driver, pinout })}
        />
        <WholeField
          label="Slow-down"
          what="The slow-down"
          least={0}
          most={10}
          value={driver.slowDown}
          onCommit={(slowDown) => onChange({ ...driver, slowDown })}
        />
      </Row>
      <SourceField
        label="Slowed down because"
        value={driver.slowDownReason}
        onCommit={(slowDownReason) => onChange({ ...driver, slowDownReason })}
      />
      <Hint>
        Do not ask the same small computer to feed a receiver card and send ordinary pixel data: it was seen
        to drop frames.
      </Hint>
    </>
  );
}

function CardsFields({ prop, driver, onChange }: DriverFieldsProps & { driver: CardsDriver }) {
  const { columns, rows } = prop.shape;
  const across = new Set(driver.cards.map((card) => card.column)).size;
  const down = new Set(driver.cards.map((card) => card.row)).size;
  const setCards = (cards: CardsDriver['cards']) => onChange({ ...driver, cards });
  const recut = (a: number, d: number) => setCards(evenCards(columns, rows, a, d));
  return (
    <>
      <Row>
        <WholeField
          label="Outputs a card"
          what="The number of outputs"
          least={1}
          most={DRIVER_LIMITS.outputs}
          value={driver.outputsPerCard}
          onCommit={(outputsPerCard) => onChange({ ...driver, outputsPerCard })}
        />
        <PanelsAnOutput driver={driver} onChange={onChange} />
      </Row>
      <DriverStanding driver={driver} onChange={onChange} />
      <PictureFields driver={driver} onChange={onChange} />
      <Row>
        <WholeField
          label="Cards side by side"
          what="The number of cards"
          least={1}
          most={Math.min(16, columns)}
          value={across}
          onCommit={(count) => recut(count, down)}
        />
        <WholeField
          label="one below another"
          what="The number of cards"
          least={1}
          most={Math.min(16, rows)}
          value={down}
          onCommit={(count) => recut(across, count)}
        />
      </Row>
      {driver.cards.map((card, i) => (
        <CardFields
          key={i}
          number={i + 1}
          card={card}
          columns={columns}
          rows={rows}
          onChange={(next) => setCards(driver.cards.map((each, k) => (k === i ? next : each)))}
          onRemove={
            driver.cards.length > 1 ? () => setCards(driver.cards.filter((_, k) => k !== i)) : undefined
          }
        />
      ))}
      <Choice
        label="Outputs must be used from the first on"
        value={driver.inOrder ? 'yes' : 'no'}
        onChange={(value) => onChange({ ...driver, inOrder: value === 'yes' })}
        data={[
          { value: 'yes', label: 'Yes' },
          { value: 'no', label: 'In any order' },
        ]}
      />
      <Hint>
        Receiver cards take raw frames over a gigabit link straight from the sender’s port: no router between,
        no IP address on either. The sender needs another link for control.
      </Hint>
    </>
  );
}

type CardOfDriver = CardsDriver['cards'][number];

interface CardFieldsProps {
  number: number;
  card: CardOfDriver;
  columns: number;
  rows: number;
  onChange: (card: CardOfDriver) => boolean;
  onRemove: (() => void) | undefined;
}

function CardFields({ number, card, columns, rows, onChange, onRemove }: CardFieldsProps) {
  return (
    <Part title={`Card ${number}`} aside={`${card.columns} × ${card.rows} panels`} onRemove={onRemove}>
      <Row>
        {(
          [
            ['column', 'From column', 1, columns],
            ['row', 'From row', 1, rows],
            ['columns', 'Columns', 0, columns],
            ['rows', 'Rows', 0, rows],
          ] as const
        ).map(([field, label, offset, most]) => (
          <WholeField
            key={field}
            label={label}
            size="xs"
            what={label}
            least={1}
            most={most}
            value={card[field] + offset}
            onCommit={(value) => onChange({ ...card, [field]: value - offset })}
          />
        ))}
      </Row>
    </Part>
  );
}

/** Picture settings of the driver: those that its screens ask for, and those behind the refresh. */
function PictureFields({ driver, onChange }: { driver: Driver; onChange: (driver: Driver) => boolean }) {
  const { depthBits, brightnessPercent, gamma } = USUAL_PICTURE;
  return (
    <>
      <Row>
        <NumberUnitField
          label="Brightness"
          unit="%"
          least={0}
          most={100}
          value={driver.brightnessPercent ?? brightnessPercent}
          onCommit={(percent) => onChange({ ...driver, brightnessPercent: percent })}
        />
        <NumberUnitField
          label="Gamma"
          unit=""
          least={0.5}
          most={5}
          value={driver.gamma ?? gamma}
          onCommit={(value) => onChange({ ...driver, gamma: value })}
        />
      </Row>
      <WholeField
        label="Colour depth"
        description="bits of each colour; fewer refresh faster"
        what="The number of bits"
        least={1}
        most={16}
        value={driver.depthBits ?? depthBits}
        onCommit={(bits) => onChange({ ...driver, depthBits: bits })}
      />
    </>
  );
}

function SourceField({
  label,
  placeholder,
  value,
  onCommit,
}: {
  label: string;
  placeholder?: string;
  value: string;
  onCommit: (text: string) => boolean;
}) {
  return (
    <ParsedField
      label={label}
      placeholder={placeholder}
      value={value}
      format={(text) => text}
      parse={(text) =>
        text.trim().length <= 60 || (label !== 'Pinout' && text.trim().length <= 200)
          ? { ok: true, value: text.trim() }
          : { ok: false, message: 'That is too long: a few words are enough.' }
      }
      onCommit={onCommit}
    />
  );
}
