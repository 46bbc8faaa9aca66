'use client';

import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { addressOf, findShowChannel } from '@/core/answers/lookup';
import { spansOfRun } from '@/core/plan/spanIndex';
import type { Finding } from '@/core/checks/check';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { AddressRuler } from '@/ui/AddressRuler';
import type { RulerSelection } from '@/ui/drawRuler';
import { Hint, Section } from '@/ui/Panel';
import { BuildPanel } from '../build/BuildPanel';
import { CraftBoard } from '../build/CraftBoard';
import { ImportPointsDialog } from '../build/ImportPointsDialog';
import { PixelTypesDialog } from '../build/PixelTypesDialog';
import { PlacesDialog } from '../build/PlacesDialog';
import { RangesSheet } from '../build/RangesSheet';
import { RolesSheet } from '../build/RolesSheet';
import { SettingOutSheet } from '../build/SettingOutSheet';
import { StockSheet } from '../build/StockSheet';
import { ForesightDialog } from '../patch/ForesightDialog';
import { PatchPanel } from '../patch/PatchPanel';
import { patchSheets } from '../patch/sheets/patchSheets';
import { endsOf } from '../patch/words';
import { PixelSection } from '../picture/PixelSection';
import { PropPicture } from '../picture/PropPicture';
import { ShowTotals } from '../picture/ShowTotals';
import { e131Words } from '../picture/pixelWords';
import { SheetFrame, type Sheet } from '../sheets/SheetFrame';
import { ShowProvider, notify, useEdit, useShow } from '../show/ShowProvider';
import { SitePlan } from '../site/SitePlan';
import { BuildSheetView } from '../thread/BuildSheetView';
import { CompareSheet } from '../thread/CompareSheet';
import { ThreadPanel } from '../thread/ThreadPanel';
import type { Stage } from '../view/address';
import { subjectOfPixel, type Selection } from '../view/selection';
import { wallSheets } from '../wall/wallSheets';
import { useGoTo, useSelection, useView } from '../view/useView';
import { ConflictDialog } from './ConflictDialog';
import { Findings } from './Findings';
import { KeyHelp } from './KeyHelp';
import { PropList } from './PropList';
import { RenameShow } from './RenameShow';
import { Search } from './Search';
import styles from './shell.module.css';
import { SitePicture } from './SitePicture';
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
  const { stage } = useView();
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
        <main className={styles.middle} data-stage={stage}>
          {planError && <p role="alert">{planError}</p>}
          {plan && <Middle plan={plan} />}
        </main>
        <aside className={styles.right} aria-label="Settings and facts">
          {plan && <Right plan={plan} findings={findings} />}
        </aside>
      </div>
      {plan && <Ruler plan={plan} />}
      <Search />
      <KeyHelp />
      <RenameShow />
      <PixelTypesDialog />
      <PlacesDialog />
      <ImportPointsDialog />
      <ConflictDialog />
      <ForesightDialog />
    </div>
  );
}

function Middle({ plan }: { plan: Plan }) {
  const { stage } = useView();
  const facts = useShow((state) => state.facts);
  const selection = useSelection();
  if (stage === 'patch')
    return <SheetFrame label="Views of the patch" sheets={patchSheets(plan, selection, facts)} />;
  const index = selection.prop;
  if (index === undefined)
    return plan.show.props.length === 0 ? (
      <SitePicture plan={plan} />
    ) : (
      <SheetFrame
        label="Views of all props"
        sheets={[
          { id: 'props', label: 'All props', content: () => <SitePicture plan={plan} /> },
          {
            id: 'site',
            label: 'Site drawing and leads',
            wide: true,
            content: () => <SitePlan plan={plan} />,
          },
        ]}
      />
    );
  const prop = plan.show.props[index]!;
  const sheets =
    prop.kind === 'wall' ? wallSheets(plan, index, stage) : propSheets(plan, index, stage, selection);
  return <SheetFrame label={`Views of ${prop.name}`} sheets={sheets} />;
}

/** What can be looked at of a prop on a stage. */
function propSheets(plan: Plan, index: number, stage: Stage, selection: Selection): Sheet[] {
  const prop = plan.show.props[index]!;
  const picture: Sheet = {
    id: 'picture',
    label: 'Picture',
    content: () =>
      stage === 'build' && prop.kind === 'craft' ? (
        <CraftOfShow propId={prop.id} />
      ) : (
        <PropPicture plan={plan} prop={index} selection={selection} />
      ),
  };
  return stage === 'build'
    ? [
        picture,
        {
          id: 'setting-out',
          label: 'Setting out',
          wide: true,
          content: () => <SettingOutSheet key={prop.id} plan={plan} prop={index} />,
        },
        {
          id: 'stock',
          label: 'Stock and batches',
          wide: true,
          content: () => <StockSheet key={prop.id} plan={plan} prop={index} />,
        },
        {
          id: 'ranges',
          label: 'Ranges',
          wide: true,
          content: () => <RangesSheet key={prop.id} plan={plan} prop={index} />,
        },
        ...(prop.kind === 'craft'
          ? [
              {
                id: 'roles',
                label: 'Roles',
                wide: true,
                content: () => <RolesSheet key={prop.id} plan={plan} prop={index} />,
              },
            ]
          : []),
      ]
    : [
        picture,
        {
          id: 'compare',
          label: 'Compare schemes',
          wide: true,
          content: () => <CompareSheet key={prop.id} plan={plan} prop={index} />,
        },
        {
          id: 'build-sheet',
          label: 'Build sheet',
          wide: true,
          content: () => <BuildSheetView plan={plan} prop={index} />,
        },
      ];
}

/** The board as it is edited, ahead of its plan. */
function CraftOfShow({ propId }: { propId: string }) {
  const prop = useShow((state) => state.show.props.find((each) => each.id === propId));
  return prop?.kind === 'craft' ? <CraftBoard prop={prop} /> : null;
}

function Right({ plan, findings }: { plan: Plan; findings: readonly Finding[] }) {
  const { stage } = useView();
  const selection = useSelection();
  const goTo = useGoTo();
  const planned = selection.prop === undefined ? undefined : plan.show.props[selection.prop];
  const prop = useShow((state) => planned && state.show.props.find((each) => each.id === planned.id));
  const here = findings.filter(
    (finding) => finding.stage === stage && (!prop || stage === 'patch' || finding.propId === prop.id),
  );
  const elsewhere = findings.filter(
    (finding) => !here.includes(finding) && prop && finding.propId === prop.id,
  );
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
      {stage === 'build' && prop && <BuildPanel prop={prop} />}
      {stage === 'thread' && prop && <ThreadPanel prop={prop} />}
      {stage === 'patch' && <PatchPanel plan={plan} selection={selection} />}
      {stage !== 'patch' && !prop && (
        <>
          <Section title={stage === 'build' ? 'Build' : 'Thread'}>
            <Hint>
              {stage === 'build'
                ? 'Choose a prop on the left to measure it, or add one. What you measure here is typed once: threading, ports and addresses follow from it.'
                : 'Choose a prop on the left to say where data enters it and which way it goes.'}
            </Hint>
          </Section>
          <ShowTotals plan={plan} />
        </>
      )}
      {stage === 'build' && prop && (
        <Button mt="lg" fullWidth onClick={() => goTo({ stage: 'thread' })}>
          Thread it
        </Button>
      )}
      {stage === 'thread' && prop && (
        <Button mt="lg" fullWidth onClick={() => goTo({ stage: 'patch' })}>
          Put it on a port
        </Button>
      )}
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
