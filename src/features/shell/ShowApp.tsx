'use client';

import { Button, VisuallyHidden } from '@mantine/core';
import { useEffect, useMemo, useRef } from 'react';
import { addressOf, findShowChannel } from '@/core/answers/lookup';
import { spansOfRun } from '@/core/plan/planIndex';
import type { Finding } from '@/core/checks/check';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { AddressRuler } from '@/ui/AddressRuler';
import type { RulerSelection } from '@/ui/drawRuler';
import { Section } from '@/ui/Panel';
import { endsOf } from '@/core/plan/endsOfRuns';
import { PixelSection } from '../picture/PixelSection';
import { e131Words } from '@/core/answers/numberings';
import { SheetFrame } from '../sheets/SheetFrame';
import type { Stage } from '@/core/stages/stages';
import { stageOf } from '@/core/stages/stages';
import { useStageParts } from '../stages/useStageParts';
import { ShowProvider, notify, useEdit, useShow } from '../show/ShowProvider';
import { subjectOfPixel, type Selection } from '../view/selection';
import { useGoTo, useSelection, useView } from '../view/useView';
import { missingWords, subjectWords } from '../view/viewWords';
import { Dialogs } from './Dialogs';
import { Findings } from './Findings';
import { PropList } from './PropList';
import styles from './shell.module.css';
import { StageTabs } from './StageTabs';
import { TopBar } from './TopBar';
import { useKeys } from './useKeys';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt } from '@/core/plan/records';

/** A show, opened. */
export function ShowApp({ id }: { id: string }) {
  return (
    <ShowProvider key={id} id={id}>
      <ShowFrame />
    </ShowProvider>
  );
}

export function ShowFrame() {
  useKeys();
  const plan = useShow((state) => state.plan);
  const view = useView();
  const stage = stageOf(view.stage);
  const planError = useShow((state) => state.planError);
  const findings = useShow((state) => state.findings);
  return (
    <div className={styles.frame}>
      <a className={styles.skip} href="#work">
        Skip to the work
      </a>
      <TopBar />
      <StageTabs findings={findings} />
      <div className={styles.body} data-facts-first={(stage.wholeShow && view.subject !== null) || undefined}>
        <div className={styles.left}>
          <PropList />
        </div>
        <main id="work" tabIndex={-1} className={styles.middle} data-stage={stage.id}>
          {plan && <Title plan={plan} stage={stage} />}
          {planError && <p role="alert">{planError}</p>}
          {plan && <Middle plan={plan} stage={stage} />}
        </main>
        {plan && <Right plan={plan} findings={findings} stage={stage} />}
      </div>
      {plan && <Ruler plan={plan} />}
      <Dialogs />
    </div>
  );
}

/** The title of the window, and the heading that a screen reader goes by: the picture says the same to the eye. */
function Title({ plan, stage }: { plan: Plan; stage: Stage }) {
  const { subject } = useView();
  const selection = useSelection();
  const name = useShow((state) => state.show.name);
  const words = `${stage.label}: ${subjectWords(plan, selection, subject)}`;
  useEffect(() => {
    document.title = `${words} · ${name} · Rapid Lantern`;
  }, [words, name]);
  return (
    <VisuallyHidden>
      <h1>{words}</h1>
    </VisuallyHidden>
  );
}

function Middle({ plan, stage }: { plan: Plan; stage: Stage }) {
  const selection = useSelection();
  const facts = useShow((state) => state.facts);
  const { parts, problem, again } = useStageParts(stage);
  if (problem !== null)
    return (
      <div role="alert" className={styles.loading}>
        <p>{problem}</p>
        <Button onClick={again}>Try again</Button>
      </div>
    );
  if (!parts) return <p className={styles.loading}>Opening {stage.label}…</p>;
  const { label, sheets } = parts.sheets({ plan, selection, facts });
  // An empty show has one thing to look at: how to begin.
  if (plan.show.props.length === 0 && sheets.length === 1) return itemAt(sheets, 0).content();
  return <SheetFrame label={label} sheets={sheets} />;
}

