'use client';

import { differencesTable } from '@/core/papers/tables/addresses';
import { Button, FileButton, Group, Select, Switch, Textarea } from '@mantine/core';
import Papa from 'papaparse';
import { useState } from 'react';
import { differences } from '@/core/devices/differences';
import type { Controller } from '@/core/catalogue/controller';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { forgetFound, foundIn, foundNote, lookedAtWords, type FoundSettings } from '@/core/devices/found';
import type { Counting } from '@/core/devices/counting';
import { HELD_BY_DEVICE, type HeldOnDevice } from '@/core/devices/settings/registry';
import { settingWords } from '@/core/devices/settings/typed';
import { readFound, readUniverses } from '@/core/devices/readFound';
import type { Plan } from '@/core/plan/planned';
import { Choice } from '@/ui/fields/Choice';
import { isInUniverses } from '@/core/catalogue/link';
import { universesOf } from '@/core/protocols/registry';
import { capitalised } from '@/core/units/words';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../../sheets/sheets.module.css';
import { useNote, useShow } from '../../show/ShowProvider';
import { SettingField } from '../../sheets/SettingField';
import { FoundGrid, type StartsBy } from './FoundGrid';
import { itemAt } from '@/core/units/there';
import { controllerAt } from '@/core/plan/records';

const MOST_BYTES = 1024 * 1024;

type How = 'grid' | 'text' | 'universes';
/** Settings found on a controller or in a sender, against the plan. */
export function FoundSheet({ plan }: { plan: Plan }) {
  const note = useNote();
  const facts = useShow((state) => state.facts);
  const show = useShow((state) => state.show);
  const [controllerId, setController] = useState(plan.show.controllers[0]?.id ?? null);
  const [where, setWhere] = useState<FoundSettings['where']>('controller');
  const [whole, setWhole] = useState<HeldOnDevice>({});
  const [counting, setCounting] = useState<Counting>({});
  const [startsBy, setStartsBy] = useState<StartsBy>('universe');
  const [how, setHow] = useState<How>('grid');
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const controller = show.controllers.find((each) => each.id === controllerId);
  const index = plan.show.controllers.findIndex((each) => each.id === controllerId);
  const planned = index === -1 ? null : deviceSettings(plan, index);
  // People paste columns parted by tabs, commas, semicolons or runs of spaces.
  const rowsOf = (source: string) =>
    Papa.parse<string[]>(source.replace(/ {2,}/g, '\t').trim(), { skipEmptyLines: 'greedy' }).data;

  const keep = (found: Pick<FoundSettings, 'ports'> & Partial<FoundSettings>) => {
    setProblem(null);
    setText('');
    note(
      foundNote({
        controllerId: controller!.id,
        where,
        foundAt: new Date().toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }),
        ...(Object.keys(counting).length > 0 && { counting }),
        ...whole,
        ...found,
      }),
    );
  };
  const compareRows = (
    rows: readonly (readonly string[])[],
    lineWords?: (line: number) => string,
    partial = false,
  ) => {
    // Nothing but the head: only the device as a whole was looked at.
    if (partial && rows.length === 1) return keep({ ports: [], partial: true });
    const read = readFound(rows, controller!.label, lineWords);
    if (!read.ok) return setProblem(read.message);
    keep({ ports: read.ports, ...(partial && { partial: true }) });
  };
  const compareText = (source: string) => {
    if (how === 'text') return compareRows(rowsOf(source));
    const read = readUniverses(rowsOf(source));
    if (!read.ok) return setProblem(read.message);
    keep({ ports: [], universeList: read.universes });
  };
  if (show.controllers.length === 0)
    return (
      <p className={sheets.empty}>
        Add a controller first; then what it holds can be compared with the plan.
      </p>
    );
  const counts = controller && isInUniverses(show, controller) ? universesOf(controller) : null;
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>{LEADS[how]}</p>
      <WhereFound
        controllers={show.controllers}
        controllerId={controllerId}
        onController={setController}
        where={where}
        how={how}
        countsUniverses={counts !== null}
        onChange={(next) => {
          setWhere(next.where);
          setHow(next.how);
          setProblem(null);
        }}
      />
      {controller && counts && (
        <HeldByDevice controller={controller} planned={planned} held={whole} onChange={setWhole} />
      )}
      <HowItCounts
        word={counts?.word ?? null}
        hidesPixels={planned?.ports.some((port) => port.hiddenPixels > 0) ?? false}
        startsBy={startsBy}
        onStartsBy={setStartsBy}
        counting={counting}
        onChange={setCounting}
      />
      {controller && index !== -1 && how === 'grid' && (
        <>
          <FoundGrid
            key={`${controller.id} ${where}`}
            plan={plan}
            controller={controllerAt(plan, index)}
            index={index}
            where={where}
            startsBy={startsBy}
            counting={counting}
            saidMore={Object.keys(whole).length > 0}
            onCompare={(rows) =>
              compareRows(rows, (line) => `Port ${controller.label}${itemAt(rows, line - 1)[0]}`, true)
            }
          />
          {problem && <p className={sheets.problem}>{problem}</p>}
        </>
      )}
      {how !== 'grid' && (
        <PastedList
          how={how}
          text={text}
          problem={problem}
          onText={(next) => {
            setText(next);
            setProblem(null);
          }}
          onProblem={setProblem}
          onCompare={compareText}
        />
      )}
      {foundIn(plan, facts).map((found) => (
        <Differences key={`${found.controllerId} ${found.where}`} plan={plan} found={found} />
      ))}
    </div>
  );
}

