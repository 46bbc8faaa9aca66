import { Select } from '@mantine/core';
import { useState } from 'react';
import { ordersOf } from '@/core/diagnose/help/colourOrderOf';
import { LEAST_LIGHTS, readLights, smearSentences } from '@/core/diagnose/help/smearWords';
import { ParsedField } from '@/ui/fields/ParsedField';
import { HelpAnswer, QuickCheck } from './QuickCheck';

const ALL_ORDERS = [...ordersOf('BGR'), ...ordersOf('BGRW')];

/** Colours that change along a string: channels that are off, or three for four. */
export function SmearCheck() {
  const [setting, setSetting] = useState('RGB');
  const [seen, setSeen] = useState<readonly string[]>([]);
  const sentences = seen.length >= LEAST_LIGHTS ? [...new Set(smearSentences(seen, setting))] : null;
  return (
    <QuickCheck
      title="Colours change along the string"
      says="Send red alone, and write down what the first lights show: three channels for four and a start that is off by some channels look alike from afar."
    >
      <Select
        label="The order that is set for it"
        searchable
        allowDeselect={false}
        data={ALL_ORDERS}
        value={setting}
        onChange={(value) => value && setSetting(value)}
      />
      <ParsedField
        label="The first lights, one after another"
        description={`At least ${LEAST_LIGHTS}: R, G, B or W, two letters where two are lit, - where it is dark; such as R, B, G, R`}
        value={seen}
        format={(lights: readonly string[]) => lights.map((lit) => lit || '-').join(', ')}
        parse={(text) => {
          const value = readLights(text);
          return value
            ? { ok: true, value }
            : {
                ok: false,
                message: `Letters R, G, B and W, or - for dark, one light after another; “${text.trim()}” is not.`,
              };
        }}
        onCommit={setSeen}
      />
      {sentences && (
        <HelpAnswer>
          {sentences.length === 0 ? (
            <p>
              No order, no count of channels and no start that is off by up to three channels shows that. Look
              once more.
            </p>
          ) : (
            sentences.map((sentence, i) => <p key={sentence}>{i === 0 ? sentence : `Or: ${sentence}`}</p>)
          )}
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
