'use client';

import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { addressOf, findShowChannel } from '@/core/answers/lookup';
import { spansOfRun } from '@/core/plan/planIndex';
import type { Finding } from '@/core/checks/check';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { AddressRuler } from '@/ui/AddressRuler';
import type { RulerSelection } from '@/ui/drawRuler';
import { Section } from '@/ui/Panel';
import { ImportPointsDialog } from '../build/ImportPointsDialog';
import { PixelTypesDialog } from '../build/PixelTypesDialog';
import { PlacesDialog } from '../build/PlacesDialog';
import { ForesightDialog } from '../patch/ForesightDialog';
import { endsOf } from '../patch/words';
import { PixelSection } from '../picture/PixelSection';
import { e131Words } from '@/core/answers/numberings';
import { SheetFrame } from '../sheets/SheetFrame';
import type { Stage } from '../stages/stage';
import { stageOf } from '../stages/stages';
import { useStageParts } from '../stages/useStageParts';
import { ShowProvider, notify, useEdit, useShow } from '../show/ShowProvider';
import { subjectOfPixel, type Selection } from '../view/selection';
import { useGoTo, useSelection, useView } from '../view/useView';
import { ConflictDialog } from './ConflictDialog';
import { Findings } from './Findings';
import { KeyHelp } from './KeyHelp';
import { Explanation } from '../explain/Explanation';
import { PropList } from './PropList';
import { RenameShow } from './RenameShow';
import { SheetsDialog } from './SheetsDialog';
import { Search } from './Search';
import styles from './shell.module.css';
import { StageTabs } from './StageTabs';
import { TopBar } from './TopBar';
import { useKeys } from './useKeys';

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
  const stage = stageOf(useView().stage);
  const planError = useShow((state) => state.planError);
  const findings = useShow((state) => state.findings);
  return (
    <div className={styles.frame}>
      <TopBar />
      <StageTabs findings={findings} />
      <div className={styles.body}>
        <div className={styles.left}>
          <PropList />
        </div>
        <main className={styles.middle} data-stage={stage.id} data-whole-show={stage.wholeShow}>
          {planError && <p role="alert">{planError}</p>}
          {plan && <Middle plan={plan} stage={stage} />}
        </main>
        <aside className={styles.right} aria-label="Settings and facts">
          {plan && <Right plan={plan} findings={findings} stage={stage} />}
        </aside>
      </div>
      {plan && <Ruler plan={plan} />}
      {plan && <SheetsDialog plan={plan} />}
      <Search />
      <KeyHelp />
      <RenameShow />
      <PixelTypesDialog />
      <PlacesDialog />
      <ImportPointsDialog />
      <ConflictDialog />
      <ForesightDialog />
      <Explanation />
    </div>
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
  if (plan.show.props.length === 0 && sheets.length === 1) return sheets[0]!.content();
  return <SheetFrame label={label} sheets={sheets} />;
}

function Right({ plan, findings, stage }: { plan: Plan; findings: readonly Finding[]; stage: Stage }) {
  const selection = useSelection();
  const { parts } = useStageParts(stage);
  const propId = selection.prop === undefined ? undefined : plan.show.props[selection.prop]!.id;
  const ofThis = findings.filter((finding) => propId !== undefined && finding.propId === propId);
  const here = findings.filter(
    (finding) =>
      finding.stage === stage.id && (stage.wholeShow || propId === undefined || ofThis.includes(finding)),
  );
  const elsewhere = ofThis.filter((finding) => !here.includes(finding));
  return (
    <>
      {selection.pixel !== undefined && <PixelSection plan={plan} pixel={selection.pixel} />}
      {here.length > 0 && (
        <Section title={countOf(here.length, 'finding')}>
          <Findings findings={here} />
        </Section>
      )}
      {elsewhere.length > 0 && (
        <Section title="On another stage">
          <Findings findings={elsewhere} />
        </Section>
      )}
      {parts && <parts.Panel plan={plan} selection={selection} />}
    </>
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
        const { prop, number } = plan.runs[run]!;
        edit({
          type: 'setRunAddress',
          propId: plan.show.props[prop]!.id,
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
    channels: first === 0 ? null : { first, count: plan.runs[plan.pixels.run[pixel!]!]!.channelsPerPixel },
  };
}

function selectionWords(plan: Plan, { pixel }: Selection, chosen: RulerSelection): string | null {
  if (pixel !== undefined) {
    const { wire } = addressOf(plan, pixel);
    if (!wire) return null;
    return wire.e131 ? e131Words(wire.e131) : `byte ${wire.ddpOffset}`;
  }
  if (chosen.prop === undefined) return null;
  const { firstRun, runCount } = plan.props[chosen.prop]!;
  const runs =
    chosen.run === undefined ? Array.from({ length: runCount }, (_, i) => firstRun + i) : [chosen.run];
  const ends = endsOf(
    plan,
    runs.filter((run) => spansOfRun(plan, run).length > 0),
  );
  return ends && `${ends.start} → ${ends.end}`;
}
