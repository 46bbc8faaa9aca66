'use client';

import { MultiSelect, Select } from '@mantine/core';
import type { ControllerType } from '@/core/catalogue/controllerType';
import {
  HIDES,
  HIDES_WORDS,
  MOST_CHANNELS_A_PIXEL,
  MOST_SILENT_S,
  PIXEL_SIZES,
  PIXEL_SIZES_WORDS,
  SILENT,
  SILENT_WORDS,
  STARTS,
  STARTS_WORDS,
  SUB_NETS,
  SUB_NETS_WORDS,
  UNIVERSE_SIZES,
  UNIVERSE_SIZES_WORDS,
  tellingOf,
  type Silence,
} from '@/core/catalogue/controllers/telling';
import { retyped, type Figure } from '@/core/figures/figure';
import type { Parsed } from '@/core/units/length';
import { groupDigits } from '@/core/units/number';
import { listOf } from '@/core/units/words';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint, Row, Stack } from '@/ui/Panel';
import { StandingFields } from '../figures/StandingFields';

const USUAL = tellingOf();

/** Everything that a kind of controller asks for when it is set: no layout may need more. */
export function TellingFields({
  type,
  onChange,
}: {
  type: ControllerType;
  onChange: (change: Partial<ControllerType>) => void;
}) {
  return (
    <>
      <Hint>What it asks for when it is set. Where nothing is said, the usual is taken.</Hint>
      <Row>
        <TellingField
          label="Starts"
          values={STARTS}
          words={STARTS_WORDS}
          usual={USUAL.starts.value}
          figure={type.starts}
          onCommit={(starts) => onChange({ starts })}
        />
        <TellingField
          label="Universe size"
          values={UNIVERSE_SIZES}
          words={UNIVERSE_SIZES_WORDS}
          usual={USUAL.universeSizes.value}
          figure={type.universeSizes}
          onCommit={(universeSizes) => onChange({ universeSizes })}
        />
      </Row>
      <Row>
        <TellingField
          label="Adds hidden pixels"
          values={HIDES}
          words={HIDES_WORDS}
          usual={USUAL.hides.value}
          figure={type.hides}
          onCommit={(hides) => onChange({ hides })}
        />
        <TellingField
          label="Channels per pixel"
          values={PIXEL_SIZES}
          words={PIXEL_SIZES_WORDS}
          usual={USUAL.pixelSizes.value}
          figure={type.pixelSizes}
          onCommit={(pixelSizes) => onChange({ pixelSizes })}
        />
      </Row>
      <TellingField
        label="Art-Net net and sub-net"
        values={SUB_NETS}
        words={SUB_NETS_WORDS}
        usual={USUAL.subNets.value}
        figure={type.subNets}
        onCommit={(subNets) => onChange({ subNets })}
      />
      <WhenSilent figure={type.whenSilent} onCommit={(whenSilent) => onChange({ whenSilent })} />
      <PixelChannels figure={type.pixelChannels} onCommit={(pixelChannels) => onChange({ pixelChannels })} />
    </>
  );
}

/** One of several ways of telling, and what that stands on. */
function TellingField<Value extends string>({
  label,
  values,
  words,
  usual,
  figure,
  onCommit,
}: {
  label: string;
  values: readonly Value[];
  words: Readonly<Record<Value, string>>;
  usual: Value;
  figure: Figure<Value> | undefined;
  onCommit: (figure: Figure<Value> | undefined) => void;
}) {
  return (
    <Stack>
      <Select
        label={label}
        placeholder={`the usual: ${words[usual]}`}
        clearable
        value={figure?.value ?? null}
        data={values.map((value) => ({ value, label: words[value] }))}
        onChange={(value) => onCommit(value === null ? undefined : retyped(figure, value))}
      />
      <StandingFields label={label} figure={figure} onCommit={onCommit} />
    </Stack>
  );
}

/** The look of a device when data stops, and the seconds after which it begins. */
function WhenSilent({
  figure,
  onCommit,
}: {
  figure: Figure<Silence> | undefined;
  onCommit: (figure: Figure<Silence> | undefined) => void;
}) {
  return (
    <>
      <Row>
        <Select
          label="When data stops"
          placeholder="not known"
          clearable
          value={figure?.value.shows ?? null}
          data={SILENT.map((value) => ({ value, label: `it ${SILENT_WORDS[value]}` }))}
          onChange={(shows) =>
            onCommit(shows === null ? undefined : retyped(figure, { ...figure?.value, shows }))
          }
        />
        {figure && (
          <ParsedField
            label="After so many seconds"
            placeholder="not known"
            value={figure.value.afterS ?? null}
            format={(seconds) => (seconds === null ? '' : String(seconds))}
            parse={parseSeconds}
            onCommit={(afterS) =>
              onCommit(
                retyped(figure, {
                  shows: figure.value.shows,
                  ...(afterS !== null && { afterS }),
                }),
              )
            }
          />
        )}
      </Row>
      <StandingFields label="When data stops" figure={figure} onCommit={onCommit} />
    </>
  );
}

function parseSeconds(text: string): Parsed<number | null> {
  const words = text.trim();
  if (words === '') return { ok: true, value: null };
  const seconds = Number(/^([\d.,]+)\s*s?$/i.exec(words)?.[1]?.replace(',', '.') ?? NaN);
  return seconds >= 0 && seconds <= MOST_SILENT_S
    ? { ok: true, value: seconds }
    : {
        ok: false,
        message: `Seconds from 0 to ${groupDigits(MOST_SILENT_S)}, such as 2.5; “${words}” is not.`,
      };
}

/** The numbers of channels that a pixel may have. */
function PixelChannels({
  figure,
  onCommit,
}: {
  figure: Figure<number[]> | undefined;
  onCommit: (figure: Figure<number[]> | undefined) => void;
}) {
  return (
    <>
      <MultiSelect
        label="Takes pixels of 1, 2, 3 or 4 channels"
        placeholder={figure ? undefined : `the usual: ${listOf(USUAL.pixelChannels.value.map(String))}`}
        value={(figure?.value ?? []).map(String)}
        data={Array.from({ length: MOST_CHANNELS_A_PIXEL }, (_, i) => String(i + 1))}
        onChange={(values) => {
          const channels = values.map(Number).sort((a, b) => a - b);
          onCommit(channels.length > 0 ? retyped(figure, channels) : undefined);
        }}
      />
      <StandingFields label="Pixels that it takes" figure={figure} onCommit={onCommit} />
    </>
  );
}
