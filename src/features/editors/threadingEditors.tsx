'use client';

import type { ThreadingEditorProps as EditorProps, ThreadingOf } from '../faces/face';
import { cornerSeenFrom } from '@/core/threading/view';
import { Choice } from '@/ui/fields/Choice';
import { CornerPicker } from '@/ui/fields/CornerPicker';
import { Hint } from '@/ui/Panel';
import { useView } from '../view/useView';

export function EndsThreading({ threading, onChange }: EditorProps<ThreadingOf<'line' | 'freeform'>>) {
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

export function GridThreading({ threading, onChange }: EditorProps<ThreadingOf<'grid'>>) {
  const { side } = useView();
  return (
    <>
      <CornerPicker
        value={cornerSeenFrom(side, threading.firstPixel)}
        side={side}
        onChange={(corner) => onChange({ firstPixel: cornerSeenFrom(side, corner) })}
      />
      <Choice
        label="Strands run along"
        value={threading.along}
        onChange={(along) => onChange({ along: along === 'rows' ? 'rows' : 'columns' })}
        data={[
          { value: 'rows', label: 'Rows' },
          { value: 'columns', label: 'Columns' },
        ]}
      />
      <PatternChoice
        threading={threading}
        onChange={onChange}
        strand={threading.along === 'rows' ? 'row' : 'column'}
      />
    </>
  );
}

function PatternChoice({
  threading,
  onChange,
  strand,
}: EditorProps<{ pattern: 'straight' | 'serpentine' }> & { strand: string }) {
  return (
    <>
      <Choice
        label="Pattern"
        value={threading.pattern}
        onChange={(pattern) => onChange({ pattern: pattern === 'straight' ? 'straight' : 'serpentine' })}
        data={[
          { value: 'serpentine', label: 'Serpentine' },
          { value: 'straight', label: 'Straight' },
        ]}
      />
      <Hint>
        {threading.pattern === 'serpentine'
          ? `Every other ${strand} runs back: short jumpers, and the picture is mirrored there if the sender is told “straight”.`
          : `Every ${strand} runs the same way: simple to check, at the price of a return jumper as long as the ${strand}.`}
      </Hint>
    </>
  );
}

export function RingThreading({ threading, onChange }: EditorProps<ThreadingOf<'ring'>>) {
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

export function TreeThreading({ threading, onChange }: EditorProps<ThreadingOf<'tree'>>) {
  return (
    <>
      <Choice
        label="First strand of the data"
        value={threading.firstStrand}
        onChange={(firstStrand) => onChange({ firstStrand: firstStrand === 'last' ? 'last' : 'first' })}
        data={[
          { value: 'first', label: 'Strand 1' },
          { value: 'last', label: 'The last strand' },
        ]}
      />
      <Choice
        label="Data enters it at"
        value={threading.dataEnters}
        onChange={(dataEnters) => onChange({ dataEnters: dataEnters === 'top' ? 'top' : 'bottom' })}
        data={[
          { value: 'bottom', label: 'The bottom' },
          { value: 'top', label: 'The top' },
        ]}
      />
      <PatternChoice threading={threading} onChange={onChange} strand="strand" />
    </>
  );
}

export function TileThreading({ threading, onChange }: EditorProps<ThreadingOf<'tile'>>) {
  const { side } = useView();
  return (
    <>
      <CornerPicker
        what="First tile"
        value={cornerSeenFrom(side, threading.firstPixel)}
        side={side}
        onChange={(corner) => onChange({ firstPixel: cornerSeenFrom(side, corner) })}
      />
      <Choice
        label="The chain runs along"
        value={threading.along}
        onChange={(along) => onChange({ along: along === 'rows' ? 'rows' : 'columns' })}
        data={[
          { value: 'rows', label: 'Rows' },
          { value: 'columns', label: 'Columns' },
        ]}
      />
      <PatternChoice
        threading={threading}
        onChange={onChange}
        strand={threading.along === 'rows' ? 'row' : 'column'}
      />
      <Hint>
        Each tile has its own start address, so its place in the chain only decides which address comes next.
        The order inside a tile belongs to its type, in Build.
      </Hint>
    </>
  );
}

export function CraftThreading() {
  return <Hint>A craft is wired in the order of its numbers. Number its cells in Build.</Hint>;
}
