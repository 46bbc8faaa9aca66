'use client';

import { Button, Group, Loader, TextInput } from '@mantine/core';
import { IconArrowLeft } from '@tabler/icons-react';
import { useMemo, useState } from 'react';
import { leadsHomeOnly } from '@/core/papers/links';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { useHandOut } from '@/ui/handingOut';
import { usePhoneOrigin } from '../phones/phoneOrigin';
import sheets from '../sheets/sheets.module.css';
import { useAnswer, useShow } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import { chosenName } from '../view/viewWords';
import { useGoTo, useView } from '../view/useView';
import { inGroups, listedSheets, SHEET_GROUP_WORDS, sheetsChosen } from '../sheets/listed';
import styles from './print.module.css';
import { PaperView } from './PaperView';
import { PrintButton } from '../sheets/PrintButton';
import { PrintPanel } from './PrintPanel';
import { usePrint } from '../sheets/usePrint';

/** Every sheet of what is chosen, and the one that is looked at. */
export function PrintSheet({ plan, selection }: { plan: Plan; selection: Selection }) {
  const showId = useShow((state) => state.id);
  const facts = useShow((state) => state.facts);
  const { paper } = useView();
  const goTo = useGoTo();
  const [words, setWords] = useState('');
  const all = useMemo(() => listedSheets(plan, facts, showId), [plan, facts, showId]);
  const own = useMemo(() => sheetsChosen(plan, all, selection), [plan, all, selection]);
  const wanted = words.trim().toLowerCase();
  // The search goes through all of them.
  const found = wanted === '' ? own : all.filter(({ name }) => name.toLowerCase().includes(wanted));
  const shown = all.find(({ id }) => id === paper) ?? null;
  return (
    <div className={`${sheets.sheet} ${styles.print}`} data-looking={shown !== null}>
      <nav className={styles.list} aria-label="Sheets">
        <TextInput
          size="sm"
          label="Find a sheet"
          placeholder="a prop, a device, cut list"
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
        />
        {found.length === 0 && (
          <p className={sheets.empty}>
            {plan.show.props.length === 0
              ? 'There is nothing to print yet. Add a prop in Build, and its sheets stand here.'
              : 'No sheet is called so.'}
          </p>
        )}
        {inGroups(found.slice(0, MOST_LISTED)).map(({ group, sheets: list }) => (
          <section key={group}>
            <h2>{SHEET_GROUP_WORDS[group]}</h2>
            <ul>
              {list.map(({ id, name, isPaper }) => (
                <li key={id}>
                  <button
                    type="button"
                    aria-current={id === paper ? 'true' : undefined}
                    data-paper={isPaper}
                    onClick={() => goTo({ paper: id })}
                  >
                    {shortName(name, plan, selection)}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ))}
        {found.length > MOST_LISTED && (
          <p className={sheets.lead}>And {found.length - MOST_LISTED} more: type part of a name.</p>
        )}
      </nav>
      <section className={styles.preview} aria-label="The sheet">
        {shown ? (
          <Preview key={shown.id} id={shown.id} name={shown.name} plan={plan} />
        ) : (
          <>
            <p className={sheets.lead}>
              {countOf(own.length, 'sheet')}: choose one to look at it, or print all of them in one go. What
              stands on them comes from the plan, and nothing is typed twice.{' '}
              {selection.prop === undefined && selection.controller === undefined
                ? 'Choose a prop on the left for its build sheets, threading, cut list, first power-up log and labels.'
                : 'With nothing chosen on the left, the sheets of the whole show stand here: parts, site plan, network, feeds, labels.'}
            </p>
            <PrintPanel plan={plan} selection={selection} />
          </>
        )}
      </section>
    </div>
  );
}

const MOST_LISTED = 200;

/** Without the name of what is chosen: it stands above the list. */
function shortName(name: string, plan: Plan, selection: Selection): string {
  const of = chosenName(plan, selection);
  return of !== null && name.startsWith(`${of}: `) ? name.slice(of.length + 2) : name;
}

function Preview({ id, name, plan }: { id: string; name: string; plan: Plan }) {
  const showId = useShow((state) => state.id);
  const facts = useShow((state) => state.facts);
  const goTo = useGoTo();
  const { fileOf } = usePrint();
  const origin = usePhoneOrigin();
  const asked = useMemo(() => ({ id, showId, origin, facts: facts.all }), [id, showId, origin, facts]);
  const seen = useAnswer('sheet', asked);
  const current = seen?.id === id ? seen : null;
  const hasTables = current?.blocks.some(({ is }) => is === 'table' || is === 'labels');
  const hasDrawing = current?.blocks.some(({ is }) => is === 'drawing');
  const isLabels = current?.blocks.some(({ is }) => is === 'labels');
  return (
    <>
      <Group className={styles.tools} gap={8}>
        <Button
          size="compact-sm"
          variant="subtle"
          color="gray"
          leftSection={<IconArrowLeft size={14} />}
          onClick={() => goTo({ paper: null })}
        >
          Back to printing
        </Button>
        <PrintButton sheet={id} name={name} isMain />
        {hasDrawing && <FileButton href={fileOf(`${id}.svg`)} label="SVG" name={name} />}
        {hasTables && <FileButton href={fileOf(`${id}.csv`)} label="CSV" name={name} />}
        {hasTables && <FileButton href={fileOf(`${id}.json`)} label="JSON" name={name} />}
      </Group>
      {isLabels && leadsHomeOnly(plan.show, { origin }) && (
        <p role="note" className={styles.warning}>
          The codes lead to this machine only: a phone does not get there. Start the program with --lan, or go
          back to printing and say under which name or address phones reach it; the codes to type work
          everywhere.
        </p>
      )}
      {current ? (
        <PaperView sheet={current} />
      ) : (
        <p role="status" className={styles.waiting}>
          <Loader size="xs" /> Making the sheet…
        </p>
      )}
    </>
  );
}

function FileButton({ href, label, name }: { href: string; label: string; name: string }) {
  const handOut = useHandOut();
  return (
    <Button
      component="a"
      size="compact-md"
      variant="default"
      href={href}
      download
      onClick={() => handOut('downloaded', name)}
    >
      {label}
    </Button>
  );
}
