'use client';

import { ActionIcon, CopyButton, Group, Tooltip, VisuallyHidden } from '@mantine/core';
import { IconCheck, IconCopy, IconX } from '@tabler/icons-react';
import { addressOf, pixelFactsOf } from '@/core/answers/lookup';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { xSeenFrom } from '@/core/threading/view';
import { formatLength, type Lengths } from '@/core/units/length';
import { groupDigits } from '@/core/units/number';
import { Facts } from '@/ui/Facts';
import { useHandOut } from '@/ui/handingOut';
import { Section } from '@/ui/Panel';
import { useGoTo, useView } from '../view/useView';
import { numberingsOf, strandWords } from '@/core/answers/numberings';
import { propOfRun } from '@/core/plan/records';

/** Every number of the selected pixel, to be read out or copied. */
export function PixelSection({ plan, pixel }: { plan: Plan; pixel: number }) {
  const { side } = useView();
  const goTo = useGoTo();
  const handOut = useHandOut();
  const address = addressOf(plan, pixel);
  const prop = propOfRun(plan, plan.pixels.run[pixel]!);
  const numberings = numberingsOf(address);
  const title = `Pixel ${groupDigits(address.pixelInRun)} of run ${address.run}`;
  const text = [
    `${address.propName}: ${title}`,
    ...numberings.map(({ name, value, note }) => `${name}: ${value}${note ? ` (${note})` : ''}`),
  ].join('\n');

  return (
    <Section
      title={
        <Group justify="space-between" wrap="nowrap">
          {/* Walking from pixel to pixel by keyboard, each one's numbers are read out. */}
          <VisuallyHidden aria-live="polite">{text}</VisuallyHidden>
          <span data-testid="pixel-title">{title}</span>
          <Group gap={6} wrap="nowrap">
            <CopyButton value={text}>
              {({ copied, copy }) => (
                <Tooltip label={copied ? 'Copied' : 'Copy all its numbers'}>
                  <ActionIcon
                    size="sm"
                    variant="default"
                    aria-label="Copy all its numbers"
                    onClick={() => {
                      copy();
                      handOut('copied', title);
                    }}
                  >
                    {copied ? <IconCheck size={14} /> : <IconCopy size={14} />}
                  </ActionIcon>
                </Tooltip>
              )}
            </CopyButton>
            <Tooltip label="Let go of it (Esc)">
              <ActionIcon
                size="sm"
                variant="default"
                aria-label="Let go of the pixel"
                onClick={() => goTo({ subject: { kind: 'prop', propId: address.propId } })}
              >
                <IconX size={14} />
              </ActionIcon>
            </Tooltip>
          </Group>
        </Group>
      }
    >
      <Facts
        facts={[
          { name: 'On the prop', value: strandWords(address, kindOf(prop).strandWord(prop.threading)) },
          ...pixelFactsOf(plan, pixel),
          {
            name: side === 'front' ? 'Right and up' : 'Right and up, from the back',
            value: `${signed(xSeenFrom(side, address.xMm), plan.show.lengths)}, ${signed(address.yMm, plan.show.lengths)}`,
          },
          ...numberings.map(({ name, value, note }) => ({ name, value, note, address: true })),
        ]}
      />
    </Section>
  );
}

function signed(lengthMm: number, lengths: Lengths): string {
  return lengthMm < 0 ? `−${formatLength(-lengthMm, lengths)}` : formatLength(lengthMm, lengths);
}
