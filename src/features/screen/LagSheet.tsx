'use client';

import { SegmentedControl, Select, Switch } from '@mantine/core';
import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import { wirePixels } from '@/core/screens/frame';
import {
  LAG_PARTS,
  lagOf,
  nextSettings,
  sufficientCapture,
  withMeasuredLag,
  type LagPart,
} from '@/core/screens/lag';
import { BAUDS, USUAL_LINK, type LinkWish } from '@/core/screens/linkWish';
import { USUAL_PIPELINE, type PipelineSettings } from '@/core/screens/pipelineSettings';
import { zonesOf } from '@/core/screens/zones';
import { groupDigits } from '@/core/units/number';
import { WholeField } from '@/ui/fields/fields';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { Facts } from '@/ui/Facts';
import { Hint } from '@/ui/Panel';
import sheets from '../sheets/sheets.module.css';
import { FilmedLag } from './FilmedLag';
import styles from './screen.module.css';
import { useSetScreen } from './useSetScreen';
import { pixelTypeOf } from '@/core/plan/records';

const PART_WORDS: Record<LagPart, string> = {
  capture: 'Capture',
  processing: 'Processing',
  smoothing: 'Smoothing',
  link: 'Link',
  chips: 'Chips',
};

const behindWords = (ms: number) =>
  Math.abs(ms) < 0.5
    ? 'together with it'
    : `${Math.abs(ms).toFixed(0)} ms ${ms > 0 ? 'behind it' : 'ahead of it'}`;

/** Lag of the pixels behind the picture, and its largest part. */
export function LagSheet({ plan, prop }: { plan: Plan; prop: PropOf<'screen'> }) {
  const { shape } = prop;
  const setShape = useSetScreen(prop.id, shape);
  const kept = shape.link ?? USUAL_LINK;
  const colours = shape.colours ?? USUAL_PIPELINE;
  const set = (change: Partial<LinkWish>) => setShape({ link: { ...kept, ...change } });
  const pixels = wirePixels(shape);
  const pixelType = pixelTypeOf(plan.show, prop);
  if (pixels === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>No light yet: say what is behind the screen first.</p>
      </div>
    );
  const wish = { ...kept, pixels, pixelType, smoothingMs: colours.smoothingMs };
  const lag = lagOf(wish);
  const capture = sufficientCapture(zonesOf(shape));
  return (
    <div className={sheets.sheet}>
      <h2>Lag and rate</h2>
      <p className={sheets.lead}>
        What happens on the screen waits for a captured picture, for the work on it, for smoothing, for the
        link and for the chips.
      </p>
      <LagBar lag={lag} />
      <Facts
        facts={[
          {
            name: 'From the line to the lights',
            value: `${lag.totalMs.toFixed(0)} ms`,
            note: 'at worst; on average half a captured picture less',
          },
          {
            name: 'Lights and the picture that is seen',
            value: behindWords(lag.behindMs),
            note: lag.isMeasured
              ? 'as filmed, and by what was set since'
              : 'worked out: film both to know it',
          },
          {
            name: 'Pictures a second',
            value: lag.rateHz.toFixed(1),
            note: `held by: ${PART_WORDS[lag.bottleneck].toLowerCase()}`,
          },
          lag.change !== null && { name: 'Smallest change', value: lag.change },
          {
            name: 'Captured picture that suffices',
            value: `${groupDigits(capture.width)} × ${groupDigits(capture.height)}`,
            note: 'two of its pixels across each zone; a larger one costs time and shows nothing',
          },
        ]}
      />
      <LagSettings
        kept={kept}
        set={set}
        colours={colours}
        onColours={(next) => setShape({ colours: next })}
      />
      <h3>What comes next, and what to expect of it</h3>
      <ul className={styles.plain} aria-label="What comes next">
        {nextSettings(wish).map(({ words, behindMs, rateHz }) => (
          <li key={words}>
            <b>{words}</b>: lights {behindWords(behindMs)}, {rateHz.toFixed(1)} pictures a second
          </li>
        ))}
      </ul>
      <FilmedLag
        measured={kept.measured}
        onTake={(behindMs) => set({ measured: withMeasuredLag(wish, behindMs) })}
        onForget={() => {
          const { measured: _, ...rest } = kept;
          setShape({ link: rest });
        }}
      />
    </div>
  );
}

