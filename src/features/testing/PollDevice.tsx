'use client';

import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import { artNetWords } from '@/core/addressing/numbering';
import type { Controller } from '@/core/catalogue/controller';
import { listOf } from '@/core/units/words';
import { useShow } from '../show/ShowProvider';
import styles from './testing.module.css';
import { askBench } from './useBench';

/** Asks one Art-Net device, by its address, who it is and which port-addresses it puts out. */
export function PollDevice({ device }: { device: Controller }) {
  const showId = useShow((state) => state.id);
  const [said, setSaid] = useState<string | null>(null);
  const ask = async (to: 'rig' | 'devices') => {
    setSaid('Waiting for its answer…');
    const answer = await askBench(showId, { do: 'poll', controllerId: device.id, to });
    const reply = answer?.reply;
    setSaid(
      !answer
        ? null
        : reply
          ? `It says: ${reply.shortName || 'no name'}, port-addresses ${listOf(reply.outputs.map(artNetWords)) || 'none'}.`
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
