'use client';

import { Anchor, Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { sheetsOf } from '@/core/papers/sheets';
import type { Plan } from '@/core/plan/planned';
import { useShow } from '../show/ShowProvider';
import { useHandOut } from '@/ui/handingOut';
import sheets from '../sheets/sheets.module.css';
import { useDialog } from './dialogs';

/** Every table of the show as a file. */
export function SheetsDialog() {
  const plan = useShow((state) => state.plan);
  const { open, show } = useDialog();
  return (
    <Modal opened={open === 'sheets'} onClose={() => show(null)} title="Sheets as files" size="lg">
      {open === 'sheets' && plan && <SheetList plan={plan} />}
    </Modal>
  );
}

function SheetList({ plan }: { plan: Plan }) {
  const id = useShow((state) => state.id);
  const facts = useShow((state) => state.facts);
  const [words, setWords] = useState('');
  const handOut = useHandOut();
  const wanted = words.trim().toLowerCase();
  const found = sheetsOf(plan, facts, { origin: window.location.origin, showId: id }).filter((sheet) =>
    sheet.name.toLowerCase().includes(wanted),
  );
  return (
    <>
      <TextInput
        data-autofocus
        label="Find a sheet"
        placeholder="ports, cut list, a prop"
        value={words}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
      {found.length === 0 && <p className={sheets.empty}>No sheet is called so.</p>}
      <ul className={sheets.files}>
        {found.slice(0, MOST_SHOWN).map((sheet) => (
          <li key={sheet.id}>
            <span>{sheet.name}</span>
            {['csv', 'json'].map((as) => (
              <Anchor
                key={as}
                size="sm"
                href={`/api/shows/${id}/sheets/${sheet.id}.${as}`}
                download
                onClick={() => handOut('downloaded', sheet.name)}
              >
                {as.toUpperCase()}
              </Anchor>
            ))}
          </li>
        ))}
      </ul>
      {found.length > MOST_SHOWN && (
        <p className={sheets.lead}>And {found.length - MOST_SHOWN} more: type part of a name.</p>
      )}
    </>
  );
}

const MOST_SHOWN = 100;
