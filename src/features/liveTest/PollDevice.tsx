'use client';

import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import type { Controller } from '@/core/catalogue/controller';
import { protocolOf, universesOf } from '@/core/protocols/registry';
import { listOf } from '@/core/units/words';
import { useShow } from '../show/ShowProvider';
import styles from './liveTest.module.css';
import { askBench } from '../sending/bench';

/** Asks one device, by its address, who it is and which universes it puts out; only a protocol that has such a question. */
export function PollDevice({ device }: { device: Controller }) {
  const showId = useShow((state) => state.id);
  const [said, setSaid] = useState<string | null>(null);
  const { poll } = protocolOf(device);
  const word = universesOf(device)?.word;
  if (!poll) return null;
  const ask = async (to: 'rig' | 'devices') => {
    setSaid('Waiting for its answer…');
    const answer = await askBench(showId, { do: 'poll', controllerId: device.id, to });
    const reply = answer?.reply;
    setSaid(
      !answer
        ? null
        : reply
          ? `It says: ${reply.shortName || 'no name'}, ${word} ${listOf(reply.outputs.map(poll.outputWords)) || 'none'}.`
          : 'Nothing answers there: no power, another address, or another protocol.',
    );
  };
  return (
    <>
      <Group gap={8} mt={14}>
        <Button variant="default" onClick={() => void ask('rig')}>
          Ask its twin on the simulator who it is
        </Button>
        <Button variant="default" disabled={!device.network} onClick={() => void ask('devices')}>
          Ask the device itself
        </Button>
      </Group>
      {said && (
        <p role="status" className={styles.quiet}>
          {said}
        </p>
      )}
    </>
  );
}