interface WhereFoundProps {
  controllers: readonly Controller[];
  controllerId: string | null;
  onController: (id: string | null) => void;
  where: FoundSettings['where'];
  how: How;
  /** A sender that counts by universes has a list of them. */
  countsUniverses: boolean;
  onChange: (next: { where: FoundSettings['where']; how: How }) => void;
}

function WhereFound({
  controllers,
  controllerId,
  onController,
  where,
  how,
  countsUniverses,
  onChange,
}: WhereFoundProps) {
  return (
    <div className={sheets.fields}>
      <Select
        label="Controller"
        allowDeselect={false}
        value={controllerId}
        data={controllers.map((each) => ({ value: each.id, label: each.name }))}
        onChange={onController}
      />
      <div data-wide>
        <Choice
          label="Found"
          value={where}
          onChange={(value) =>
            onChange({
              where: value === 'sender' ? 'sender' : 'controller',
              how: value !== 'sender' && how === 'universes' ? 'grid' : how,
            })
          }
          data={[
            { value: 'controller', label: 'On the controller' },
            { value: 'sender', label: 'In the sender' },
          ]}
        />
      </div>
      <div data-wide>
        <Choice
          label="How"
          value={how}
          onChange={(value) => onChange({ where, how: value as How })}
          data={[
            { value: 'grid', label: 'Type in a grid' },
            { value: 'text', label: 'Paste or load' },
            ...(where === 'sender' && countsUniverses
              ? [{ value: 'universes', label: 'Its universes' }]
              : []),
          ]}
        />
      </div>
    </div>
  );
}

interface HeldByDeviceProps {
  controller: Controller;
  planned: ReturnType<typeof deviceSettings> | null;
  held: HeldOnDevice;
  onChange: (held: HeldOnDevice) => void;
}

/** Settings that a device has once, not for each port. */
function HeldByDevice({ controller, planned, held, onChange }: HeldByDeviceProps) {
  const set = (field: keyof HeldOnDevice, value: string | number | undefined) => {
    const { [field]: _, ...rest } = held;
    onChange(value === undefined ? rest : { ...rest, [field]: value });
  };
  return (
    <div className={sheets.fields}>
      {HELD_BY_DEVICE.map((setting) => {
        const want = planned?.[setting.field];
        return (
          <SettingField
            key={setting.field}
            label={capitalised(settingWords(setting, controller))}
            values={setting.values}
            placeholder={typeof want === 'number' ? `planned: ${want}` : 'not looked at'}
            value={held[setting.field]}
            onCommit={(value) => set(setting.field, value)}
          />
        );
      })}
    </div>
  );
}

