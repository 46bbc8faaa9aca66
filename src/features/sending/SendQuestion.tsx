'use client';

import { Button, Group, Modal, ScrollArea } from '@mantine/core';
import styles from './sending.module.css';
import { useBench } from './bench';

/** A question to read and agree to before a test is sent. */
export function SendQuestion() {
  const asked = useBench((state) => state.asked);
  if (!asked) return null;
  const { message, question, agree, leave } = asked;
  return (
    <Modal opened onClose={leave} title={TITLES[question.about]} centered>
      <p className={styles.asked}>{message}</p>
      {question.about === 'addresses' && (
        <>
          <ScrollArea.Autosize mah={260}>
            <ul className={styles.addresses}>
              {question.addresses.map(({ address, words }) => (
                <li key={`${address} ${words}`}>
                  <b className="mono">{address}</b> {words}
                </li>
              ))}
            </ul>
          </ScrollArea.Autosize>
          <p className={styles.asked}>
            Only what is listed is sent there, until this application is started anew. Lights may come on:
            nobody should have hands in a box.
          </p>
        </>
      )}
      {question.about === 'level' && (
        <p className={styles.asked}>
          Fuses may open, and a supply may shut down. A lower level shows the same faults.
        </p>
      )}
      <Group justify="flex-end">
        <Button variant="default" onClick={leave}>
          Leave it
        </Button>
        <Button data-autofocus onClick={agree}>
          {AGREE[question.about]}
        </Button>
      </Group>
    </Modal>
  );
}

const TITLES = {
  addresses: 'Send beyond this machine?',
  level: 'Brighter than it is fed for?',
  takeOver: 'Take the simulator?',
};
const AGREE = { addresses: 'Send it there', level: 'Send it all the same', takeOver: 'Take it' };
