'use client';

import { Kbd, Modal, Table, Text } from '@mantine/core';
import { STAGES, keyOf } from '@/core/stages/stages';
import { useDialog } from '../view/openDialog';
import styles from './shell.module.css';

const KEYS: readonly [keys: readonly string[], does: string][] = [
  [['Ctrl K', '/'], 'Find a prop, a port, a pixel or a channel, or run a command'],
  [['←', '→'], 'The pixel before, the pixel after, in data order'],
  [['Shift ←', 'Shift →'], 'Ten pixels back, ten pixels on'],
  [['↑', '↓'], 'The prop above, the prop below'],
  [['F'], 'See it from the other side'],
  [['Z'], 'Show all of it'],
  [['E'], 'How a number comes about: the one in focus, then the next'],
  [['Ctrl Z', 'Ctrl Shift Z'], 'Undo, redo'],
  [['Esc'], 'Let go of the pixel, then of the prop'],
  [['?'], 'These keys'],
];

function stageKeys(): readonly [keys: readonly string[], does: string] {
  return [STAGES.map(keyOf), STAGES.map((stage) => stage.label).join(', ')];
}

export function KeyHelp() {
  const { open, show } = useDialog();
  return (
    <Modal opened={open === 'keys'} onClose={() => show(null)} title="Keys" size="lg">
      <Table verticalSpacing={7}>
        <Table.Tbody>
          {[stageKeys(), ...KEYS].map(([keys, does]) => (
            <Table.Tr key={does}>
              <Table.Td className={styles.keys}>
                {keys.map((key, i) => (
                  <span key={key}>
                    {i > 0 && ' '}
                    <Kbd>{key}</Kbd>
                  </span>
                ))}
              </Table.Td>
              <Table.Td>{does}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Text size="sm" mt="md">
        On the address ruler, blocks are runs, ticks are universes, a dotted line is a gap, a corner at the
        left marks a run that is locked, and slanting lines in red are channels used twice. Left and right go
        from run to run, plus and minus zoom, 0 shows all, P pins the chosen run, Alt with the arrows moves it
        by a pixel; it can be dragged as well. In a field, Enter keeps and Esc puts the old value back.
      </Text>
      <Text size="sm" mt="md">
        The search reads <b>A3 17</b> (port and place), <b>U5 430</b> (universe and channel), <b>ch 2182</b>{' '}
        (show channel), <b>art 0.1.4 17</b>, <b>ddp A 300</b>, <b>led A 12</b> and <b>net curtain 2.17</b>{' '}
        (run and pixel).
      </Text>
    </Modal>
  );
}
