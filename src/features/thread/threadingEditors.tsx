'use client';

import type { ComponentType } from 'react';
import type { Prop, PropKindName } from '@/core/props/registry';
import { cornerSeenFrom } from '@/core/threading/view';
import { Hint } from '@/ui/Panel';
import { useView } from '../view/useView';
import { Choice } from './Choice';
import { CornerPicker } from './CornerPicker';
import styles from './thread.module.css';

type ThreadingOf<Kind extends PropKindName> = Extract<Prop, { kind: Kind }>['threading'];

interface EditorProps<Threading> {
  threading: Threading;
  onChange: (change: Partial<Threading>) => void;
}

function LineThreading({ threading, onChange }: EditorProps<ThreadingOf<'line'>>) {
  return (
    <Choice
      label="Data enters at"
      value={threading.firstPixel}
      onChange={(firstPixel) => onChange({ firstPixel: firstPixel === 'end' ? 'end' : 'start' })}
      data={[
        { value: 'start', label: 'The start' },
        { value: 'end', label: 'The end' },
      ]}
    />
  );
}

function GridThreading({ threading, onChange }: EditorProps<ThreadingOf<'grid'>>) {
  const { side } = useView();
  return (
    <>
      <div>
        <div className={styles.label}>First pixel, seen from the {side}</div>
        <CornerPicker
          value={cornerSeenFrom(side, threading.firstPixel)}
          side={side}
          onChange={(corner) => onChange({ firstPixel: cornerSeenFrom(side, corner) })}
        />
      </div>
      <Choice
        label="Strands run along"
        value={threading.along}
        onChange={(along) => onChange({ along: along === 'rows' ? 'rows' : 'columns' })}
        data={[
          { value: 'rows', label: 'Rows' },
          { value: 'columns', label: 'Columns' },
        ]}
      />
      <Choice
        label="Pattern"
        value={threading.pattern}
        onChange={(pattern) => onChange({ pattern: pattern === 'straight' ? 'straight' : 'serpentine' })}
        data={[
          { value: 'serpentine', label: 'Serpentine' },
          { value: 'straight', label: 'Straight' },
        ]}
      />
      <Hint>{patternConsequence(threading)}</Hint>
    </>
  );
}

function patternConsequence({ pattern, along }: ThreadingOf<'grid'>): string {
  const strand = along === 'rows' ? 'row' : 'column';
  return pattern === 'serpentine'
    ? `Every other ${strand} runs back: short jumpers, and the picture is mirrored there if the sender is told “straight”.`
    : `Every ${strand} runs the same way: simple to check, at the price of a return jumper as long as the ${strand}.`;
}

function RingThreading({ threading, onChange }: EditorProps<ThreadingOf<'ring'>>) {
  return (
    <>
      <Choice
        label="Data enters at"
        value={threading.startRing}
        onChange={(startRing) => onChange({ startRing: startRing === 'last' ? 'last' : 'first' })}
        data={[
          { value: 'first', label: 'The first ring' },
          { value: 'last', label: 'The last ring' },
        ]}
      />
      <Choice
        label="Pattern"
        value={threading.pattern}
        onChange={(pattern) => onChange({ pattern: pattern === 'serpentine' ? 'serpentine' : 'straight' })}
        data={[
          { value: 'straight', label: 'All one way' },
          { value: 'serpentine', label: 'Serpentine' },
        ]}
      />
      <Hint>
        {threading.pattern === 'straight'
          ? 'Each ring is entered at its first pixel and runs the same way round.'
          : 'Every other ring runs back, from its last pixel to its first.'}
      </Hint>
    </>
  );
}

/** What is chosen about the order of data besides the number of runs, by kind of prop. */
const EDITORS: { [Kind in PropKindName]: ComponentType<EditorProps<ThreadingOf<Kind>>> } = {
  line: LineThreading,
  grid: GridThreading,
  ring: RingThreading,
};

export function ThreadingEditor({ prop, onChange }: { prop: Prop; onChange: (change: object) => void }) {
  // The threading suits the editor, since both are found by the kind.
  const Editor = EDITORS[prop.kind] as ComponentType<EditorProps<Prop['threading']>>;
  return <Editor threading={prop.threading} onChange={onChange} />;
}