interface HowItCountsProps {
  /** A word for its universes; null where it has none. */
  word: string | null;
  hidesPixels: boolean;
  startsBy: StartsBy;
  onStartsBy: (startsBy: StartsBy) => void;
  counting: Counting;
  onChange: (counting: Counting) => void;
}

/** A device may count otherwise than the plan does, and mean the same. */
function HowItCounts({ word, hidesPixels, startsBy, onStartsBy, counting, onChange }: HowItCountsProps) {
  return (
    <div className={sheets.fields}>
      {word !== null && (
        <>
          <Select
            w={230}
            label="Starts of its ports are listed"
            allowDeselect={false}
            value={startsBy}
            data={[
              { value: 'universe', label: `by ${word} and channel` },
              { value: 'device', label: 'counted on over the device' },
            ]}
            onChange={(value) => onStartsBy(value === 'device' ? 'device' : 'universe')}
          />
          <Select
            label="Its first channel is"
            allowDeselect={false}
            value={String(counting.channelsFrom ?? 1)}
            data={['1', '0']}
            onChange={(value) => {
              const { channelsFrom: _, ...rest } = counting;
              onChange(value === '0' ? { ...rest, channelsFrom: 0 } : rest);
            }}
          />
          <Select
            w={250}
            label={`Its ${word}s are`}
            allowDeselect={false}
            value={String(counting.universesShifted ?? 0)}
            data={[
              { value: '0', label: 'as the plan tells them' },
              { value: '-1', label: 'all one lower: counted from 0' },
              { value: '1', label: 'all one higher: counted from 1' },
            ]}
            onChange={(value) => {
              const { universesShifted: _, ...rest } = counting;
              onChange(value === '0' ? rest : { ...rest, universesShifted: value === '-1' ? -1 : 1 });
            }}
          />
        </>
      )}
      {hidesPixels && (
        <Switch
          w={260}
          label="Its count of pixels includes the hidden ones"
          checked={counting.hiddenCounted === true}
          onChange={(event) => {
            const { hiddenCounted: _, ...rest } = counting;
            onChange(event.currentTarget.checked ? { ...rest, hiddenCounted: true } : rest);
          }}
        />
      )}
    </div>
  );
}

interface PastedListProps {
  how: Exclude<How, 'grid'>;
  text: string;
  problem: string | null;
  onText: (text: string) => void;
  onProblem: (problem: string) => void;
  onCompare: (text: string) => void;
}

/** A list as the device shows it, pasted or from a file. */
function PastedList({ how, text, problem, onText, onProblem, onCompare }: PastedListProps) {
  return (
    <>
      <Textarea
        label="What it lists"
        autosize
        minRows={4}
        maxRows={12}
        placeholder={PLACEHOLDERS[how]}
        value={text}
        error={problem}
        onChange={(event) => onText(event.currentTarget.value)}
        styles={{ input: { fontFamily: 'var(--mantine-font-family-monospace)' } }}
      />
      <Group my="sm">
        <Button onClick={() => onCompare(text)} disabled={text.trim() === ''}>
          Compare
        </Button>
        <FileButton
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          onChange={(file) => {
            if (!file) return;
            if (file.size > MOST_BYTES)
              return onProblem(`“${file.name}” is larger than 1 MB; a list of ports is not.`);
            void file.text().then(onCompare);
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
  );
}

const LEADS: Record<How, string> = {
  grid: 'Read what the device’s own screen lists, and type it. What is planned stands in grey; a port that you looked at and found so is “as planned” by its button. Empty is what nobody looked at, and nothing is said of it.',
  text: 'Copy what the device’s own screen lists, a line for each port, and paste it. A heading is understood (port, universe, channel or start, pixels, hidden, colour order, direction, in any order); without one the columns are port, universe, channel, pixels, colour order.',
  universes:
    'Copy the list of universes that the sender has for this device, a line for each: its number, and how many channels it has. What is missing and what is left over from an earlier plan is found.',
};

const PLACEHOLDERS: Record<Exclude<How, 'grid'>, string> = {
  text: 'port\tuniverse\tchannel\tpixels\tcolour order\n1\t1\t1\t170\tRGB',
  universes: 'universe\tchannels\n1\t510\n2\t510',
};

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
