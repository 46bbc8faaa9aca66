'use client';

import { Select } from '@mantine/core';
import { useState } from 'react';
import { dataDriveOf } from '@/core/catalogue/dataDrive';
import { DRIVER_WORDS, DRIVERS, hasBackupData, type DataLead } from '@/core/catalogue/dataLine';
import type { Controller } from '@/core/catalogue/controller';
import { levelWords, reachWords, type DataLine } from '@/core/answers/dataLines';
import { retyped } from '@/core/figures/figure';
import { dataWiresTable } from '@/core/papers/tables/dataWires';
import type { Plan } from '@/core/plan/planned';
import { runName } from '@/core/plan/runName';
import { parseLength, formatLength } from '@/core/units/length';
import { capitalised } from '@/core/units/words';
import { MaybeUnitField, NumberUnitField } from '@/ui/fields/NumberUnitField';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Row, Stack } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import { StandingFields } from '../figures/StandingFields';
import sheets from '../sheets/sheets.module.css';
import { useAnswer, useEdit, useShow } from '../show/ShowProvider';
import styles from './power.module.css';
import { byId } from '@/core/units/there';
import { propAt, runAt, controllerAt } from '@/core/plan/records';
import { changedTo } from '@/core/fields/said';

/** Every data wire: whether it is driven high and far enough, and what is built into it. */
export function DataWiresSheet({ plan }: { plan: Plan }) {
  const lines = useAnswer('dataLines', null);
  const [chosen, setChosen] = useState<number | null>(null);
  const isCurrent = lines?.every(
    ({ run, controller }) => plan.runs[run] && plan.show.controllers[controller],
  );
  if (!lines || !isCurrent) return <p role="status">Following the data wires…</p>;
  if (lines.length === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>
          No run is on a port yet. Patch some, then their data wires are told here.
        </p>
      </div>
    );
  const line = lines.find(({ run }) => run === chosen);
  const boards = [...new Set(lines.map(({ controller }) => controller))];
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        A one-wire chip takes for a one what is above 0.7 of its supply: 3.5 V at 5 V, and inside most 12 V
        lights too. Ground has to go along with data. Choose a row to say what is built into it.
      </p>
      <SheetTable
        testId="data-wires"
        table={dataWiresTable(plan, lines)}
        chosen={({ run }) => run === chosen}
        onChoose={({ run }) => setChosen(run === chosen ? null : run)}
      />
      <div className={styles.cards}>
        {line && <WireCard plan={plan} line={line} />}
        {boards.map((index) => (
          <DriveCard key={controllerAt(plan, index).id} plan={plan} controller={controllerAt(plan, index)} />
        ))}
      </div>
    </div>
  );
}

/** Driver of the lines of a controller. */
function DriveCard({ plan, controller }: { plan: Plan; controller: Controller }) {
  const edit = useEdit();
  const type = plan.show.controllerTypes.find((each) => each.id === controller.typeId);
  const { driver, logicVolts } = dataDriveOf(controller, type);
  const set = (change: Controller['data']) =>
    edit({
      type: 'changeController',
      controllerId: controller.id,
      change: { data: { ...controller.data, ...change } },
    });
  return (
    <section className={styles.card} aria-label={`What drives the lines of ${controller.name}`}>
      <h3>{controller.name}</h3>
      <Stack>
        <Select
          label="Its data lines are driven by"
          allowDeselect={false}
          value={driver}
          data={DRIVERS.map((value) => ({ value, label: capitalised(DRIVER_WORDS[value]) }))}
          onChange={(value) => value && set({ driver: value })}
        />
        <div>
          <NumberUnitField
            label="A one is"
            unit="V"
            least={1}
            most={6}
            value={logicVolts.value}
            onCommit={(volts) => set({ logicVolts: retyped(controller.data?.logicVolts, volts) })}
          />
          <StandingFields
            label="A one is"
            figure={logicVolts}
            onCommit={(figure) => set({ logicVolts: figure })}
          />
        </div>
        {driver === 'shifter' && (
          <p className={`${styles.small} ${styles.bad}`}>
            Two-way shifters are too slow for 800 kHz: they work on the bench and fail outside.
          </p>
        )}
      </Stack>
    </section>
  );
}

