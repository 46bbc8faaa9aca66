'use client';

import { ActionIcon, Button, Checkbox, Group, Select } from '@mantine/core';
import { IconPlus, IconTrash } from '@tabler/icons-react';
import {
  coloursWithTwoMeanings,
  FUNCTION_WORDS,
  jointProblems,
  WIRE_FUNCTIONS,
  type Joint,
  type JointWire,
  type WireFunction,
} from '@/core/catalogue/joint';
import { hasBackupData } from '@/core/catalogue/dataLine';
import { newId, newName } from '@/core/fields/fields';
import { jointTable, twoMeaningsWords } from '@/core/papers/tables/joints';
import type { Plan } from '@/core/plan/planned';
import { capitalised } from '@/core/units/words';
import { NameField } from '@/ui/fields/fields';
import { WordsField } from '@/ui/fields/WordsField';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useShow } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import styles from './print.module.css';
import { PrintButton } from '../sheets/PrintButton';
import { propAt } from '@/core/plan/records';

/** Plugs and joints wire by wire: what is printed, what it does, what colour was found, and its contact at both ends. */
export function WiringSheet({ plan, selection }: { plan: Plan; selection: Selection }) {
  const edit = useEdit();
  const joints = useShow((state) => state.show.joints);
  const prop = selection.prop === undefined ? null : propAt(plan, selection.prop);
  const doubtful = coloursWithTwoMeanings(joints);
  const add = () => {
    const type = plan.show.pixelTypes.find(({ id }) => id === prop?.pixelTypeId);
    edit({
      type: 'addJoint',
      joint: {
        id: newId('joint'),
        name: newName(
          prop ? `${prop.name} plug` : 'Plug',
          joints.map(({ name }) => name),
        ),
        fromWords: '',
        toWords: '',
        ...(prop && { propId: prop.id }),
        wires: usualWires(type),
      },
    });
  };
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Write a joint down before it is cut or closed: what is printed on each wire, what it does, the colour
        that you found, and its contact at both ends. A colour proves nothing: white is ground here and mains
        neutral there. Measure before you join, with the power off while you work.
      </p>
      <Group mb={14}>
        <Button leftSection={<IconPlus size={15} />} onClick={add}>
          Add a joint{prop ? ` of ${prop.name}` : ''}
        </Button>
        {joints.length > 0 && <PrintButton sheet="wiring" name="Wiring card" label="Print the card (PDF)" />}
      </Group>
      {doubtful.length > 0 && (
        <p role="note" className={styles.warning}>
          {doubtful.map(twoMeaningsWords).join(' ')} Go by the marks and by a meter.
        </p>
      )}
      {joints.length === 0 && <p className={sheets.empty}>No joint is written down yet.</p>}
      {joints.map((joint) => (
        <JointCard
          key={joint.id}
          joint={joint}
          plan={plan}
          doubtful={new Set(doubtful.map(({ colour }) => colour))}
        />
      ))}
    </div>
  );
}

/** The wires that such lights have: three, a clock beside data, or a second data wire. */
function usualWires(type: { chip: string; timing?: { kind: string } | undefined } | undefined): JointWire[] {
  const functions: WireFunction[] = ['plus', 'data', 'ground'];
  if (type?.timing?.kind === 'clocked') functions.splice(2, 0, 'clock');
  if (type && hasBackupData(type.chip)) functions.splice(2, 0, 'backup');
  return functions.map((fn, i) => ({
    function: fn,
    colour: '',
    mark: '',
    from: String(i + 1),
    to: String(i + 1),
  }));
}

function JointCard({ joint, plan, doubtful }: { joint: Joint; plan: Plan; doubtful: ReadonlySet<string> }) {
  const edit = useEdit();
  const { id } = joint;
  const change = (
    what: Partial<Omit<Joint, 'id' | 'order' | 'propId' | 'opens'>> & {
      propId?: string | null;
      opens?: true | null;
    },
  ) => edit({ type: 'changeJoint', jointId: id, change: what });
  const setWire = (index: number, what: Partial<JointWire>) =>
    change({ wires: joint.wires.map((wire, i) => (i === index ? { ...wire, ...what } : wire)) });
  const problems = jointProblems(joint);
  const text =
    (field: 'colour' | 'mark' | 'from' | 'to', words: string) => (wire: JointWire, index: number) => (
      <WordsField
        aria-label={`${words} of wire ${index + 1} of ${joint.name}`}
        size="xs"
        most={30}
        value={wire[field]}
        onCommit={(value) => setWire(index, { [field]: value })}
      />
    );
  return (
    <section className={styles.joint} aria-label={joint.name}>
      <header>
        <NameField label="Joint" value={joint.name} onCommit={(name) => change({ name })} />
        <WordsField
          most={60}
          label="From"
          value={joint.fromWords}
          placeholder="port A1"
          onCommit={(fromWords) => change({ fromWords })}
        />
        <WordsField
          most={60}
          label="To"
          value={joint.toWords}
          placeholder="first pixel"
          onCommit={(toWords) => change({ toWords })}
        />
        <Select
          label="Belongs to"
          placeholder="no prop"
          clearable
          searchable
          value={joint.propId ?? null}
          data={plan.show.props.map(({ id: value, name }) => ({ value, label: name }))}
          onChange={(propId) => change({ propId })}
        />
        <Checkbox
          label="Comes apart for storage"
          checked={joint.opens === true}
          onChange={(event) => change({ opens: event.currentTarget.checked || null })}
        />
        <Button
          variant="subtle"
          color="gray"
          size="compact-sm"
          leftSection={<IconTrash size={14} />}
          onClick={() => edit({ type: 'removeJoint', jointId: id })}
        >
          Remove
        </Button>
      </header>
      <SheetTable
        table={jointTable(joint, doubtful)}
        fields={{
          function: (wire, index) => (
            <Select
              aria-label={`What wire ${index + 1} of ${joint.name} does`}
              size="xs"
              allowDeselect={false}
              value={wire.function}
              data={WIRE_FUNCTIONS.map((value) => ({ value, label: capitalised(FUNCTION_WORDS[value]) }))}
              onChange={(value) => value && setWire(index, { function: value })}
            />
          ),
          mark: text('mark', 'Printed mark'),
          colour: text('colour', 'Colour'),
          from: text('from', 'First contact'),
          to: text('to', 'Second contact'),
        }}
        after={{
          head: 'Take out',
          cell: (_, index) => (
            <ActionIcon
              variant="subtle"
              color="gray"
              aria-label={`Take wire ${index + 1} out of ${joint.name}`}
              disabled={joint.wires.length === 1}
              onClick={() => change({ wires: joint.wires.filter((_wire, i) => i !== index) })}
            >
              <IconTrash size={14} />
            </ActionIcon>
          ),
        }}
      />
      {problems.map((problem) => (
        <p key={problem} role="alert" className={styles.warning}>
          {problem}
        </p>
      ))}
      <Button
        size="compact-sm"
        variant="default"
        mt={8}
        disabled={joint.wires.length >= 40}
        onClick={() =>
          change({
            wires: [...joint.wires, { function: 'unused', colour: '', mark: '', from: '', to: '' }],
          })
        }
      >
        Add a wire or a contact
      </Button>
    </section>
  );
}