function Right({ plan, findings, stage }: { plan: Plan; findings: readonly Finding[]; stage: Stage }) {
  const selection = useSelection();
  const { subject } = useView();
  const { parts } = useStageParts(stage);
  const side = useRef<HTMLElement>(null);
  const about = `${stage.id} ${selection.prop} ${selection.controller} ${selection.port}`;
  useEffect(() => {
    // A text about another thing is read from its top.
    if (side.current) side.current.scrollTop = 0;
  }, [about]);
  const missing = missingWords(plan, selection, subject);
  const propId = selection.prop === undefined ? undefined : propAt(plan, selection.prop).id;
  const ofThis = findings.filter(
    (finding) => propId !== undefined && [finding.propId, finding.otherPropId].includes(propId),
  );
  const here = findings.filter(
    (finding) =>
      finding.stage === stage.id && (stage.wholeShow || propId === undefined || ofThis.includes(finding)),
  );
  const elsewhere = ofThis.filter((finding) => !here.includes(finding));
  // A port or a controller shows its figures first; the findings are those of the whole show.
  const figuresFirst = selection.controller !== undefined;
  const found = here.length > 0 && (
    <Section title={countOf(here.length, 'finding')}>
      <Findings findings={here} />
    </Section>
  );
  return (
    <aside ref={side} className={styles.right} aria-label="Settings and facts">
      {missing !== null && (
        <p role="alert" className={styles.absent}>
          {missing}
        </p>
      )}
      {selection.pixel !== undefined && <PixelSection plan={plan} pixel={selection.pixel} />}
      {!figuresFirst && found}
      {elsewhere.length > 0 && (
        <Section title="On another stage">
          <Findings findings={elsewhere} />
        </Section>
      )}
      {parts && <parts.Panel plan={plan} selection={selection} />}
      {figuresFirst && found}
    </aside>
  );
}

function Ruler({ plan }: { plan: Plan }) {
  const edit = useEdit();
  const { subject } = useView();
  const selection = useSelection();
  const goTo = useGoTo();
  const chosen = useMemo(
    () => rulerSelection(plan, selection, subject?.kind === 'prop' && subject.run !== undefined),
    [plan, selection, subject],
  );
  return (
    <AddressRuler
      plan={plan}
      selection={chosen}
      selectionWords={selectionWords(plan, selection, chosen)}
      onPin={(run, pin) => {
        const { prop, number } = runAt(plan, run);
        edit({
          type: 'setRunAddress',
          propId: propAt(plan, prop).id,
          run: number,
          change: { pin },
        });
      }}
      onGoTo={(showChannel) => {
        const hit = findShowChannel(plan, showChannel)[0];
        if (!hit) notify(`Channel ${showChannel} is in a gap: no pixel uses it.`);
        else if (hit.kind === 'pixel') goTo({ subject: subjectOfPixel(plan, hit.pixel) });
        else notify(`Channel ${showChannel} belongs to a skipped pixel.`);
      }}
    />
  );
}

function rulerSelection(plan: Plan, { prop, run, pixel }: Selection, byRun: boolean): RulerSelection {
  const first = pixel === undefined ? 0 : plan.pixels.showChannel[pixel]!;
  return {
    prop,
    run: byRun ? run : undefined,
    channels: first === 0 ? null : { first, count: runAt(plan, plan.pixels.run[pixel!]!).channelsPerPixel },
  };
}

function selectionWords(plan: Plan, { pixel }: Selection, chosen: RulerSelection): string | null {
  if (pixel !== undefined) {
    const { wire } = addressOf(plan, pixel);
    if (!wire) return null;
    return wire.e131 ? e131Words(wire.e131) : `byte ${wire.ddpOffset}`;
  }
  if (chosen.prop === undefined) return null;
  const { firstRun, runCount } = plannedAt(plan, chosen.prop);
  const runs =
    chosen.run === undefined ? Array.from({ length: runCount }, (_, i) => firstRun + i) : [chosen.run];
  const ends = endsOf(
    plan,
    runs.filter((run) => spansOfRun(plan, run).length > 0),
  );
  return ends && `${ends.start} → ${ends.end}`;
}
