'use client';

import { Button, Group, Modal, Stack, Text } from '@mantine/core';
import { useCallback, useEffect, useState } from 'react';
import { phonesSchema, type Phones, type PhonesRequest } from '@/core/show/phones';
import { isAtTheLaptop } from './phoneOrigin';
import styles from './phones.module.css';
import { refusalOf } from '../show/client';

const LOOK_MS = 2000;

/** Phones: letting them in, and sending them away again. */
export function PhonesDialog({
  opened,
  onClose,
  path = '/',
  children,
}: {
  opened: boolean;
  onClose: () => void;
  /** The first page of a phone that reads the code. */
  path?: string;
  children?: React.ReactNode;
}) {
  return (
    <Modal opened={opened} onClose={onClose} title="Phones" size="lg">
      {opened &&
        (isAtTheLaptop() ? (
          <Standing path={path}>{children}</Standing>
        ) : (
          <Text>Who may come in is said at the laptop, on its start page under Phones.</Text>
        ))}
    </Modal>
  );
}

function Standing({ path, children }: { path: string; children?: React.ReactNode }) {
  const [phones, setPhones] = useState<Phones | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const take = useCallback(async (answer: Response) => {
    if (answer.ok) setPhones(phonesSchema.parse(await answer.json()));
    setProblem(answer.ok ? null : (await refusalOf(answer)).message);
  }, []);
  useEffect(() => {
    const look = () =>
      void fetch('/api/access').then(take, () => setProblem('The server of this page cannot be reached.'));
    look();
    const timer = setInterval(look, LOOK_MS);
    return () => clearInterval(timer);
  }, [take]);
  const ask = (request: PhonesRequest) =>
    void fetch('/api/access', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(request),
    }).then(take, () => setProblem('The server of this page cannot be reached.'));
  if (problem !== null) return <p role="alert">{problem}</p>;
  if (!phones) return <p role="status">Looking…</p>;
  if (!phones.isOpen)
    return (
      <Stack gap="sm">
        <Text>
          At the moment only this machine can open Rapid Lantern. To take a phone to the box or onto the
          ladder, stop the program and start it with
        </Text>
        <pre className={styles.command}>npm run demo -- --lan</pre>
        <Text>
          It then listens in the network at home too, and shows an address with an access code that each phone
          enters once. What is ticked on the phone is here within a second.
        </Text>
        <Text size="sm" c="dimmed">
          Plain HTTP: others in the same network could read along, so not in a network of strangers.
        </Text>
      </Stack>
    );
  const [address] = phones.addresses;
  return (
    <Stack gap="md">
      {address === undefined ? (
        <p role="alert">This machine is in no network, so no phone can reach it.</p>
      ) : (
        <div className={styles.enter}>
          <img
            className={styles.code}
            src={`/api/access/code.svg?path=${path}&code=${phones.code}`}
            alt="Code for the phone’s camera, with the address and the access code"
          />
          <div>
            <Text>Point the phone’s camera at it, or type the address, and then the code:</Text>
            <p className={`${styles.address} mono`}>http://{address}</p>
            <p className={`${styles.word} mono`} data-testid="access-code">
              {phones.code}
            </p>
            {phones.addresses.length > 1 && (
              <Text size="sm" c="dimmed">
                Or {phones.addresses.slice(1).join(', ')}, where the phone is in that network.
              </Text>
            )}
          </div>
        </div>
      )}
      {children}
      <section aria-label="Phones that are let in">
        <h3 className={styles.head}>Let in</h3>
        {phones.phones.length === 0 && <Text c="dimmed">No phone yet.</Text>}
        <ul className={styles.phones}>
          {phones.phones.map(({ id, name, since }) => (
            <li key={id}>
              <span>
                {name}
                <small>since {since.slice(0, 16).replace('T', ' ')} UTC</small>
              </span>
              <Button
                size="compact-sm"
                variant="default"
                onClick={() => ask({ do: 'sendAway', phoneId: id })}
              >
                Send away
              </Button>
            </li>
          ))}
        </ul>
      </section>
      <Group justify="space-between">
        <Text size="sm" c="dimmed" className={styles.caution}>
          Plain HTTP, for a network at home: others in it could read along.
        </Text>
        <Button variant="default" onClick={() => ask({ do: 'renew' })}>
          New code, and all enter anew
        </Button>
      </Group>
    </Stack>
  );
}