/** Parts in the data wire to one run. */
function WireCard({ plan, line }: { plan: Plan; line: DataLine }) {
  const edit = useEdit();
  const { prop, number } = runAt(plan, line.run);
  const { id, pixelTypeId } = propAt(plan, prop);
  const type = byId(plan.show.pixelTypes, pixelTypeId);
  const entry = useShow((state) => state.show.patch).find(
    (each) => each.propId === id && each.run === number,
  );
  const said = entry?.dataLead ?? {};
  const advice = [levelWords(line), reachWords(line, plan.show.lengths)].filter(Boolean).join(' ');
  const set = (change: { [Field in keyof DataLead]?: DataLead[Field] | null }) => {
    const dataLead = changedTo(said, change);
    return edit({ type: 'setDataLead', propId: id, run: number, dataLead });
  };
  return (
    <section className={styles.card} aria-label={`Data wire to ${runName(plan, line.run)}`}>
      <h3>
        {line.port} to {runName(plan, line.run)}
      </h3>
      {advice && <p className={`${styles.small} ${styles.bad}`}>{advice}</p>}
      <Stack>
        <ParsedField
          label="Length, one way"
          placeholder={
            line.lengthIsDrawn && line.lengthMm !== null
              ? `${formatLength(line.lengthMm, plan.show.lengths)} by the drawing`
              : 'not said'
          }
          value={said.lengthMm ?? null}
          format={(lengthMm: number | null) =>
            lengthMm === null ? '' : formatLength(lengthMm, plan.show.lengths)
          }
          parse={(text) => {
            if (text.trim() === '') return { ok: true, value: null };
            const read = parseLength(text, 'm');
            return !read.ok || (read.value >= 0 && read.value <= 1_000_000)
              ? read
              : { ok: false, message: `A data wire is at most 1 km; “${text.trim()}” is more.` };
          }}
          onCommit={(lengthMm) => set({ lengthMm })}
        />
        <Select
          label="Built in near its source"
          clearable
          placeholder="nothing"
          value={said.helper ?? null}
          data={[
            { value: 'buffer', label: 'a fast buffer, 74AHCT or 74HCT' },
            { value: 'pair', label: 'a differential pair and its receiver' },
          ]}
          onChange={(helper) => set({ helper })}
        />
        <Select
          label="Ground"
          clearable
          placeholder={line.ground === 'supply' ? 'in common by the supply' : 'not said'}
          value={said.ground ?? null}
          data={[
            { value: 'along', label: 'goes along with data' },
            { value: 'none', label: 'does not go along' },
          ]}
          onChange={(ground) => set({ ground })}
        />
        <Row>
          <MaybeUnitField
            label="Resistor"
            unit="Ω"
            least={0}
            most={2000}
            placeholder="not said"
            value={said.seriesOhm ?? null}
            onCommit={(seriesOhm) => set({ seriesOhm })}
          />
          <MaybeUnitField
            label="Capacitor"
            unit="µF"
            least={0}
            most={100_000}
            placeholder="not said"
            value={said.capacitorUf ?? null}
            onCommit={(capacitorUf) => set({ capacitorUf })}
          />
        </Row>
        <p className={styles.small}>
          One school puts 220 to 470 Ω in series near the source, against ringing, and some 1,000 µF across
          the supply of the first pixel, against its first inrush; 0 says that it is left out on purpose, as
          the other school does where buffers have a resistor of their own.
        </p>
        {hasBackupData(type.chip) && (
          <>
            <Select
              label="Second data wire of the first pixel"
              clearable
              placeholder="not said"
              value={said.backup ?? null}
              data={[
                { value: 'joined', label: 'joined to data' },
                { value: 'ground', label: 'tied to ground' },
              ]}
              onChange={(backup) => set({ backup })}
            />
            <p className={styles.small}>
              Joined to data, a dead first pixel is skipped; tied to ground, it cannot catch noise. The data
              sheet of the chip decides; left open it flickers.
            </p>
          </>
        )}
      </Stack>
    </section>
  );
}
