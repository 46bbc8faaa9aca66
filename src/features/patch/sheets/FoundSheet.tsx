'use client';

import { differencesTable } from '@/core/papers/tables/addresses';
import { Button, FileButton, Group, Select, Textarea } from '@mantine/core';
import Papa from 'papaparse';
import { useState } from 'react';
import {
  differences,
  forgetFound,
  foundIn,
  foundNote,
  lookedAtWords,
  readFound,
  type FoundSettings,
} from '@/core/devices/found';
import type { Plan } from '@/core/plan/planned';
import { Choice } from '@/ui/fields/Choice';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../../sheets/sheets.module.css';
import { useNote, useShow } from '../../show/ShowProvider';
import { FoundGrid } from './FoundGrid';

const MOST_BYTES = 1024 * 1024;

/** What a controller or a sender really holds, against what is planned. */
export function FoundSheet({ plan }: { plan: Plan }) {
  const note = useNote();
  const facts = useShow((state) => state.facts);
  const show = useShow((state) => state.show);
  const [controllerId, setController] = useState(plan.show.controllers[0]?.id ?? null);
  const [where, setWhere] = useState<FoundSettings['where']>('controller');
  const [size, setSize] = useState<string | null>(null);
  const [by, setBy] = useState<'grid' | 'text'>('grid');
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const controller = show.controllers.find((each) => each.id === controllerId);
  const planned = plan.show.controllers.findIndex((each) => each.id === controllerId);
  const compareText = (source: string) =>
    // People paste columns parted by tabs, commas, semicolons or runs of spaces.
    compare(Papa.parse<string[]>(source.replace(/ {2,}/g, '\t').trim(), { skipEmptyLines: 'greedy' }).data);
  const compare = (
    rows: readonly (readonly string[])[],
    { partial = false, lineWords }: { partial?: boolean; lineWords?: (line: number) => string } = {},
  ) => {
    if (!controller) return;
    const read = readFound(rows, controller.label, lineWords);
    if (!read.ok) return setProblem(read.message);
    setProblem(null);
    const found: FoundSettings = {
      controllerId: controller.id,
      where,
      foundAt: new Date().toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }),
      ...(size ? { channelsPerUniverse: Number(size) } : {}),
      ...(partial && { partial }),
      ports: read.ports,
    };
    note(foundNote(found));
    setText('');
  };
  if (show.controllers.length === 0)
    return (
      <p className={sheets.empty}>
        Add a controller first; then what it holds can be compared with the plan.
      </p>
    );
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        {by === 'grid'
          ? 'Read what the device’s own screen lists, and type it. What is planned stands in grey; a port that you looked at and found so is “as planned” by its button. Empty is what nobody looked at, and nothing is said of it.'
          : 'Copy what the device’s own screen lists, a line for each port, and paste it. A heading is understood (port, universe, channel, pixels, colour order, in any order); without one the columns come in that order.'}
      </p>
      <div className={sheets.fields}>
        <Select
          label="Controller"
          allowDeselect={false}
          value={controllerId}
          data={show.controllers.map((each) => ({ value: each.id, label: each.name }))}
          onChange={setController}
        />
        <div data-wide>
          <Choice
            label="Found"
            value={where}
            onChange={(value) => setWhere(value === 'sender' ? 'sender' : 'controller')}
            data={[
              { value: 'controller', label: 'On the controller' },
              { value: 'sender', label: 'In the sender' },
            ]}
          />
        </div>
        <Select
          label="Channels a universe"
          placeholder="not looked at"
          clearable
          value={size}
          data={['510', '512', '150']}
          onChange={setSize}
        />
        <div data-wide>
          <Choice
            label="How"
            value={by}
            onChange={(value) => {
              setBy(value === 'text' ? 'text' : 'grid');
              setProblem(null);
            }}
            data={[
              { value: 'grid', label: 'Type in a grid' },
              { value: 'text', label: 'Paste or load' },
            ]}
          />
        </div>
      </div>
      {controller && planned !== -1 && by === 'grid' && (
        <>
          <FoundGrid
            key={`${controller.id} ${where}`}
            plan={plan}
            controller={plan.show.controllers[planned]!}
            index={planned}
            onCompare={(rows) =>
              compare(rows, {
                partial: true,
                lineWords: (line) => `Port ${controller.label}${rows[line - 1]![0]}`,
              })
            }
          />
          {problem && <p className={sheets.problem}>{problem}</p>}
        </>
      )}
      {by === 'text' && (
        <>
          <Textarea
            label="What it lists"
            autosize
            minRows={4}
            maxRows={12}
            placeholder={'port\tuniverse\tchannel\tpixels\tcolour order\n1\t1\t1\t170\tRGB'}
            value={text}
            error={problem}
            onChange={(event) => {
              setText(event.currentTarget.value);
              setProblem(null);
            }}
            styles={{ input: { fontFamily: 'var(--mantine-font-family-monospace)' } }}
          />
          <Group my="sm">
            <Button onClick={() => compareText(text)} disabled={text.trim() === ''}>
              Compare
            </Button>
            <FileButton
              accept=".csv,.tsv,.txt,text/csv,text/plain"
              onChange={(file) => {
                if (!file) return;
                if (file.size > MOST_BYTES)
                  return setProblem(`“${file.name}” is larger than 1 MB; a list of ports is not.`);
                void file.text().then(compareText);
              }}
            >
              {(props) => (
                <Button variant="default" {...props}>
                  Load a CSV…
                </Button>
              )}
            </FileButton>
          </Group>
        </>
      )}
      {foundIn(plan, facts).map((found) => (
        <Differences key={`${found.controllerId} ${found.where}`} plan={plan} found={found} />
      ))}
    </div>
  );
}

function Differences({ plan, found }: { plan: Plan; found: FoundSettings }) {
  const note = useNote();
  const controller = plan.show.controllers.find((each) => each.id === found.controllerId);
  if (!controller) return null;
  const list = differences(plan, found);
  return (
    <section aria-label={`${controller.name}, ${found.where}`}>
      <Group justify="space-between" mt="lg">
        <h2 data-tight>
          {controller.name} · {found.where === 'sender' ? 'in the sender' : 'on the device'} · {found.foundAt}
        </h2>
        <Button size="compact-sm" variant="default" onClick={() => note(forgetFound(found))}>
          Forget it
        </Button>
      </Group>
      {list.length === 0 ? (
        <p className={sheets.good}>Looked at: {lookedAtWords(plan, found)}; all of that is as planned.</p>
      ) : (
        <SheetTable testId="differences" table={differencesTable(controller.name, list)} />
      )}
    </section>
  );
}
