'use client';

import { Button, CloseButton, Select } from '@mantine/core';
import { useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import { FAULT_KINDS, type Fault } from '@/core/rig/faults/registry';
import { setupSentences } from '@/core/rig/deviceSetup';
import { LAYERS } from '@/core/rig/fault';
import { Hint, Section, Stack } from '@/ui/Panel';
import { useAnswer } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import { FaultList } from '../liveTest/FaultList';
import { LAYER_WORDS } from '../finding/layerWords';
import styles from './testing.module.css';
import { useRig } from '../sending/useRig';

/** Faults of the simulator. */
export function TestPanel({ plan, selection }: { plan: Plan; selection: Selection }) {
  const [{ faults, devices }, changeRig] = useRig();
  const setFaults = (next: readonly Fault[]) => changeRig({ faults: next });
  const differing = devices
    .map((setup) => ({ setup, sentences: setupSentences(plan, setup) }))
    .filter(({ sentences }) => sentences.length > 0);
  return (
    <>
      <Section title={faults.length + differing.length === 0 ? 'As planned' : 'What is the matter'}>
        {faults.length + differing.length === 0 ? (
          <Hint>
            The display that stands in for yours is wired and set as planned. Set a fault, and see what each
            test shows of it.
          </Hint>
        ) : (
          <FaultList plan={plan} faults={faults} label="What is the matter" onChange={setFaults} />
        )}
        {differing.length > 0 && (
          <ul className={styles.faults} aria-label="Settings that differ on the simulator">
            {differing.map(({ setup, sentences }) => (
              <li key={setup.controllerId}>
                <span>
                  {sentences.map((sentence) => (
                    <span key={sentence} className={styles.setting}>
                      {sentence}
                    </span>
                  ))}
                </span>
                <CloseButton
                  size="sm"
                  aria-label={`As planned: ${sentences[0]}`}
                  onClick={() => changeRig({ devices: devices.filter((each) => each !== setup) })}
                />
              </li>
            ))}
          </ul>
        )}
        {faults.length > 1 && (
          <Button size="compact-sm" variant="subtle" color="gray" onClick={() => setFaults([])}>
            Mend all of it
          </Button>
        )}
      </Section>
      {selection.prop === undefined ? (
        <Section title="Set a fault">
          <Hint>Choose a prop on the left: everything that may be the matter with it is listed.</Hint>
        </Section>
      ) : (
        <AddFault
          key={selection.prop}
          prop={selection.prop}
          onAdd={(fault) => setFaults([...faults, fault])}
          has={faults}
        />
      )}
      <Section title="Keys">
        <Hint>Space steps a walk, R G B W fill, 0 is dark, Escape stops whatever is sent.</Hint>
      </Section>
    </>
  );
}

function AddFault({
  prop,
  has,
  onAdd,
}: {
  prop: number;
  has: readonly Fault[];
  onAdd: (fault: Fault) => void;
}) {
  const all = useAnswer('faults', prop);
  const [kind, setKind] = useState<string | null>(null);
  const known = new Set(has.map((fault) => JSON.stringify(fault)));
  const kinds = FAULT_KINDS.filter((each) => all?.some(({ fault }) => fault.kind === each.kind));
  const places = all?.filter(({ fault }) => fault.kind === kind && !known.has(JSON.stringify(fault))) ?? [];
  if (all?.length === 0)
    return (
      <Section title="Set a fault">
        <Hint>It is on no port, so nothing drives it. Patch it first.</Hint>
      </Section>
    );
  return (
    <Section title="Set a fault">
      <Stack>
        <Select
          label="What is the matter"
          placeholder="choose"
          value={kind}
          data={LAYERS.map((layer) => ({
            group: LAYER_WORDS[layer],
            items: kinds
              .filter((each) => each.layer === layer)
              .map((each) => ({ value: each.kind, label: each.name })),
          })).filter(({ items }) => items.length > 0)}
          onChange={setKind}
        />
        <div className={styles.places}>
          {places.slice(0, 12).map(({ fault, sentence }) => (
            <Button
              key={JSON.stringify(fault)}
              variant="default"
              size="compact-sm"
              className={styles.place}
              onClick={() => onAdd(fault)}
            >
              {sentence}
            </Button>
          ))}
        </div>
        {places.length > 12 && <Hint>And {places.length - 12} more places.</Hint>}
      </Stack>
    </Section>
  );
}
