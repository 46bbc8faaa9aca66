'use client';

import { Button, NumberInput, SegmentedControl, Select, Switch } from '@mantine/core';
import type { ReactNode } from 'react';
import { SENDING_MINUTES, MOST_RATE_HZ, type BenchState } from '@/core/rig/benchState';
import { groupDigits } from '@/core/units/number';
import { Opening } from '../sheets/Opening';
import styles from './sending.module.css';
import { DeviceRates, type DeviceRate } from './DeviceRates';
import { setTest, useTest, type Goes } from './useTest';

export interface SendChoice {
  rateHz: number;
  minutes: number;
  isSynced: boolean;
  /** Devices that are sent to less often. */
  rates: DeviceRate[];
}

const GOES_WORDS: Record<Goes, string> = {
  preview: 'A preview: nothing is sent, and what would light is worked out here.',
  rig: 'Real packets go to the simulator on this machine, which stands in for your devices.',
  devices: 'Real packets go to your devices. You are asked once for each address.',
};

interface SendControlsProps {
  choice: SendChoice;
  onChoose: (choice: SendChoice) => void;
  state: BenchState | null;
  /** Another window sends. */
  isOthers: boolean;
  onStop: () => void;
  /** The test is chosen elsewhere, and so is a device's own test. */
  isMarked?: boolean;
  /** More controls of the test. */
  children?: ReactNode;
}

/** Target of a test, or a device's own test; and the packets that are sent. */
export function SendControls({
  choice,
  onChoose,
  state,
  isOthers,
  onStop,
  isMarked = false,
  children,
}: SendControlsProps) {
  const goes = useTest((test) => test.goes);
  const isOwnTest = useTest((test) => test.isOwnTest);
  const sending = state?.sending;
  return (
    <div className={styles.sending}>
      <div className={styles.controls}>
        <SegmentedControl
          size="xs"
          aria-label="Where the test goes"
          value={isOwnTest ? 'own' : goes}
          onChange={(value) =>
            setTest(value === 'own' ? { isOwnTest: true } : { isOwnTest: false, goes: value as Goes })
          }
          data={[
            { value: 'preview', label: isMarked ? 'By your own program' : 'Preview' },
            { value: 'rig', label: 'To the simulator' },
            { value: 'devices', label: 'To the devices' },
            ...(isMarked ? [] : [{ value: 'own', label: 'The device’s own fill' }]),
          ]}
        />
        <Button className={styles.stop} size="compact-sm" color="red" onClick={onStop}>
          Stop
        </Button>
      </div>
      <p className={styles.quiet} role="status">
        {isOwnTest
          ? 'A device’s own fill is started on the device; nothing is sent.'
          : sending
            ? sendingWords(sending, isOthers)
            : isMarked && goes === 'preview'
              ? 'Nothing is sent: light them by your own program.'
              : GOES_WORDS[goes]}
      </p>
      <div className={styles.controls}>
        {children}
        {!isMarked && !isOwnTest && goes !== 'preview' && (
          <Opening words="How it is sent">
            <div className={styles.controls}>
              <NumberInput
                size="xs"
                label="Pictures a second"
                min={1}
                max={MOST_RATE_HZ}
                clampBehavior="strict"
                allowDecimal={false}
                value={choice.rateHz}
                onChange={(value) =>
                  typeof value === 'number' && value >= 1 && onChoose({ ...choice, rateHz: value })
                }
              />
              <Select
                size="xs"
                label="Stops by itself"
                allowDeselect={false}
                value={String(choice.minutes)}
                data={[2, SENDING_MINUTES.usual, 60].map((minutes) => ({
                  value: String(minutes),
                  label: `after ${minutes} minutes`,
                }))}
                onChange={(value) => value && onChoose({ ...choice, minutes: Number(value) })}
              />
              <Switch
                label="Synchronised"
                description="Devices that can show all of a picture at once"
                checked={choice.isSynced}
                onChange={(event) => onChoose({ ...choice, isSynced: event.currentTarget.checked })}
              />
              <DeviceRates rates={choice.rates} onChange={(rates) => onChoose({ ...choice, rates })} />
            </div>
          </Opening>
        )}
      </div>
    </div>
  );
}

function sendingWords(
  { wish, leftMs, figures }: NonNullable<BenchState['sending']>,
  isOthers: boolean,
): string {
  const to = wish.to === 'rig' ? 'the simulator' : 'your devices';
  const left = `${Math.floor(leftMs / 60_000)}:${String(Math.floor((leftMs / 1000) % 60)).padStart(2, '0')}`;
  const refused =
    figures && figures.refused > 0 ? `, ${groupDigits(figures.refused)} refused (${figures.lastError})` : '';
  const done = figures ? ` · ${groupDigits(figures.packets)} packets, ${figures.late} late${refused}` : '';
  return `${isOthers ? 'Another window sends' : 'Sent'} to ${to}, ${wish.rateHz} a second${done} · stops in ${left}`;
}