/** The parts of the lag beside one another, as long as they take. */
function LagBar({ lag }: { lag: ReturnType<typeof lagOf> }) {
  return (
    <>
      <div
        className={styles.lag}
        role="img"
        aria-label={LAG_PARTS.map((part) => `${PART_WORDS[part]} ${lag.parts[part].toFixed(1)} ms`).join(
          ', ',
        )}
      >
        {LAG_PARTS.map((part) => (
          <span
            key={part}
            data-part={part}
            data-bottleneck={part === lag.bottleneck}
            style={{ flexGrow: lag.parts[part] }}
          />
        ))}
      </div>
      <ul className={styles.parts} aria-hidden>
        {LAG_PARTS.map((part) => (
          <li key={part} data-part={part}>
            {PART_WORDS[part]} <span className="mono">{lag.parts[part].toFixed(1)} ms</span>
          </li>
        ))}
      </ul>
    </>
  );
}

interface LinkFieldsProps {
  kept: LinkWish;
  set: (change: Partial<LinkWish>) => boolean;
}

interface LagSettingsProps extends LinkFieldsProps {
  colours: PipelineSettings;
  onColours: (colours: PipelineSettings) => boolean;
}

function LagSettings({ kept, set, colours, onColours }: LagSettingsProps) {
  return (
    <div className={styles.settings}>
      <WholeField
        label="Wanted, pictures a second"
        what="The rate"
        least={1}
        most={240}
        value={kept.wantedHz}
        onCommit={(wantedHz) => set({ wantedHz })}
      />
      <WholeField
        label="Captured, pictures a second"
        what="The rate"
        least={1}
        most={240}
        value={kept.captureHz}
        onCommit={(captureHz) => set({ captureHz })}
      />
      <NumberUnitField
        label="Processing"
        unit="ms"
        least={0}
        most={1000}
        value={kept.processingMs}
        onCommit={(processingMs) => set({ processingMs })}
      />
      <NumberUnitField
        label="Smoothing"
        unit="ms"
        least={0}
        most={5000}
        value={colours.smoothingMs}
        onCommit={(smoothingMs) => onColours({ ...colours, smoothingMs })}
      />
      <NumberUnitField
        label="The screen’s own delay"
        description="in its picture mode; game modes have the least"
        unit="ms"
        least={0}
        most={1000}
        value={kept.screenDelayMs}
        onCommit={(screenDelayMs) => set({ screenDelayMs })}
      />
      <LinkFields kept={kept} set={set} />
    </div>
  );
}

/** The ways to the lights, each as it is met first. */
const LINKS: readonly { label: string; link: LinkWish['link'] }[] = [
  { label: 'Serial', link: USUAL_LINK.link },
  { label: 'Network', link: { kind: 'network', isWireless: true } },
  { label: 'Own pin', link: { kind: 'pin' } },
];

function LinkFields({ kept: { link }, set }: LinkFieldsProps) {
  return (
    <>
      <SegmentedControl
        aria-label="The link to the lights"
        value={link.kind}
        onChange={(kind) => {
          const link = LINKS.find((each) => each.link.kind === kind)?.link;
          if (link) set({ link });
        }}
        data={LINKS.map(({ link: { kind }, label }) => ({ value: kind, label }))}
      />
      {link.kind === 'serial' ? (
        <>
          <Select
            label="Baud"
            allowDeselect={false}
            value={String(link.baud)}
            data={[...new Set<number>([...BAUDS, link.baud])]
              .sort((a, b) => a - b)
              .map((baud) => ({ value: String(baud), label: groupDigits(baud) }))}
            onChange={(baud) => baud && set({ link: { ...link, baud: Number(baud) } })}
          />
          <Switch
            label="The board receives while it lights"
            description="Simple boards shut their ears while they clock out a picture"
            checked={link.receivesWhileLit}
            onChange={(event) => set({ link: { ...link, receivesWhileLit: event.currentTarget.checked } })}
          />
        </>
      ) : link.kind === 'pin' ? (
        <Hint>
          The computer that captures drives the strip itself: nothing lies between, and its data is at 3.3 V.
        </Hint>
      ) : (
        <Switch
          label="By radio"
          description="A cable is sooner, and never stutters"
          checked={link.isWireless}
          onChange={(event) => set({ link: { ...link, isWireless: event.currentTarget.checked } })}
        />
      )}
    </>
  );
}
