import { SegmentedControl, Select, Stack, Switch } from '@mantine/core';
import { useState } from 'react';
import {
  LABEL_FORMATS,
  PAPER_SIZES,
  PAPER_WORDS,
  labelFormatOf,
  labelFormatProblem,
  labelFormatWords,
  type LabelFormat,
} from '@/core/catalogue/paper';
import { same } from '@/core/fields/json';
import { leadsHomeOnly } from '@/core/papers/links';
import type { Plan } from '@/core/plan/planned';
import type { SingleEdit } from '@/core/show/edits/registry';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { WholeField } from '@/ui/fields/fields';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint, Row, Section } from '@/ui/Panel';
import { usePhoneOrigin } from '../phones/phoneOrigin';
import { useEdit, useShow } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import { MarkField } from './MarkField';
import styles from './print.module.css';
import { PrintBinder } from './PrintBinder';

const HOST = /^[a-zA-Z0-9.-]{1,120}(:\d{1,5})?$/;

/** Binders, print settings, and the mark of a printed sheet. */
export function PrintPanel({ plan, selection }: { plan: Plan; selection: Selection }) {
  const edit = useEdit();
  const origin = usePhoneOrigin();
  const papers = useShow((state) => state.show.papers) ?? {};
  const size = papers.size ?? 'a4';
  const set = (change: Extract<SingleEdit, { type: 'setPapers' }>['change']) =>
    edit({ type: 'setPapers', change });
  return (
    <div className={styles.panel}>
      <Section title="Print in one go">
        <PrintBinder plan={plan} selection={selection} />
      </Section>
      <Section title="How it is printed">
        <Stack gap={10}>
          <SegmentedControl
            aria-label="Size of paper"
            value={size}
            data={PAPER_SIZES.map((value) => ({ value, label: PAPER_WORDS[value] }))}
            onChange={(value) => set({ size: value === 'a4' ? null : value })}
          />
          <Switch
            label="Numbers explain themselves"
            description="As notes at the end of each sheet"
            checked={papers.explains === true}
            onChange={(event) => set({ explains: event.currentTarget.checked || null })}
          />
          <ParsedField
            label="Codes lead to"
            description="Name or address, with its port, under which phones reach this program"
            placeholder="192.168.1.20:3000"
            value={papers.host ?? ''}
            format={(host) => host}
            parse={(text) => {
              const host = text
                .trim()
                .replace(/^https?:\/\//, '')
                .replace(/\/.*$/, '');
              return host === '' || HOST.test(host)
                ? { ok: true, value: host }
                : {
                    ok: false,
                    message: `A name or an address, such as 192.168.1.20:3000; “${text.trim()}” is not.`,
                  };
            }}
            onCommit={(host) => set({ host: host === '' ? null : host })}
          />
          {leadsHomeOnly({ papers }, { origin }) && (
            <Hint>As it is, codes lead to this machine only. The codes to type work everywhere.</Hint>
          )}
        </Stack>
      </Section>
      <Section title="Sheets of labels">
        <LabelFields format={labelFormatOf(papers)} onChange={(labels) => set({ labels })} />
      </Section>
      <Section title="Does a printed sheet still hold?">
        <MarkField />
      </Section>
    </div>
  );
}

const OWN = 'own';

function LabelFields({ format, onChange }: { format: LabelFormat; onChange: (format: LabelFormat) => void }) {
  const known = LABEL_FORMATS.find(({ id: _, ...each }) => same(each, format));
  const [isOwn, setOwn] = useState(known === undefined);
  const [problem, setProblem] = useState<string | null>(null);
  const set = (change: Partial<LabelFormat>) => {
    const next = { ...format, ...change };
    const why = labelFormatProblem(next);
    setProblem(why);
    if (why === null) onChange(next);
    return why === null;
  };
  const length = (label: string, field: keyof LabelFormat & `${string}Mm`, least: number, most: number) => (
    <NumberUnitField
      label={label}
      unit="mm"
      least={least}
      most={most}
      value={format[field]}
      onCommit={(value) => set({ [field]: value })}
    />
  );
  return (
    <Stack gap={10}>
      <Select
        label="As they are bought"
        allowDeselect={false}
        value={isOwn ? OWN : (known?.id ?? OWN)}
        data={[
          ...LABEL_FORMATS.map((each) => ({ value: each.id, label: labelFormatWords(each) })),
          { value: OWN, label: 'Others: type their measures' },
        ]}
        onChange={(id) => {
          const chosen = LABEL_FORMATS.find((each) => each.id === id);
          setOwn(chosen === undefined);
          if (!chosen) return;
          const { id: _, ...measures } = chosen;
          setProblem(null);
          onChange(measures);
        }}
      />
      {isOwn && (
        <>
          <SegmentedControl
            aria-label="Paper of the labels"
            value={format.paper}
            data={PAPER_SIZES.map((value) => ({ value, label: PAPER_WORDS[value] }))}
            onChange={(value) => set({ paper: value })}
          />
          <Row>
            <WholeField
              label="Across"
              what="Labels across"
              least={1}
              most={20}
              value={format.columns}
              onCommit={(columns) => set({ columns })}
            />
            <WholeField
              label="Down"
              what="Labels down"
              least={1}
              most={40}
              value={format.rows}
              onCommit={(rows) => set({ rows })}
            />
          </Row>
          <Row>
            {length('Label wide', 'widthMm', 10, 290)}
            {length('Label high', 'heightMm', 8, 290)}
          </Row>
          <Row>
            {length('First from the left', 'leftMm', 0, 100)}
            {length('First from the top', 'topMm', 0, 100)}
          </Row>
          <Row>
            {length('From label to label, across', 'stepXMm', 10, 300)}
            {length('down', 'stepYMm', 8, 300)}
          </Row>
        </>
      )}
      {problem !== null && <p role="alert">{problem}</p>}
      <Hint>
        Print labels at full size, with no fitting to the page, first on plain paper held against a sheet of
        them.
      </Hint>
    </Stack>
  );
}
