import { Button, Select } from '@mantine/core';
import { boardPowerOf, THROUGH_BOARD, type BoardPower } from '@/core/catalogue/boardPower';
import { namedLeads, type NewFeed } from '@/core/catalogue/feed';
import type { Controller } from '@/core/catalogue/controller';
import { newId } from '@/core/fields/fields';
import { retyped, type Figure } from '@/core/figures/figure';
import type { Plan } from '@/core/plan/planned';
import type { FedLead } from '@/core/power/report';
import { sourceWords } from '@/core/power/leadWords';
import { formatAmps, formatVolts } from '@/core/units/electric';
import { MaybeUnitField, NumberUnitField } from '@/ui/fields/NumberUnitField';
import { Hint, Row, Stack } from '@/ui/Panel';
import { StandingFields } from '../figures/StandingFields';
import { useEdit, useShow } from '../show/ShowProvider';
import styles from './power.module.css';
import { LeadCard } from './LeadCard';
import { usualLeadMm } from './leads';
import { Opening } from '../sheets/Opening';
import type { usePower } from './usePower';
import { itemAt } from '@/core/units/there';
import { changedTo } from '@/core/fields/said';

type FullBoardPower = ReturnType<typeof boardPowerOf>;

/** Every controller: what feeds it, what it passes on, and what its own limiter keeps. */
export function BoardCards({ plan, power }: { plan: Plan; power: ReturnType<typeof usePower> }) {
  const controllers = useShow((state) => state.show.controllers);
  return (
    <div className={styles.cards}>
      {controllers.map((controller) => (
        <BoardCard
          key={controller.id}
          plan={plan}
          controller={controller}
          leads={power?.report.leads ?? []}
        />
      ))}
    </div>
  );
}

function BoardCard({
  plan,
  controller,
  leads,
}: {
  plan: Plan;
  controller: Controller;
  leads: readonly FedLead[];
}) {
  const show = useShow((state) => state.show);
  const power = boardPowerOf(controller);
  const isTo = (feed: (typeof show.feeds)[number]) =>
    feed.pieces.some(({ to }) => to.kind === 'controller' && to.controllerId === controller.id);
  const feeding = show.feeds.filter(isTo);
  const passed = leads.filter(({ feed }) => {
    const from = plan.show.feeds[feed]?.from;
    return from?.kind === 'port' && from.controllerId === controller.id;
  });
  const flowing = (id: string) => leads.find((lead) => plan.show.feeds[lead.feed]?.id === id);
  return (
    <section className={styles.card} aria-label={controller.name}>
      <h3>{controller.name}</h3>
      <p className={styles.small}>
        {feeding.length === 0
          ? 'No lead of the plan feeds it: an adapter of its own.'
          : feeding
              .map((feed) => {
                const lead = flowing(feed.id);
                const at = feed.pieces.findIndex(
                  ({ to }) => to.kind === 'controller' && to.controllerId === controller.id,
                );
                const there = lead?.pieces[at];
                return `${feed.name} from ${sourceWords(show, feed)}${there ? `, ${formatVolts(there.voltsAtEnd)} at full white` : ''}`;
              })
              .join('; ')}
        {power.volts && ` · takes ${power.volts.least} to ${power.volts.most} V`}
      </p>
      {passed.length > 0 && (
        <p className={styles.small}>
          Passes on {formatAmps(passed.reduce((sum, lead) => sum + lead.amps, 0))} at full white, of{' '}
          {power.passesAmps.basis === 'default' && power.portFuseAmps
            ? `${formatAmps(power.portFuseAmps.value)} a port`
            : formatAmps(power.passesAmps.value)}
        </p>
      )}
      {feeding.length === 0 && <FeedIt plan={plan} controller={controller} />}
      <div className={styles.leads}>
        {feeding.map((feed) => (
          <LeadCard key={feed.id} plan={plan} feed={feed} prop={null} flowing={flowing(feed.id)} />
        ))}
      </div>
      <Taken controller={controller} />
    </section>
  );
}

/** A lead to start with, where nothing feeds the board yet. */
function FeedIt({ plan, controller }: { plan: Plan; controller: Controller }) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const { volts: taken } = boardPowerOf(controller);
  const supply = show.supplies.find(({ volts }) => !taken || (volts >= taken.least && volts <= taken.most));
  if (!supply) return null;
  return (
    <Button
      size="compact-sm"
      variant="default"
      onClick={() => {
        const made: NewFeed = {
          from: { kind: 'supply', supplyId: supply.id },
          fuseAmps: 3,
          pieces: [
            {
              lengthMm: usualLeadMm(plan.show) / 3,
              wire: 'mm2-1.5',
              to: { kind: 'controller', controllerId: controller.id },
            },
          ],
        };
        edit({
          type: 'addFeed',
          feed: itemAt(
            namedLeads(show.feeds, [made], () => newId('lead')),
            0,
          ),
        });
      }}
    >
      Feed it from {supply.name}
    </Button>
  );
}

type SetPower = (change: { [Field in keyof BoardPower]?: BoardPower[Field] | null }) => boolean;
type FigureField = 'limiterAmps' | 'portFuseAmps' | 'estimateAmps' | 'limiterPixelMa';

