import { Anchor, Button, Text } from '@mantine/core';
import Link from 'next/link';
import { useState } from 'react';
import { askBench } from '../sending/bench';
import { useDialog } from '../view/openDialog';
import { useShow } from '../show/ShowProvider';
import { PhonesDialog } from './PhonesDialog';
import styles from './phones.module.css';

/** The phones' dialog of an open show: a phone lands on its bench, and may send to its devices once that is agreed to here. */
export function ShowPhones() {
  const { open, show } = useDialog();
  const id = useShow((state) => state.id);
  const sequence = useShow((state) => state.sequence);
  // An answer about the show as it was: another address is read again.
  const [agreedAt, setAgreedAt] = useState<number | null>(null);
  const agreed = agreedAt === sequence;
  return (
    <>
      <PhonesDialog opened={open === 'phones'} onClose={() => show(null)} path={`/phone/${id}`}>
        <div className={styles.send}>
          <Text>
            {agreed
              ? 'Phones may send tests to the devices of this show, until the program is started anew.'
              : 'A phone sends tests to the simulator on this machine. That it may send to the devices is agreed to here.'}
          </Text>
          {!agreed && (
            <Button
              variant="default"
              onClick={() =>
                void askBench(id, { do: 'agree' }).then((answer) => answer !== null && setAgreedAt(sequence))
              }
            >
              Let phones send to the devices…
            </Button>
          )}
        </div>
        <Anchor component={Link} href={`/phone/${id}`}>
          See the phone’s pages here
        </Anchor>
      </PhonesDialog>
    </>
  );
}