function Taken({ controller }: { controller: Controller }) {
  const edit = useEdit();
  const power = boardPowerOf(controller);
  const set: SetPower = (change) => {
    const next = changedTo(controller.power, change);
    return edit({
      type: 'changeController',
      controllerId: controller.id,
      change: { power: Object.keys(next).length === 0 ? null : next },
    });
  };
  const figure = (field: FigureField, value: number | null) =>
    set({ [field]: value === null ? null : retyped(controller.power?.[field], value) });
  return (
    <Opening words="What it takes and passes on">
      <Stack>
        <VoltsTaken power={power} set={set} />
        <Standing
          label="It draws itself"
          unit="A"
          most={20}
          figure={power.ownAmps}
          onCommit={(ownAmps) => set({ ownAmps })}
        />
        {!power.portFuseAmps && (
          <>
            <Standing
              label="All that it passes on"
              unit="A"
              least={0.05}
              most={60}
              figure={power.passesAmps}
              onCommit={(passesAmps) => set({ passesAmps })}
            />
            <p className={styles.small}>
              {THROUGH_BOARD.map(({ amps, words }) => `${amps} A ${words}`).join(' · ')}
            </p>
          </>
        )}
        <MaybeUnitField
          label="Fuse of each port"
          unit="A"
          least={0.1}
          most={60}
          placeholder="its ports pass no power on"
          value={power.portFuseAmps?.value ?? null}
          onCommit={(value) => figure('portFuseAmps', value)}
        />
        <OwnLimiter power={power} onCommit={figure} />
        <MaybeUnitField
          label="It says of its own draw"
          description="At full white, on its own page: compared with the plan, never counted"
          unit="A"
          least={0}
          most={400}
          placeholder="not looked up"
          value={power.estimateAmps?.value ?? null}
          onCommit={(value) => figure('estimateAmps', value)}
        />
        <SecondInput power={controller.power} set={set} />
      </Stack>
    </Opening>
  );
}

function VoltsTaken({ power, set }: { power: FullBoardPower; set: SetPower }) {
  return (
    <Row>
      <MaybeUnitField
        label="It takes from"
        unit="V"
        least={1}
        most={60}
        placeholder="look it up"
        value={power.volts?.least ?? null}
        onCommit={(least) =>
          set({
            volts: least === null ? null : { least, most: Math.max(least, power.volts?.most ?? least) },
          })
        }
      />
      <MaybeUnitField
        label="up to"
        unit="V"
        least={1}
        most={60}
        placeholder="look it up"
        value={power.volts?.most ?? null}
        onCommit={(most) =>
          set({
            volts: most === null ? null : { least: Math.min(most, power.volts?.least ?? most), most },
          })
        }
      />
    </Row>
  );
}

interface OwnLimiterProps {
  power: FullBoardPower;
  onCommit: (field: FigureField, value: number | null) => boolean;
}

function OwnLimiter({ power, onCommit: figure }: OwnLimiterProps) {
  return (
    <>
      <Row>
        <MaybeUnitField
          label="Its own limiter, all pixels"
          unit="A"
          least={0.05}
          most={400}
          placeholder="none"
          value={power.limiterAmps?.value ?? null}
          onCommit={(value) => figure('limiterAmps', value)}
        />
        <MaybeUnitField
          label="It takes a pixel for"
          unit="mA"
          least={1}
          most={500}
          placeholder="what it draws"
          value={power.limiterPixelMa?.value ?? null}
          onCommit={(value) => figure('limiterPixelMa', value)}
        />
      </Row>
      <Hint>
        A limiter inside the device keeps its total whatever a program sends, so supplies, wires and fuses are
        sized by it. Type it into the device before the first full white, and look once more after every
        reset.
      </Hint>
    </>
  );
}

function SecondInput({ power, set }: { power: BoardPower | undefined; set: SetPower }) {
  return (
    <>
      <Select
        label="A second power input, such as its USB socket"
        clearable
        placeholder="not looked up"
        value={power?.secondInput ?? null}
        data={[
          { value: 'never', label: 'never beside the first' },
          { value: 'allowed', label: 'may be used beside the first' },
        ]}
        onChange={(secondInput) => set({ secondInput })}
      />
      {power?.secondInput === 'never' && (
        <Hint>
          Two inputs at once push current into each other: pull the supply before USB goes in, or cut plus in
          that cable.
        </Hint>
      )}
    </>
  );
}

function Standing({
  label,
  unit,
  least = 0,
  most,
  figure,
  onCommit,
}: {
  label: string;
  unit: string;
  least?: number;
  most: number;
  figure: Figure<number>;
  onCommit: (figure: Figure<number>) => boolean | void;
}) {
  return (
    <div>
      <NumberUnitField
        label={label}
        unit={unit}
        least={least}
        most={most}
        value={figure.value}
        onCommit={(value) => onCommit(retyped(figure, value))}
      />
      <StandingFields label={label} figure={figure} onCommit={onCommit} />
    </div>
  );
}
